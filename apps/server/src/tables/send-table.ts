import type { Response } from 'express';
import type { SecurityLog } from '../features/accounts/security-log.ts';
import type { Actor } from '../features/accounts/session-service.ts';
import { type Table, writeCsv } from './table.ts';
import type { WorkbookWriter } from './workbook-writer.ts';

export type SendTable = ReturnType<typeof createSendTable>;

interface Rooms {
  readonly workbooks: WorkbookWriter;
  readonly security: Pick<SecurityLog, 'record'>;
}

const types = {
  csv: 'text/csv; charset=utf-8; header=present',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

/** Sends a table as a file, and writes down who took what. */
export function createSendTable({ workbooks, security }: Rooms) {
  return async (
    actor: Actor,
    res: Response,
    { table, title, what }: { readonly table: Table; readonly title: string; readonly what: string },
    format: keyof typeof types,
  ): Promise<undefined> => {
    security.record('exported', actor.id, what);
    const lane = { schoolId: actor.schoolId, personId: actor.id };
    const file = format === 'csv' ? writeCsv(table) : await workbooks.write(lane, table);
    res.attachment(`${title}.${format}`).type(types[format]).send(file);
  };
}
