import type { Response } from 'express';
import type { Handlers } from '../../http/serve-route.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { FollowingService } from './following-service.ts';
import { writeCsv } from './table.ts';
import type { WorkbookWriter } from './workbook-writer.ts';

type TableFormat = 'csv' | 'xlsx';

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
  readonly workbooks: WorkbookWriter;
  readonly security: Pick<SecurityLog, 'record'>;
}

const types: Readonly<Record<TableFormat, string>> = {
  csv: 'text/csv; charset=utf-8; header=present',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
};

export function followingHandlers({ following, workbooks, security }: Rooms): Pick<Handlers, Names> {
  const send = async (
    { actor, params, res }: { actor: Actor; params: { assignmentId: string }; res: Response },
    which: 'sheet' | 'answers',
    format: TableFormat,
  ) => {
    const { table, title } = following.exportTable(actor, params.assignmentId, which);
    security.record('exported', actor.id, which);
    const lane = { schoolId: actor.schoolId, personId: actor.id };
    const file = format === 'csv' ? writeCsv(table) : await workbooks.write(lane, table);
    res.attachment(`${title}.${format}`).type(types[format]).send(file);
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
