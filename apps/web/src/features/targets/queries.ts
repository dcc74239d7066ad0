import type { ReadTarget } from '@semita/core/target';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';

export const targetsOptions = () => queryOptions({ queryKey: ['targets'], queryFn: () => call('listTargets', {}) });

export const masteryOptions = (classId: string) =>
  queryOptions({
    queryKey: ['targets', 'mastery', classId],
    queryFn: () => call('readMastery', { params: { classId } }),
  });

export const studentMasteryOptions = (classId: string, studentId: string) =>
  queryOptions({
    queryKey: ['targets', 'mastery', classId, studentId],
    queryFn: () => call('readStudentMastery', { params: { classId, studentId } }),
  });

function useTargetChange<Input, Output>(change: (input: Input) => Promise<Output>, done: (output: Output) => void) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (output) => {
      done(output);
      await queryClient.invalidateQueries({ queryKey: targetsOptions().queryKey });
    },
    onError: (error) => toast.error(errorWords(error)),
  });
}

export const useBringIn = (done: (taken: { readonly added: number; readonly changed: number }) => void) =>
  useTargetChange(
    (targets: readonly ReadTarget[]) => call('bringInTargets', { body: { targets: [...targets] } }),
    done,
  );

export const useRemoveTarget = (done: () => void) =>
  useTargetChange((targetId: string) => call('removeTarget', { params: { targetId } }), done);
