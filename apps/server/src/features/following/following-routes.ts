import type { Response } from 'express';
import type { Handlers } from '../../http/serve-route.ts';
import type { SendTable } from '../../tables/send-table.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { FollowingService } from './following-service.ts';

type Names =
  | 'readStopFigures'
  | 'readWatching'
  | 'readStudentLines'
  | 'exportSheet'
  | 'exportSheetWorkbook'
  | 'exportAnswers'
  | 'exportAnswersWorkbook';

interface Rooms {
  readonly following: FollowingService;
  readonly sendTable: SendTable;
}

export function followingHandlers({ following, sendTable }: Rooms): Pick<Handlers, Names> {
  const send = (
    { actor, params, res }: { actor: Actor; params: { assignmentId: string }; res: Response },
    what: 'sheet' | 'answers',
    format: 'csv' | 'xlsx',
  ) => sendTable(actor, res, { ...following.exportTable(actor, params.assignmentId, what), what }, format);
  return {
    readStopFigures: ({ actor, params }) => following.readStopFigures(actor, params.assignmentId),
    readWatching: ({ actor, params }) => following.readWatching(actor, params.assignmentId),
    readStudentLines: ({ params }) => following.readStudentLines(params.classId, params.studentId),
    exportSheet: (input) => send(input, 'sheet', 'csv'),
    exportSheetWorkbook: (input) => send(input, 'sheet', 'xlsx'),
    exportAnswers: (input) => send(input, 'answers', 'csv'),
    exportAnswersWorkbook: (input) => send(input, 'answers', 'xlsx'),
  };
}
