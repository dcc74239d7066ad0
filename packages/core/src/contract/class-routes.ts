import * as v from 'valibot';
import { joiningWays } from '../roster/class-mark.ts';
import { meSchema } from './account-schemas.ts';
import { assignmentSummarySchema } from './assignment-schemas.ts';
import { personName, rowId } from './base-schemas.ts';
import {
  classMarkFields,
  classSettingsSchema,
  firstSignInSchema,
  joinableSchema,
  joinCode,
  madeCardSchema,
  meetingsSchema,
  newStudentSchema,
  newTeacherSchema,
  rosterPlanSchema,
  studentIds,
  studentSettingsSchema,
  wantedStudentsSchema,
} from './class-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const day = v.pipe(v.string(), v.isoDate());
const person = { id: v.string(), displayName: v.string() };

/** Doors for classes, their students and groups. */
export const classRoutes = {
  /** Also those that were put away. */
  listClasses: route(...routePaths.listClasses, 'teacher', {
    output: v.array(
      v.object({
        ...{ id: v.string(), name: v.string(), ...classMarkFields, timeZone: v.string(), studentCount: v.number() },
        isArchived: v.boolean(),
        /** Deleted then; null for most. */
        removedAt: v.nullable(v.number()),
        /** How many ask to be let in. */
        waitingCount: v.number(),
        /** Whether the asker stands in for somebody. */
        standsIn: v.boolean(),
      }),
    ),
  }),
  createClass: route(...routePaths.createClass, 'teacher', {
    body: v.object({ name: personName }),
    output: v.object({ id: v.string() }),
  }),
  /** Names of the groups of all classes of a teacher. */
  listGroups: route(...routePaths.listGroups, 'teacher', { output: v.array(v.string()) }),
  /** To whom a teacher can give something: their classes that are not put away, with their groups and students. */
  listRosters: route(...routePaths.listRosters, 'teacher', {
    output: v.array(
      v.object({
        ...{ id: v.string(), name: v.string(), ...classMarkFields, timeZone: v.string(), locale: v.string() },
        meetings: meetingsSchema,
        students: v.array(v.object({ ...person, extraTime: v.number() })),
        groups: v.array(v.object({ id: v.string(), name: v.string(), studentIds: v.array(v.string()) })),
      }),
    ),
  }),
  readClass: route(...routePaths.readClass, 'teacher', {
    output: v.object({
      ...{ id: v.string(), name: v.string(), ...classMarkFields, timeZone: v.string(), locale: v.string() },
      isArchived: v.boolean(),
      removedAt: v.nullable(v.number()),
      meetings: meetingsSchema,
      joining: v.picklist(joiningWays),
      /** As it is shown; null before it was first wanted. */
      joinCode: v.nullable(v.string()),
      rosterVersion: v.number(),
      /** Whether the asker runs the class; who stands in only follows it. */
      runs: v.boolean(),
      teachers: v.array(v.object(person)),
      substitutes: v.array(
        v.object({
          id: v.string(),
          teacherId: v.string(),
          displayName: v.string(),
          since: v.number(),
          until: v.number(),
        }),
      ),
      students: v.array(
        v.object({
          ...person,
          ...{ userName: v.string(), extraTime: v.number(), groups: v.array(v.string()), hasCard: v.boolean() },
        }),
      ),
      /** Who asks to be let in. */
      waiting: v.array(v.object({ ...person, userName: v.string(), at: v.number() })),
      assignments: v.array(assignmentSummarySchema),
    }),
  }),

  /** What a class is called, looks like, and how students come into it. */
  changeClass: route(...routePaths.changeClass, 'teacher', { body: classSettingsSchema }),
  /** With its name typed. For thirty days it can be brought back; then it goes, with what was done in it. */
  removeClass: route(...routePaths.removeClass, 'signedIn', {
    body: v.object({ name: v.pipe(v.string(), v.maxLength(1_000)) }),
  }),
  bringBackClass: route(...routePaths.bringBackClass, 'signedIn'),
  changeStudent: route(...routePaths.changeStudent, 'teacher', { body: studentSettingsSchema }),
  /** Out of the class: what they did stays, and they keep it. */
  removeStudent: route(...routePaths.removeStudent, 'teacher'),
  moveStudent: route(...routePaths.moveStudent, 'teacher', { body: v.object({ toClassId: rowId }) }),
  /** What a list comes to; writes nothing. */
  planRoster: route(...routePaths.planRoster, 'teacher', {
    body: v.object({ people: wantedStudentsSchema }),
    output: rosterPlanSchema,
  }),
  /** Takes a list in, and takes out whom it names; all or nothing. Answers with what the new ones sign in by. */
  changeRoster: route(...routePaths.changeRoster, 'teacher', {
    body: v.object({
      version: v.number(),
      people: wantedStudentsSchema,
      remove: v.pipe(v.array(rowId), v.maxLength(500)),
    }),
    output: v.array(firstSignInSchema),
  }),
  /** Puts students into groups besides those they are in, or takes each out of all others of the class. */
  putIntoGroups: route(...routePaths.putIntoGroups, 'teacher', {
    body: v.object({
      groups: v.pipe(v.array(v.object({ name: v.pipe(personName, v.maxLength(80)), studentIds })), v.maxLength(60)),
    }),
  }),
  givePasswords: route(...routePaths.givePasswords, 'teacher', {
    body: v.object({ studentIds }),
    output: v.array(firstSignInSchema),
  }),
  makeCards: route(...routePaths.makeCards, 'teacher', {
    body: v.object({ studentIds }),
    output: v.array(madeCardSchema),
  }),
  revokeCard: route(...routePaths.revokeCard, 'teacher'),

  addTeacher: route(...routePaths.addTeacher, 'teacher', { body: v.object({ teacherId: rowId }) }),
  removeTeacher: route(...routePaths.removeTeacher, 'teacher'),
  /** Somebody stands in from the beginning of one day to the end of another, on the clock of the class. */
  addSubstitute: route(...routePaths.addSubstitute, 'teacher', {
    body: v.object({ teacherId: rowId, from: day, until: day }),
  }),
  removeSubstitute: route(...routePaths.removeSubstitute, 'teacher'),

  /** A new code, or the first; the old one lets nobody in any more. */
  renewJoinCode: route(...routePaths.renewJoinCode, 'teacher'),
  answerRequest: route(...routePaths.answerRequest, 'teacher', { body: v.object({ letIn: v.boolean() }) }),
  lookAtCode: route(...routePaths.lookAtCode, 'anyone', {
    bodyLimit: 2_000,
    body: v.object({ code: joinCode }),
    output: joinableSchema,
  }),
  join: route(...routePaths.join, 'student', {
    bodyLimit: 2_000,
    body: v.object({ code: joinCode }),
    output: meSchema,
  }),
  joinAsNew: route(...routePaths.joinAsNew, 'anyone', { bodyLimit: 10_000, body: newStudentSchema, output: meSchema }),
  joinAsTeacher: route(...routePaths.joinAsTeacher, 'anyone', {
    bodyLimit: 10_000,
    body: newTeacherSchema,
    output: meSchema,
  }),
} as const;
