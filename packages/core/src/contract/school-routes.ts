import * as v from 'valibot';
import { meSchema } from './account-schemas.ts';
import { token } from './base-schemas.ts';
import { firstSignInSchema } from './class-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import {
  acceptInvitationSchema,
  changeRolesSchema,
  heldInvitationSchema,
  invitationSchema,
  inviteSchema,
  logQuerySchema,
  oneRosterPlanSchema,
  oneRosterSchema,
  peopleQuerySchema,
  peopleSchema,
  personSettingsSchema,
  schoolDaysSchema,
  schoolLogSchema,
  schoolSchema,
  schoolSettingsSchema,
} from './school-schemas.ts';

/** Doors for whoever looks after a school, and for teachers who come to it. */
export const schoolRoutes = {
  readSchool: route(...routePaths.readSchool, 'admin', { output: schoolSchema }),
  changeSchool: route(...routePaths.changeSchool, 'admin', { body: schoolSettingsSchema }),
  /** Turns the code that lets teachers in on, with a new code, or off. */
  setTeacherCode: route(...routePaths.setTeacherCode, 'admin', { body: v.object({ isOn: v.boolean() }) }),
  changeRoles: route(...routePaths.changeRoles, 'admin', { body: changeRolesSchema }),
  /** Answers with what the link holds, this once. */
  invite: route(...routePaths.invite, 'admin', {
    body: inviteSchema,
    output: v.object({ invitation: invitationSchema, token: v.string() }),
  }),
  revokeInvitation: route(...routePaths.revokeInvitation, 'admin'),
  lookAtInvitation: route(...routePaths.lookAtInvitation, 'anyone', {
    bodyLimit: 2_000,
    body: v.object({ token }),
    output: heldInvitationSchema,
  }),
  acceptInvitation: route(...routePaths.acceptInvitation, 'anyone', {
    bodyLimit: 10_000,
    body: acceptInvitationSchema,
    output: meSchema,
  }),
  /** What a package of another system comes to; writes nothing. */
  /** People one by one: found by their names. */
  searchPeople: route(...routePaths.searchPeople, 'admin', { body: peopleQuerySchema, output: peopleSchema }),
  changePerson: route(...routePaths.changePerson, 'admin', { body: personSettingsSchema }),
  /** A new password, shown this once. */
  givePersonPassword: route(...routePaths.givePersonPassword, 'admin', { output: firstSignInSchema }),
  /** A zip of everything that is kept of a student. */
  exportStudent: route(...routePaths.exportStudent, 'admin'),
  /** With the name typed; nothing brings it back. */
  eraseStudent: route(...routePaths.eraseStudent, 'admin', {
    body: v.object({ name: v.pipe(v.string(), v.maxLength(1_000)) }),
  }),
  /** Terms and days without school, the earliest first; for everybody of the school. */
  readSchoolDays: route(...routePaths.readSchoolDays, 'signedIn', { output: schoolDaysSchema }),
  /** All of them, in place of those there were. */
  changeSchoolDays: route(...routePaths.changeSchoolDays, 'admin', { body: v.object({ days: schoolDaysSchema }) }),
  readLog: route(...routePaths.readLog, 'admin', { body: logQuerySchema, output: schoolLogSchema }),
  /** Its people and classes as a package for another system. */
  exportOneRoster: route(...routePaths.exportOneRoster, 'admin'),
  planOneRoster: route(...routePaths.planOneRoster, 'admin', {
    bodyLimit: 12_000_000,
    body: oneRosterSchema,
    output: oneRosterPlanSchema,
  }),
  /** Takes it in: what is there already is brought up to date and never doubled. Who has gone stays, unless that is asked for. */
  takeOneRoster: route(...routePaths.takeOneRoster, 'admin', {
    bodyLimit: 12_000_000,
    body: v.object({ package: oneRosterSchema, takesOutGone: v.boolean() }),
    output: oneRosterPlanSchema,
  }),
  /** Teachers of the school, to teach a class with or to be stood in by. */
  listColleagues: route(...routePaths.listColleagues, 'teacher', {
    output: v.array(v.object({ id: v.string(), displayName: v.string() })),
  }),
} as const;
