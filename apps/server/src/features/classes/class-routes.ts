import type { AssignmentSummary } from '@semita/core/contract';
import type { Handlers } from '../../http/serve-route.ts';
import type { Enter } from '../accounts/account-routes.ts';
import type { Actor, SessionService } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';
import type { ClassService } from './class-service.ts';
import type { Joining } from './joining.ts';
import type { RosterLists } from './roster-lists.ts';

interface Options {
  readonly classes: ClassService;
  readonly lists: RosterLists;
  readonly joining: Joining;
  readonly groupsTaughtBy: (actor: Actor) => ReturnType<ClassRepository['listGroups']>;
  readonly listAssignments: (actor: Actor, classId: string) => AssignmentSummary[];
  readonly getMe: SessionService['getMe'];
  readonly enter: Enter;
}

type Names =
  | 'listClasses'
  | 'createClass'
  | 'listGroups'
  | 'listRosters'
  | 'readClass'
  | 'changeClass'
  | 'removeClass'
  | 'bringBackClass'
  | 'changeStudent'
  | 'removeStudent'
  | 'moveStudent'
  | 'planRoster'
  | 'changeRoster'
  | 'putIntoGroups'
  | 'givePasswords'
  | 'makeCards'
  | 'revokeCard'
  | 'addTeacher'
  | 'removeTeacher'
  | 'addSubstitute'
  | 'removeSubstitute'
  | 'renewJoinCode'
  | 'answerRequest'
  | 'lookAtCode'
  | 'join'
  | 'joinAsNew'
  | 'joinAsTeacher';

export function classHandlers(options: Options): Pick<Handlers, Names> {
  const { classes, lists, joining, groupsTaughtBy, listAssignments, getMe, enter } = options;
  return {
    listClasses: ({ actor }) => classes.list(actor),
    createClass: ({ actor, body }) => classes.create(actor, body.name),
    listGroups: ({ actor }) => groupsTaughtBy(actor),
    listRosters: ({ actor }) => classes.listRosters(actor),
    readClass: ({ actor, params: { classId } }) => ({
      ...classes.read(actor, classId),
      assignments: listAssignments(actor, classId),
    }),
    changeClass: ({ params, body }) => nothing(classes.change(params.classId, body)),
    removeClass: ({ actor, params, body }) => nothing(classes.remove(actor, params.classId, body.name)),
    bringBackClass: ({ actor, params }) => nothing(classes.bringBack(actor, params.classId)),
    changeStudent: ({ params, body }) => nothing(classes.changeStudent(params.classId, params.studentId, body)),
    removeStudent: ({ params }) => nothing(classes.removeStudent(params.classId, params.studentId)),
    moveStudent: ({ actor, params, body }) =>
      nothing(classes.moveStudent(actor, params.classId, params.studentId, body.toClassId)),
    planRoster: ({ actor, params, body }) => lists.plan(actor, params.classId, body.people),
    changeRoster: ({ actor, params, body }) => lists.take(actor, params.classId, body),
    putIntoGroups: ({ params, body }) => nothing(classes.putIntoGroups(params.classId, body.groups)),
    givePasswords: ({ actor, params, body }) => classes.givePasswords(actor, params.classId, body.studentIds),
    makeCards: ({ actor, params, body }) => classes.makeCards(actor, params.classId, body.studentIds),
    revokeCard: ({ params }) => nothing(classes.revokeCard(params.classId, params.studentId)),
    addTeacher: ({ actor, params, body }) => nothing(classes.addTeacher(actor, params.classId, body.teacherId)),
    removeTeacher: ({ params }) => nothing(classes.removeTeacher(params.classId, params.teacherId)),
    addSubstitute: ({ actor, params, body }) => nothing(classes.addSubstitute(actor, params.classId, body)),
    removeSubstitute: ({ params }) => nothing(classes.removeSubstitute(params.classId, params.substitutionId)),
    renewJoinCode: ({ params }) => nothing(classes.renewJoinCode(params.classId)),
    answerRequest: ({ params, body }) => nothing(joining.answer(params.classId, params.studentId, body.letIn)),
    lookAtCode: ({ body, req }) => joining.look(body.code, req.ip ?? ''),
    join: async ({ actor, body, req }) => {
      await joining.join(actor, body.code, req.ip ?? '');
      return getMe(actor.id);
    },
    joinAsNew: async ({ body, req, res }) => enter(req, res, await joining.joinAsNew(body, req.ip ?? '')),
    joinAsTeacher: async ({ body, req, res }) => enter(req, res, await joining.joinAsTeacher(body, req.ip ?? '')),
  };
}

/** Of a route that answers nothing. */
const nothing = (_done: unknown): undefined => undefined;
