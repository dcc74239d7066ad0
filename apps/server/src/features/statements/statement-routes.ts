import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Handlers } from '../../http/serve-route.ts';
import type { StatementService } from './statement-service.ts';

type Names = 'readRecordStore' | 'exportStatements' | 'sendStatements';

export const statementHandlers = (statements: StatementService): Pick<Handlers, Names> => ({
  readRecordStore: () => ({ host: statements.host }),
  exportStatements: async ({ actor, params, res }) => {
    res.attachment(`${statements.titleOf(params.assignmentId)} - statements.json`).type('application/json');
    // Whoever goes away meanwhile wants no more of it.
    await pipeline(Readable.from(statements.write(actor, params.assignmentId)), res).catch((error: unknown) => {
      if (!res.destroyed) throw error;
    });
    return undefined;
  },
  sendStatements: ({ actor, params }) => statements.send(actor, params.assignmentId),
});
