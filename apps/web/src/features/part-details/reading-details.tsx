import type { Material } from '@semita/core/contract';
import { firstWords, type Lesson, type LessonChange, type MaterialPart, type Stop } from '@semita/core/lesson';
import { bringChange } from '@semita/core/newer-version';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { ErrorNotice, Notice } from '../../ui/notice.tsx';
import { formatMinutes } from '../../words/format.ts';
import { findWords, t } from '../../words/words.ts';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { materialsOptions } from '../materials/queries.ts';
import { sendNewerVersion, whenReady } from '../materials/upload.ts';
import { PartSettings } from '../path/part-settings.tsx';
import { contentOptions, contentScript } from '../reading/content.ts';
import { LeftOutNotice } from '../reading/left-out-notice.tsx';
import { NextLesson } from './next-lesson.tsx';
import { PictureWords } from './picture-words.tsx';
import '../materials/words.ts';
import '../bank/words.ts';
import './words.ts';

interface Props {
  /** The lesson as it is when it is asked for. */
  readonly lessonNow: () => Lesson;
  readonly part: MaterialPart;
  readonly material: Material;
  readonly lessonId: string;
  readonly apply: (change: LessonChange) => boolean;
  readonly onGoToStop: (stopId: string) => void;
}

/** Under the stage: the name of the reading, its document, and bringing in a newer version of that. */
export function ReadingDetails({ lessonNow, part, material, lessonId, apply, onGoToStop }: Props) {
  const content = useQuery(contentOptions(material.id));
  const isDeck = part.kind === 'deck';
  return (
    <div className="grid gap-5">
      <PartTitleField label={t(isDeck ? 'desk.deckTitle' : 'desk.readingTitle')} part={part} apply={apply} />
      <section aria-labelledby="document" className="grid gap-2">
        <h2 id="document" className="text-16">
          {t(isDeck ? 'desk.deck' : 'desk.document')}
        </h2>
        {!material.madeHere && <p className="text-14">{material.fileName}</p>}
        <p className="text-14">{levelWords(material)}</p>
        <LeftOutNotice leftOut={material.leftOut} />
        {material.madeHere ? (
          <div>
            <Link to={`/slides/${material.id}?lesson=${lessonId}`} className={buttonStyle({ size: 'small' })}>
              {t('slides.change')}
            </Link>
          </div>
        ) : (
          <NewerVersion {...{ lessonNow, part, apply, onGoToStop }} />
        )}
      </section>
      {content.data && !material.madeHere && (
        <PictureWords
          key={material.id}
          materialId={material.id}
          pieces={isDeck ? content.data.slides : content.data.blocks}
          label={isDeck ? 'desk.slidePictureWords' : 'desk.pictureWords'}
        />
      )}
      {!isDeck && <NextLesson part={part} lessonId={lessonId} apply={apply} />}
      <PartSettings part={part} apply={apply} />
      <div>
        <Button size="small" look="danger" onClick={() => apply({ type: 'removePart', partId: part.id })}>
          {t(isDeck ? 'desk.removeDeck' : 'desk.removeReading')}
        </Button>
      </div>
    </div>
  );
}

/** How long a text is and how hard, as far as that can be said of it. */
function levelWords({ lengthMs, level }: Material): string {
  const length = t('anchor.reading', { length: formatMinutes(lengthMs ?? 0) });
  if (!level) return length;
  const grade = Math.max(1, Math.round(level.grade));
  return t('desk.level', { length, words: level.words, grade, ease: Math.round(level.ease) });
}

function NewerVersion({ lessonNow, part, apply, onGoToStop }: Omit<Props, 'material' | 'lessonId'>) {
  const queryClient = useQueryClient();
  const [refusal, setRefusal] = useState<string | null>(null);
  const bringIn = useMutation({
    mutationFn: async (file: File): Promise<readonly Stop[]> => {
      setRefusal(null);
      const before = await queryClient.fetchQuery(contentOptions(part.materialId));
      const newer = await whenReady(await sendNewerVersion(file, part.materialId));
      await queryClient.invalidateQueries(materialsOptions());
      if (newer.status === 'refused') {
        setRefusal(newer.refusal);
        return [];
      }
      const after = await queryClient.fetchQuery(contentOptions(newer.id));
      // What is changed while the file is on its way is not lost.
      const lesson = lessonNow();
      const { change, astray } = bringChange(lesson, part.id, newer.id, contentScript(before), contentScript(after));
      if (change) apply(change);
      return astray;
    },
  });
  const isDone = bringIn.isSuccess && refusal === null;
  return (
    <>
      <div>
        <FileButton
          size="small"
          accept=".docx,.odt,.pdf,.html,.htm,.md,.markdown,.epub,.txt,.pptx,.odp"
          disabled={bringIn.isPending}
          onFile={(file) => bringIn.mutate(file)}
        >
          {t('desk.again')}
        </FileButton>
      </div>
      <p className="text-13 text-quiet">{t('desk.againHelp')}</p>
      {bringIn.isPending && <p role="status">{t('desk.againBusy', { name: bringIn.variables.name })}</p>}
      {bringIn.isError && <ErrorNotice error={bringIn.error} />}
      {refusal !== null && (
        <Notice tone="danger" role="alert">
          {findWords(`refusal.${refusal}`) ?? t('refusal.damaged')}
        </Notice>
      )}
      {isDone && bringIn.data.length === 0 && <Notice role="status">{t('desk.againDone')}</Notice>}
      {isDone && bringIn.data.length > 0 && (
        <Notice tone="attention" role="alert" title={t('desk.againAstray', { count: bringIn.data.length })}>
          <ul className="grid gap-0.5">
            {bringIn.data.map((stop) => (
              <li key={stop.id}>
                <button type="button" className="min-h-6 text-left underline" onClick={() => onGoToStop(stop.id)}>
                  {firstWords(stop) || t('desk.empty')}
                </button>
              </li>
            ))}
          </ul>
        </Notice>
      )}
    </>
  );
}
