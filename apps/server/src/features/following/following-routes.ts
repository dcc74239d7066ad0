import type { Response } from 'express';
import type { Handlers } from '../../http/serve-route.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { FollowingService } from './following-service.ts';
import { writeCsv, writeXlsx } from './table.ts';

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
  readonly security: Pick<SecurityLog, 'record'>;
}

const workbookType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

export function followingHandlers({ following, security }: Rooms): Pick<Handlers, Names> {
  const send = async (
    { actor, params, res }: { actor: Actor; params: { assignmentId: string }; res: Response },
    which: 'sheet' | 'answers',
    format: 'csv' | 'xlsx',
  ) => {
    const { table, title } = following.exportTable(actor, params.assignmentId, which);
    security.record('exported', actor.id, which);
    if (format === 'csv')
      res.attachment(`${title}.csv`).type('text/csv; charset=utf-8; header=present').send(writeCsv(table));
    else
      res
        .attachment(`${title}.xlsx`)
        .type(workbookType)
        .send(await writeXlsx(table));
    return undefined;
  };
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
