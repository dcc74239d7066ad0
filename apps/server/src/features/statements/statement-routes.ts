import { once } from 'node:events';
import type { Handlers } from '../../http/serve-route.ts';
import type { StatementService } from './statement-service.ts';

type Names = 'readRecordStore' | 'exportStatements' | 'sendStatements';

export const statementHandlers = (statements: StatementService): Pick<Handlers, Names> => ({
  readRecordStore: () => ({ host: statements.host }),
  exportStatements: async ({ actor, params, res }) => {
    res.attachment(`${statements.titleOf(params.assignmentId)} - statements.json`).type('application/json');
    for await (const piece of statements.write(actor, params.assignmentId)) {
      if (res.destroyed) return undefined;
      if (!res.write(piece)) await Promise.race([once(res, 'drain'), once(res, 'close')]);
    }
    res.end();
    return undefined;
  },
  sendStatements: ({ actor, params }) => statements.send(actor, params.assignmentId),
});
