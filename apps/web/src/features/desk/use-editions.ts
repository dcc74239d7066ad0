import type { Fault } from '@semita/core/checks';
import type { Draft, Material } from '@semita/core/contract';
import { changeTarget, type Lesson, type LessonChange } from '@semita/core/lesson';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { ApiError, codeOf } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import type { Desk } from '../draft/desk-store.ts';
import { draftOptions } from '../draft/queries.ts';
import './words.ts';

interface Options {
  readonly desk: Desk;
  readonly draft: Draft;
  /** The lesson with all it shows of others; null while that is not known. */
  readonly whole: Lesson | null;
  readonly materials: readonly Material[];
}

/** Making an edition of what is written, and what keeps one from being made. */
export function useEditions({ desk, draft, whole, materials }: Options) {
  const queryClient = useQueryClient();
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [picturesWithoutAlt, setPicturesWithoutAlt] = useState(0);
  const { mutate } = useMutation({
    mutationFn: async ({ acceptsPicturesWithoutAlt }: { acceptsPicturesWithoutAlt: boolean }) => {
      const draftVersion = await desk.flush();
      if (draftVersion === null) throw new ApiError('offline');
      const { stuckRoutes } = await import('../path/stuck-routes.ts');
      const stuck = await stuckRoutes(whole ?? desk.getSnapshot().lesson, materials);
      if (stuck.length > 0) throw new ApiError('lessonIncomplete', { faults: stuck });
      return call('makeEdition', { params: { lessonId: draft.id }, body: { draftVersion, acceptsPicturesWithoutAlt } });
    },
    onSuccess: async ({ number }) => {
      setFaults([]);
      setPicturesWithoutAlt(0);
      await queryClient.invalidateQueries(draftOptions(draft.id));
      toast(t('desk.editionMade', { number }));
    },
    onError: (error) => {
      const code = codeOf(error);
      const detail = error instanceof ApiError ? error.detail : undefined;
      if (code === 'lessonIncomplete') setFaults((detail as { faults: readonly Fault[] }).faults);
      else if (code === 'picturesWithoutAlt')
        setPicturesWithoutAlt((detail as { pictures: readonly unknown[] }).pictures.length);
      else toast.error(errorWords(error));
    },
  });
  return {
    faults,
    /** How many pictures have no words, where a teacher has to say whether that is meant. */
    picturesWithoutAlt,
    make: () => mutate({ acceptsPicturesWithoutAlt: false }),
    makeAllTheSame: () => mutate({ acceptsPicturesWithoutAlt: true }),
    goToPictures: () => setPicturesWithoutAlt(0),
    /** A fault is struck off the list once its place has been worked on; the next edition checks again. */
    strikeOff: (change: LessonChange) => {
      if (faults.length > 0) setFaults(faults.filter((fault) => !isAbout(fault, change)));
    },
  };
}

function isAbout(fault: Fault, change: LessonChange): boolean {
  const target = changeTarget(change);
  if (fault.stopId) return target.endsWith(`:${fault.stopId}`);
  return fault.partId ? target.endsWith(`:${fault.partId}`) : true;
}
