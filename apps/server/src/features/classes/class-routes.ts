import type { AssignmentSummary } from '@semita/core/contract';
import { found, Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';

interface Options {
  readonly classes: ClassRepository;
  readonly listAssignments: (actor: Actor, classId: string) => AssignmentSummary[];
}

type Names = 'listClasses' | 'listGroups' | 'readClass' | 'changeClass' | 'changeStudent';

export function classHandlers({ classes, listAssignments }: Options): Pick<Handlers, Names> {
  return {
    listClasses: ({ actor }) => classes.listTaught(actor),
    listGroups: ({ actor }) => classes.listGroups(actor),
    readClass: ({ actor, params }) => ({
      ...found(classes.findTaught(actor, params.classId)),
      students: classes.listStudents(params.classId),
      assignments: listAssignments(actor, params.classId),
    }),
    changeClass: ({ actor, params, body }) => {
      classes.changeClass(found(classes.findTaught(actor, params.classId)).id, body);
      return undefined;
    },
    changeStudent: ({ actor, params, body }) => {
      const { id } = found(classes.findTaught(actor, params.classId));
      if (!classes.changeStudent(id, params.studentId, body)) throw new Refused('notFound');
      return undefined;
    },
  };
}
