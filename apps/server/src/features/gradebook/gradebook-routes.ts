import type { Response } from 'express';
import type { Handlers } from '../../http/serve-route.ts';
import type { SendTable } from '../../tables/send-table.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { GradebookService } from './gradebook-service.ts';
import { gradebookTable } from './gradebook-table.ts';
import type { ResultsPackage } from './results-package.ts';

type Names =
  | 'readGradebook'
  | 'changeGradebookRules'
  | 'overrideGrade'
  | 'listGradeOverrides'
  | 'keepGradebook'
  | 'readKeptGradebook'
  | 'removeKeptGradebook'
  | 'exportGradebook'
  | 'exportGradebookWorkbook'
  | 'exportResults';

interface Rooms {
  readonly gradebooks: GradebookService;
  readonly resultsPackage: ResultsPackage;
  readonly sendTable: SendTable;
  readonly security: Pick<SecurityLog, 'record'>;
  readonly classNameOf: (classId: string) => string;
}

export function gradebookHandlers({
  gradebooks,
  resultsPackage,
  sendTable,
  security,
  classNameOf,
}: Rooms): Pick<Handlers, Names> {
  const send = (
    { actor, params, res }: { actor: Actor; params: { classId: string }; res: Response },
    format: 'csv' | 'xlsx',
  ) => {
    const table = gradebookTable(gradebooks.read(actor, params.classId));
    return sendTable(
      actor,
      res,
      { table, title: `${classNameOf(params.classId)} - gradebook`, what: 'gradebook' },
      format,
    );
  };
  return {
    readGradebook: ({ actor, params }) => gradebooks.read(actor, params.classId),
    changeGradebookRules: ({ params, body }) => {
      gradebooks.changeRules(params.classId, body);
    },
    overrideGrade: ({ actor, params, body }) => {
      gradebooks.override(actor, params.classId, body);
    },
    listGradeOverrides: ({ params }) => gradebooks.listOverrides(params.classId, params.studentId),
    keepGradebook: ({ actor, params, body }) => gradebooks.keep(actor, params.classId, body.note),
    readKeptGradebook: ({ params }) => gradebooks.readKept(params.classId, params.keptId),
    removeKeptGradebook: ({ params }) => {
      gradebooks.removeKept(params.classId, params.keptId);
    },
    exportGradebook: (input) => send(input, 'csv'),
    exportGradebookWorkbook: (input) => send(input, 'xlsx'),
    exportResults: ({ actor, params, res }) => {
      const bytes = resultsPackage(actor, params.classId);
      security.record('exported', actor.id, 'results');
      res
        .attachment(`${classNameOf(params.classId)} - results.zip`)
        .type('application/zip')
        .send(bytes);
      return undefined;
    },
  };
}
