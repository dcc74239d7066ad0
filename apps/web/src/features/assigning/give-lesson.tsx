import type { LessonSummary } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions } from '../materials/queries.ts';
import { AssignDialog } from './assign-dialog.tsx';
import { GiveSeries } from './give-series.tsx';
import './words.ts';
import '../materials/words.ts';

interface Props {
  /** To whom, where that is known already. */
  readonly classId?: string | undefined;
  readonly studentIds?: readonly string[] | undefined;
  readonly onClose: () => void;
}

/** From somewhere that is about no lesson: first which one, then all the rest. */
export function GiveLesson({ classId, studentIds, onClose }: Props) {
  const lessons = useQuery(lessonsOptions());
  const [chosen, setChosen] = useState<LessonSummary | null>(null);
  const [isSeries, setIsSeries] = useState(false);
  const ready = lessons.data?.filter(({ editionNumber }) => editionNumber) ?? [];
  if (isSeries) return <GiveSeries lessons={ready} classId={classId} onClose={onClose} />;
  if (chosen?.editionNumber)
    return (
      <AssignDialog
        lessonId={chosen.id}
        title={chosen.title}
        editionNumber={chosen.editionNumber}
        classId={classId}
        studentIds={studentIds}
        onClose={onClose}
      />
    );
  return (
    <Dialog
      open
      keepsAtOnce
      onOpenChange={(open) => !open && onClose()}
      title={t('assign.whichLesson')}
      description={t('assign.whichHelp')}
    >
      <QueryView query={lessons}>
        {() => <LessonPicker lessons={ready} onChoose={setChosen} onSeries={() => setIsSeries(true)} />}
      </QueryView>
    </Dialog>
  );
}

interface PickerProps {
  readonly lessons: readonly LessonSummary[];
  readonly onChoose: (lesson: LessonSummary) => void;
  readonly onSeries: () => void;
}

function LessonPicker({ lessons, onChoose, onSeries }: PickerProps) {
  const [words, setWords] = useState('');
  if (lessons.length === 0)
    return (
      <EmptyPlace title={t('assign.noEdition')}>
        <Link to="/shelf" className={buttonStyle({ look: 'main' })}>
          {t('assign.toShelf')}
        </Link>
      </EmptyPlace>
    );
  const wanted = words.trim().toLocaleLowerCase();
  const found = lessons.filter(({ title }) => title.toLocaleLowerCase().includes(wanted));
  return (
    <div className="grid gap-3">
      <Field label={t('assign.findLesson')}>
        {(ids) => <TextInput {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
      </Field>
      {found.length === 0 && <p className="text-14 text-quiet">{t('assign.noneFound')}</p>}
      <ul className="divide-y divide-line rounded-card border border-line">
        {found.map((lesson) => (
          <li key={lesson.id} className="flex items-center gap-4 px-4 py-2">
            <span className="min-w-0 grow break-words">{lesson.title}</span>
            <Button
              size="small"
              aria-label={t('app.verbOn', { verb: t('assign.choose'), title: lesson.title })}
              onClick={() => onChoose(lesson)}
            >
              {t('assign.choose')}
            </Button>
          </li>
        ))}
      </ul>
      {lessons.length > 1 && (
        <div>
          <Button look="quiet" onClick={onSeries}>
            {t('assign.series.open')}
          </Button>
        </div>
      )}
    </div>
  );
}
