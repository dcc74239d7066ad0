import type { SentGradeOverride } from '@semita/core/contract';
import type { GradebookRules } from '@semita/core/gradebook';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { useClassChange } from '../classes/queries.ts';

// Under the class: what is changed of it changes these.
export const gradebookOptions = (classId: string) =>
  queryOptions({
    queryKey: ['classes', classId, 'gradebook'],
    queryFn: () => call('readGradebook', { params: { classId } }),
  });

export const keptOptions = (classId: string, keptId: string) =>
  queryOptions({
    queryKey: ['classes', classId, 'gradebook', keptId],
    queryFn: () => call('readKeptGradebook', { params: { classId, keptId } }),
    // It never changes.
    staleTime: Number.POSITIVE_INFINITY,
  });

export const overridesOptions = (classId: string, studentId: string) =>
  queryOptions({
    queryKey: ['classes', classId, 'gradebook', 'overrides', studentId],
    queryFn: () => call('listGradeOverrides', { params: { classId, studentId } }),
  });

export const useChangeRules = (classId: string, done: () => void) =>
  useClassChange(
    (body: { readonly version: number; readonly rules: GradebookRules }) =>
      call('changeGradebookRules', { params: { classId }, body }),
    done,
  );

export const useOverride = (classId: string, done: () => void) =>
  useClassChange((body: SentGradeOverride) => call('overrideGrade', { params: { classId }, body }), done);

export const useKeep = (classId: string, done: () => void) =>
  useClassChange((note: string) => call('keepGradebook', { params: { classId }, body: { note } }), done);

export const useRemoveKept = (classId: string, done: () => void) =>
  useClassChange((keptId: string) => call('removeKeptGradebook', { params: { classId, keptId } }), done);
