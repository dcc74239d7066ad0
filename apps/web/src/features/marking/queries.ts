import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const markingOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['marking', assignmentId],
    queryFn: () => call('listMarking', { params: { assignmentId } }),
  });

export const answersOptions = (assignmentId: string, questionId: string) =>
  queryOptions({
    queryKey: ['marking', assignmentId, questionId],
    queryFn: () => call('readAnswers', { params: { assignmentId, questionId } }),
  });

export const historyOptions = (assignmentId: string, studentId: string) =>
  queryOptions({
    queryKey: ['markHistory', assignmentId, studentId],
    queryFn: () => call('readMarkHistory', { params: { assignmentId, studentId } }),
    // A mark may have been changed a moment ago.
    staleTime: 0,
  });

export const talkOptions = (assignmentId: string, studentId: string) =>
  queryOptions({
    queryKey: ['talk', assignmentId, studentId],
    queryFn: () => call('readTalk', { params: { assignmentId, studentId } }),
  });

export const wroteBackOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['talk', assignmentId],
    queryFn: () => call('listWroteBack', { params: { assignmentId } }),
  });

export const phrasesOptions = () => queryOptions({ queryKey: ['phrases'], queryFn: () => call('listPhrases', {}) });
