import type { LessonSummary, Material } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Search } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { MaterialIcon } from '../../ui/material-icon.tsx';
import { EmptyPlace, errorWords } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatBytes, formatClock, formatShare } from '../../words/format.ts';
import { formatLengths } from '../../words/position.ts';
import { findWords, t } from '../../words/words.ts';
import { lessonsOptions, materialsOptions } from '../materials/queries.ts';
import { forgetReceived } from '../materials/upload.ts';
import { BringInPanel } from './bring-in-panel.tsx';
import { LessonBin, LessonMenu } from './lesson-menu.tsx';
import { ReplaceButton } from './replace-button.tsx';
import { SeveralLessons } from './several-lessons.tsx';
import { ShelfTabs } from './shelf-tabs.tsx';
import './words.ts';
import '../materials/words.ts';

export function Component() {
  const navigate = useNavigate();
  const lessons = useQuery(lessonsOptions());
  const materials = useQuery(materialsOptions());
  const [text, setText] = useState('');
  const create = useMutation({
    mutationFn: (materialId: string | null) => call('createLesson', { body: { materialId } }),
    onSuccess: ({ id }) => navigate(`/lessons/${id}`),
    onError: (error) => toast.error(errorWords(error)),
  });
  const matches = (title: string) => title.toLowerCase().includes(text.trim().toLowerCase());
  return (
    <Page
      title={t('shelf.title')}
      actions={
        <>
          <div className="relative">
            <Search aria-hidden className="absolute top-2.5 left-2.5 size-4 text-quiet" strokeWidth={1.75} />
            <TextInput
              type="search"
              aria-label={t('shelf.search')}
              placeholder={t('shelf.search')}
              className="h-9 w-60 pl-8 text-14"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </div>
          <Link to="/slides/new" className={buttonStyle()}>
            {t('slides.make')}
          </Link>
          <Button look="main" onClick={() => create.mutate(null)}>
            {t('shelf.newLesson')}
          </Button>
        </>
      }
    >
      <ShelfTabs />
      <section className="grid gap-3">
        <h2 className="text-18">{t('shelf.lessons')}</h2>
        <QueryView query={lessons}>
          {(all) => (
            <LessonList lessons={all.filter((one) => matches(one.title))} isEmpty={all.length === 0} text={text} />
          )}
        </QueryView>
        <LessonBin />
      </section>
      <QueryView query={materials}>
        {(all) => (
          <>
            <BringInPanel materials={all} onMakeLesson={(materialId) => create.mutate(materialId)} />
            <section className="grid gap-3">
              <div className="flex flex-wrap items-baseline gap-3">
                <h2 className="text-18">{t('shelf.materials')}</h2>
                <p className="text-14 text-quiet">
                  {t('shelf.space', { size: formatBytes(all.reduce((sum, one) => sum + one.byteLength, 0)) })}
                </p>
              </div>
              <MaterialList materials={all.filter((one) => matches(one.title))} onMakeLesson={create.mutate} />
            </section>
          </>
        )}
      </QueryView>
    </Page>
  );
}

function LessonList({
  lessons,
  isEmpty,
  text,
}: {
  readonly lessons: readonly LessonSummary[];
  readonly isEmpty: boolean;
  readonly text: string;
}) {
  if (isEmpty)
    return (
      <EmptyPlace title={t('shelf.emptyLessons')}>
        <p>{t('shelf.emptyLessonsHelp')}</p>
      </EmptyPlace>
    );
  if (lessons.length === 0) return <p className="text-quiet">{t('shelf.noMatch', { text })}</p>;
  return (
    <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
      {lessons.map((lesson) => (
        <li key={lesson.id} className="relative flex flex-wrap items-center gap-x-6 px-5 py-2 hover:bg-main-tint">
          <Link to={`/lessons/${lesson.id}`} className="grow font-medium after:absolute after:inset-0">
            {lesson.title || t('shelf.untitled')}
          </Link>
          <span className="w-56 text-right text-14">{formatLengths(lesson)}</span>
          <span className="w-16 text-14 text-quiet">{t('shelf.stops', { count: lesson.stopCount })}</span>
          <span className="w-48 text-14 text-quiet">
            {lesson.editionNumber === null
              ? t('shelf.draftOnly')
              : `${t('shelf.edition', { number: lesson.editionNumber })}${lesson.changedSinceEdition ? `, ${t('shelf.changed')}` : ''}`}
          </span>
          <LessonMenu lesson={lesson} />
        </li>
      ))}
    </ul>
  );
}

interface MaterialListProps {
  readonly materials: readonly Material[];
  readonly onMakeLesson: (materialId: string) => void;
}

