import type { Handlers } from '../../http/serve-route.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { AssignmentService } from './assignment-service.ts';

type Names = 'listAssignments' | 'assign' | 'changeWindow' | 'readSheet' | 'exportSheet' | 'adjust' | 'listAdjustments';

export function assignmentHandlers(
  assignments: AssignmentService,
  security: Pick<SecurityLog, 'record'>,
): Pick<Handlers, Names> {
  return {
    listAssignments: ({ actor }) => assignments.list(actor),
    assign: ({ actor, body }) => assignments.assign(actor, body),
    changeWindow: ({ actor, params, body }) => assignments.changeWindow(actor, params.assignmentId, body),
    readSheet: ({ actor, params }) => assignments.readSheet(actor, params.assignmentId),
    exportSheet: ({ actor, params, res }) => {
      const { csv, title } = assignments.exportSheet(actor, params.assignmentId);
      security.record('exported', actor.id, 'sheet');
      res.attachment(`${title}.csv`).type('text/csv; charset=utf-8; header=present').send(csv);
      return undefined;
    },
    adjust: ({ actor, params, body }) => assignments.adjust(actor, params.assignmentId, body),
    listAdjustments: ({ actor, params }) => assignments.listAdjustments(actor, params.assignmentId, params.studentId),
  };
}
