import type { AssignmentSummary } from '@semita/core/contract';
import { found, Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';
import type { Roster } from './roster.ts';

interface Options {
  readonly classes: ClassRepository;
  readonly roster: Roster;
  readonly relations: ClassRelations;
  readonly listAssignments: (actor: Actor, classId: string) => AssignmentSummary[];
}

type Names = 'listClasses' | 'listGroups' | 'readClass' | 'changeClass' | 'changeStudent';

export function classHandlers({ classes, roster, relations, listAssignments }: Options): Pick<Handlers, Names> {
  return {
    listClasses: ({ actor }) => classes.list([...relations.followedBy(actor.id)]),
    listGroups: ({ actor }) => classes.listGroups([...relations.taughtBy(actor.id)]),
    readClass: ({ actor, params }) => ({
      ...found(classes.find(params.classId)),
      students: classes.listStudents(params.classId),
      assignments: listAssignments(actor, params.classId),
    }),
    changeClass: ({ params, body }) => {
      classes.changeClass(params.classId, body);
      return undefined;
    },
    changeStudent: ({ params: { classId, studentId }, body: { extraTime, groups } }) => {
      const isThere =
        (extraTime === undefined || classes.setExtraTime(classId, studentId, extraTime)) &&
        (groups === undefined || roster.setGroups(classId, studentId, groups));
      if (!isThere) throw new Refused('notFound');
      return undefined;
    },
  };
}
