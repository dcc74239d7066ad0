import type { Sheet } from '@semita/core/contract';
import { readSheetLine } from '@semita/core/sheet';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const assignmentsOptions = () =>
  queryOptions({ queryKey: ['assignments'], queryFn: () => call('listAssignments', {}) });

/** All that one's classes were ever given, also what was put away. */
export const historyOptions = () => queryOptions({ queryKey: ['history'], queryFn: () => call('listHistory', {}) });

export const sheetOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['sheet', assignmentId],
    queryFn: async (): Promise<Sheet> => {
      const sent = await call('readSheet', { params: { assignmentId } });
      return { ...sent, students: sent.students.map(readSheetLine) };
    },
  });

export const walkedPathOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['sheet', assignmentId, 'path'],
    queryFn: () => call('readWalkedPath', { params: { assignmentId } }),
  });

/** Answers come in and marks are given all the time. Under the sheet's own key: what changes all of it changes these. */
export const stopFiguresOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['sheet', assignmentId, 'stops'],
    queryFn: () => call('readStopFigures', { params: { assignmentId } }),
    staleTime: 0,
  });

export const watchingOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['sheet', assignmentId, 'watching'],
    queryFn: () => call('readWatching', { params: { assignmentId } }),
    staleTime: 0,
  });

export const attemptOptions = (assignmentId: string, studentId: string) =>
  queryOptions({
    queryKey: ['attempt', assignmentId, studentId],
    queryFn: () => call('readAttempt', { params: { assignmentId, studentId } }),
  });
