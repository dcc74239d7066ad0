import type { LessonSummary } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Menu, MenuItem } from '../../ui/menu.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions } from '../materials/queries.ts';
import '../materials/words.ts';
import './words.ts';

const AssignDialog = lazy(async () => ({
  default: (await import('../assigning/assign-dialog.tsx')).AssignDialog,
}));

const PracticeDialog = lazy(async () => ({
  default: (await import('../practice/practice-dialog.tsx')).PracticeDialog,
}));

const binQuery = { queryKey: ['lessons', 'bin'], queryFn: () => call('listRemovedLessons', {}) };

function useBringBack() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: ({ id }: LessonSummary) => call('bringBackLesson', { params: { lessonId: id } }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: lessonsOptions().queryKey }),
    onError: (error) => toast.error(errorWords(error)),
  });
}

const titleOf = ({ title }: LessonSummary) => title || t('shelf.untitled');

/** What is done with a lesson on the shelf, besides opening it. */
export function LessonMenu({ lesson }: { readonly lesson: LessonSummary }) {
  const queryClient = useQueryClient();
  const navigate = useNavigate();
  const [isAssigning, setIsAssigning] = useState(false);
  const [isPractice, setIsPractice] = useState(false);
  const params = { lessonId: lesson.id };
  const showAnew = () => queryClient.invalidateQueries({ queryKey: lessonsOptions().queryKey });
  const bringBack = useBringBack();
  const copy = useMutation({
    mutationFn: () => call('copyLesson', { params }),
    onSuccess: async ({ id }) => {
      await showAnew();
      await navigate(`/lessons/${id}`);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const remove = useMutation({
    mutationFn: () => call('removeLesson', { params }),
    onSuccess: async () => {
      toast(t('shelf.lessonRemoved', { title: titleOf(lesson) }), {
        action: { label: t('app.undo'), onClick: () => bringBack.mutate(lesson) },
      });
      await showAnew();
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <>
      <Menu label={t('shelf.moreFor', { title: titleOf(lesson) })} triggerClassName="relative hover:bg-card">
        {lesson.editionNumber !== null && (
          <MenuItem onSelect={() => setIsAssigning(true)}>{t('shelf.assignLesson')}</MenuItem>
        )}
        {lesson.editionNumber !== null && (
          <MenuItem onSelect={() => setIsPractice(true)}>{t('shelf.practiceLink')}</MenuItem>
        )}
        <MenuItem onSelect={() => copy.mutate()}>{t('shelf.copyLesson')}</MenuItem>
        <MenuItem onSelect={() => remove.mutate()}>{t('shelf.removeLesson')}</MenuItem>
      </Menu>
      {isPractice && (
        <Suspense>
          <PracticeDialog lessonId={lesson.id} title={titleOf(lesson)} onClose={() => setIsPractice(false)} />
        </Suspense>
      )}
      {isAssigning && lesson.editionNumber !== null && (
        <Suspense>
          <AssignDialog
            lessonId={lesson.id}
            title={titleOf(lesson)}
            editionNumber={lesson.editionNumber}
            onClose={() => setIsAssigning(false)}
          />
        </Suspense>
      )}
    </>
  );
}

/** Lessons that were taken off the shelf; nothing that was given of them is touched. */
export function LessonBin() {
  const removed = useQuery(binQuery);
  const bringBack = useBringBack();
  if (!removed.data || removed.data.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer text-14 text-quiet">{t('shelf.bin', { count: removed.data.length })}</summary>
      <ul className="mt-2 divide-y divide-line rounded-card border border-line bg-card">
        {removed.data.map((lesson) => (
          <li key={lesson.id} className="flex items-center gap-4 px-5 py-1.5 text-14">
            <span className="grow text-quiet">{titleOf(lesson)}</span>
            <Button
              size="small"
              disabled={bringBack.isPending}
              aria-label={t('app.verbOn', { verb: t('shelf.bringBack'), title: titleOf(lesson) })}
              onClick={() => bringBack.mutate(lesson)}
            >
              {t('shelf.bringBack')}
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
