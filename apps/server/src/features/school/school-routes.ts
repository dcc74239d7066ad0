import type { Handlers } from '../../http/serve-route.ts';
import type { Enter } from '../accounts/account-routes.ts';
import type { Invitations } from './invitations.ts';
import type { OneRosterService } from './one-roster-service.ts';
import type { PeopleService } from './people-service.ts';
import type { createReadLog } from './read-log.ts';
import type { SchoolService } from './school-service.ts';
import type { SetUp } from './set-up.ts';

type Names =
  | 'setUpSchool'
  | 'readSchool'
  | 'changeSchool'
  | 'setTeacherCode'
  | 'changeRoles'
  | 'invite'
  | 'revokeInvitation'
  | 'lookAtInvitation'
  | 'acceptInvitation'
  | 'searchPeople'
  | 'changePerson'
  | 'givePersonPassword'
  | 'exportStudent'
  | 'eraseStudent'
  | 'readSchoolDays'
  | 'changeSchoolDays'
  | 'readLog'
  | 'exportOneRoster'
  | 'planOneRoster'
  | 'takeOneRoster'
  | 'listColleagues';

interface Options {
  readonly school: SchoolService;
  readonly setUp: SetUp;
  readonly invitations: Invitations;
  readonly oneRoster: OneRosterService;
  readonly people: PeopleService;
  readonly readLog: ReturnType<typeof createReadLog>;
  readonly enter: Enter;
}

export function schoolHandlers({
  school,
  setUp,
  invitations,
  oneRoster,
  people,
  readLog,
  enter,
}: Options): Pick<Handlers, Names> {
  return {
    setUpSchool: async ({ body, req, res }) => enter(req, res, await setUp.run(body, req.ip ?? '')),
    readSchool: ({ actor }) => school.read(actor),
    changeSchool: ({ actor, body }) => {
      school.change(actor, body);
      return undefined;
    },
    setTeacherCode: ({ actor, body }) => {
      school.setTeacherCode(actor, body.isOn);
      return undefined;
    },
    changeRoles: ({ actor, body: { userId, isAdmin } }) => {
      school.setAdmin(actor, userId, isAdmin);
      return undefined;
    },
    invite: ({ actor, body }) => invitations.invite(actor, body),
    revokeInvitation: ({ params }) => {
      invitations.revoke(params.invitationId);
      return undefined;
    },
    lookAtInvitation: ({ body, req }) => invitations.look(body.token, req.ip ?? ''),
    acceptInvitation: async ({ body, req, res }) => enter(req, res, await invitations.accept(body, req.ip ?? '')),
    searchPeople: ({ actor, body }) => people.search(actor, body),
    changePerson: ({ actor, params, body }) => {
      people.change(actor, params.userId, body);
      return undefined;
    },
    givePersonPassword: ({ actor, params }) => people.givePassword(actor, params.userId),
    exportStudent: async ({ actor, params, res }) => {
      await people.exportStudent(actor, params.userId, (name) => res.attachment(`${name}.zip`).type('application/zip'));
    },
    eraseStudent: async ({ actor, params, body }) => {
      await people.erase(actor, params.userId, body.name);
    },
    readSchoolDays: ({ actor }) => school.readDays(actor),
    changeSchoolDays: ({ actor, body }) => {
      school.changeDays(actor, body.days);
      return undefined;
    },
    readLog: ({ actor, body }) => readLog(actor, body),
    exportOneRoster: ({ actor, res }) => {
      res
        .attachment('one-roster.zip')
        .type('application/zip')
        .send(Buffer.from(oneRoster.write(actor)));
      return undefined;
    },
    planOneRoster: ({ actor, body }) => oneRoster.plan(actor, body),
    takeOneRoster: ({ actor, body }) => oneRoster.take(actor, body.package, body.takesOutGone),
    listColleagues: ({ actor }) => school.listColleagues(actor),
  };
}
