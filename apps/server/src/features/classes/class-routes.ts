import type { AssignmentSummary } from '@semita/core/contract';
import { found } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';

interface Options {
  readonly classes: ClassRepository;
  readonly listAssignments: (actor: Actor, classId: string) => AssignmentSummary[];
}

export function classHandlers({ classes, listAssignments }: Options): Pick<Handlers, 'listClasses' | 'readClass'> {
  return {
    listClasses: ({ actor }) => classes.listTaught(actor),
    readClass: ({ actor, params }) => ({
      ...found(classes.findTaught(actor, params.classId)),
      students: classes.listStudents(params.classId),
      assignments: listAssignments(actor, params.classId),
    }),
  };
}