/** How long a way back is offered, in ms: long enough to read it and reach for it. */
const undoMs = 15_000;

function MaterialList({ materials, onMakeLesson }: MaterialListProps) {
  const queryClient = useQueryClient();
  const [divided, setDivided] = useState<Material | null>(null);
  const bringBack = useMutation({
    mutationFn: (materialId: string) => call('bringBackMaterial', { params: { materialId } }),
    onSuccess: () => queryClient.invalidateQueries(materialsOptions()),
    onError: (error) => toast.error(errorWords(error)),
  });
  const remove = useMutation({
    mutationFn: (material: Material) => call('deleteMaterial', { params: { materialId: material.id } }),
    onSuccess: async (_, { id, title }) => {
      forgetReceived(id);
      await queryClient.invalidateQueries(materialsOptions());
      toast(t('shelf.removed', { title }), {
        duration: undoMs,
        action: { label: t('app.undo'), onClick: () => bringBack.mutate(id) },
      });
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  if (materials.length === 0)
    return (
      <EmptyPlace title={t('shelf.emptyMaterials')}>
        <p>{t('shelf.emptyMaterialsHelp')}</p>
      </EmptyPlace>
    );
  return (
    <>
      <ul className="divide-y divide-line rounded-card border border-line bg-card">
        {materials.map((material) => (
          <li key={material.id} className="flex flex-wrap items-center gap-x-5 gap-y-2 px-5 py-3">
            <MaterialIcon kind={material.kind} />
            <div className="grow">
              <p className="font-medium">{material.title}</p>
              <p className="text-14 text-quiet">{factsOf(material)}</p>
            </div>
            {material.status === 'ready' && (material.kind === 'deck' || material.kind === 'document') && (
              <Button
                size="small"
                look="quiet"
                aria-label={nameOf('several', material)}
                onClick={() => setDivided(material)}
              >
                {t('shelf.several')}
              </Button>
            )}
            {material.madeHere && (
              <Link
                to={`/slides/${material.id}`}
                className={buttonStyle({ size: 'small', look: 'quiet' })}
                aria-label={t('app.verbOn', { verb: t('slides.change'), title: material.title })}
              >
                {t('slides.change')}
              </Link>
            )}
            {material.status === 'ready' && material.kind !== 'picture' && (
              <Button
                size="small"
                aria-label={nameOf('makeLesson', material)}
                onClick={() => onMakeLesson(material.id)}
              >
                {t('shelf.makeLesson')}
              </Button>
            )}
            {material.usedIn.length > 0 && !material.madeHere && material.kind !== 'picture' && (
              <ReplaceButton material={material} />
            )}
            {material.usedIn.length === 0 && material.status !== 'checking' && material.progress === null && (
              <Button
                size="small"
                look="danger"
                aria-label={nameOf('remove', material)}
                onClick={() => remove.mutate(material)}
              >
                {t('shelf.remove')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {divided && <SeveralLessons material={divided} onClose={() => setDivided(null)} />}
    </>
  );
}

const nameOf = (verb: 'makeLesson' | 'remove' | 'several', { title }: Material) =>
  t('app.verbOn', { verb: t(`shelf.${verb}`), title });

function factsOf({ status, progress, refusal, byteLength, usedIn, ...material }: Material): string {
  if (status === 'checking')
    return progress === null ? t('shelf.checking') : t('shelf.checkingShare', { share: formatShare(progress) });
  if (status === 'refused') return findWords(`refusal.${refusal}`) ?? '';
  const used = usedIn.length > 0 ? t('shelf.usedIn', { titles: usedIn.join(', ') }) : t('shelf.unused');
  const space = byteLength > 0 ? [formatBytes(byteLength)] : [];
  return [measureOf(material), ...space, ...captionsOf(material), used].join(' · ');
}

/** How long it takes, or how large it is. */
function measureOf({
  kind,
  lengthMs,
  width,
  height,
}: Pick<Material, 'kind' | 'lengthMs' | 'width' | 'height'>): string {
  if (kind === 'picture') return t('shelf.size', { width, height });
  const isReading = kind === 'document' || kind === 'deck';
  return isReading ? formatLengths({ readingMs: lengthMs ?? 0 }) : formatClock(lengthMs ?? 0);
}

function captionsOf({ kind, captionCount }: Pick<Material, 'kind' | 'captionCount'>): string[] {
  if (kind !== 'film' && kind !== 'sound') return [];
  return [captionCount > 0 ? t('shelf.captions', { count: captionCount }) : t('shelf.noCaptions')];
}
