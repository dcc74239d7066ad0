import type { AssignmentSummary } from '@semita/core/contract';
import { found, Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';
import type { Roster } from './roster.ts';

interface Options {
  readonly classes: ClassRepository;
  readonly roster: Roster;
  readonly listAssignments: (actor: Actor, classId: string) => AssignmentSummary[];
}

type Names = 'listClasses' | 'listGroups' | 'readClass' | 'changeClass' | 'changeStudent';

export function classHandlers({ classes, roster, listAssignments }: Options): Pick<Handlers, Names> {
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
    changeStudent: ({ actor, params: { classId, studentId }, body: { extraTime, groups } }) => {
      found(classes.findTaught(actor, classId));
      const isThere =
        (extraTime === undefined || classes.setExtraTime(classId, studentId, extraTime)) &&
        (groups === undefined || roster.setGroups(classId, studentId, groups));
      if (!isThere) throw new Refused('notFound');
      return undefined;
    },
  };
}
