import type { SchoolDays } from '../calendar/school-days.ts';

/** What of a school goes into a package. Ids are what other systems call them, where they do. */
export interface RosterOfSchool {
  readonly id: string;
  readonly name: string;
  readonly people: readonly {
    readonly externalId: string;
    readonly displayName: string;
    readonly userName: string | null;
    readonly email: string | null;
    readonly role: 'student' | 'teacher' | 'administrator';
    /** They may sign in. */
    readonly isActive: boolean;
  }[];
  readonly classes: readonly {
    readonly externalId: string;
    readonly name: string;
    readonly studentIds: readonly string[];
    readonly teacherIds: readonly string[];
  }[];
  readonly schoolDays: readonly SchoolDays[];
  /** `2026-12-01`. */
  readonly today: string;
}

/** One file of the package: its fields in their order, and its rows. */
export interface RosterTable {
  readonly fields: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Files of OneRoster 1.2 that there may be, from memory of its table of manifest properties. */
const allFiles = [
  ...['academicSessions', 'categories', 'classes', 'classResources', 'courses', 'courseResources', 'demographics'],
  ...['enrollments', 'lineItemLearningObjectiveIds', 'lineItems', 'lineItemScoreScales', 'orgs', 'resources'],
  ...['resultLearningObjectiveIds', 'results', 'resultScoreScales', 'roles', 'scoreScales', 'userProfiles'],
  ...['userResources', 'users'],
];

/**
 * A school as the files of a OneRoster 1.2 CSV package, bulk: orgs, academicSessions, courses, classes, users, roles
 * and enrollments, each class as a course of its own. Field names and their order from memory of the published
 * specification (1EdTech OneRoster 1.2, CSV binding). Neither passwords nor anything about what anybody did is in it.
 * @returns tables by the names of their files without `.csv`
 */
export function writeOneRoster(school: RosterOfSchool): Readonly<Record<string, RosterTable>> {
  const terms = termsOf(school);
  const termIds = terms.map(({ sourcedId }) => sourcedId ?? '').join(',');
  const tables: Record<string, RosterTable> = {
    orgs: table(
      ['sourcedId', 'status', 'dateLastModified', 'name', 'type', 'identifier', 'parentSourcedId'],
      [{ sourcedId: school.id, name: school.name, type: 'school' }],
    ),
    academicSessions: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'title', 'type', 'startDate', 'endDate'],
        ...['parentSourcedId', 'schoolYear'],
      ],
      terms,
    ),
    courses: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'schoolYearSourcedId', 'title', 'courseCode', 'grades'],
        ...['orgSourcedId', 'subjects', 'subjectCodes'],
      ],
      school.classes.map(({ externalId, name }) => ({
        ...{ sourcedId: `course-${externalId}`, title: name, orgSourcedId: school.id },
      })),
    ),
    classes: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'title', 'grades', 'courseSourcedId', 'classCode', 'classType'],
        ...['location', 'schoolSourcedId', 'termSourcedIds', 'subjects', 'subjectCodes', 'periods'],
      ],
      school.classes.map(({ externalId, name }) => ({
        ...{ sourcedId: externalId, title: name, courseSourcedId: `course-${externalId}`, classType: 'scheduled' },
        ...{ schoolSourcedId: school.id, termSourcedIds: termIds },
      })),
    ),
    users: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'enabledUser', 'username', 'userIds', 'givenName', 'familyName'],
        ...['middleName', 'identifier', 'email', 'sms', 'phone', 'agentSourcedIds', 'grades', 'password'],
        ...['userMasterIdentifier', 'resourceSourcedIds', 'preferredGivenName', 'preferredMiddleName'],
        ...['preferredFamilyName', 'primaryOrgSourcedId', 'pronouns'],
      ],
      school.people.map(({ externalId, displayName, userName, email, isActive }) => ({
        ...{ sourcedId: externalId, enabledUser: String(isActive), username: userName ?? email ?? externalId },
        ...{ ...splitName(displayName), email: email ?? '', primaryOrgSourcedId: school.id },
      })),
    ),
    roles: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'userSourcedId', 'roleType', 'role', 'beginDate', 'endDate'],
        ...['orgSourcedId', 'userProfileSourcedId'],
      ],
      school.people.map(({ externalId, role }) => ({
        ...{ sourcedId: `role-${externalId}`, userSourcedId: externalId, roleType: 'primary' },
        ...{ role: role === 'administrator' ? 'siteAdministrator' : role, orgSourcedId: school.id },
      })),
    ),
    enrollments: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'classSourcedId', 'schoolSourcedId', 'userSourcedId', 'role'],
        ...['primary', 'beginDate', 'endDate'],
      ],
      school.classes.flatMap(({ externalId, studentIds, teacherIds }) => {
        const enrol = (userSourcedId: string, role: string, primary: boolean) => ({
          ...{ sourcedId: `${externalId}-${userSourcedId}`, classSourcedId: externalId, schoolSourcedId: school.id },
          ...{ userSourcedId, role, primary: String(primary) },
        });
        return [
          ...teacherIds.map((id, index) => enrol(id, 'teacher', index === 0)),
          ...studentIds.map((id) => enrol(id, 'student', false)),
        ];
      }),
    ),
  };
  return { manifest: manifestOf(Object.keys(tables), school.name), ...tables };
}

export const manifestOf = (present: readonly string[], systemName: string): RosterTable => ({
  fields: ['propertyName', 'value'],
  rows: [
    ['manifest.version', '1.0'],
    ['oneroster.version', '1.2'],
    ...allFiles.map((name) => [`file.${name}`, present.includes(name) ? 'bulk' : 'absent']),
    ['source.systemName', systemName],
    ['source.systemCode', 'semita'],
  ],
});

export const table = (fields: readonly string[], rows: readonly Readonly<Record<string, string>>[]): RosterTable => ({
  fields,
  rows: rows.map((row) => fields.map((field) => row[field] ?? '')),
});

const termId = (firstDay: string): string => `term-${firstDay}`;

/** What the package of the school calls the term in which a day lies; between terms, the next, or else the last. */
export function termIdOn(schoolDays: readonly SchoolDays[], day: string, today: string): string {
  const terms = schoolDays
    .filter(({ kind }) => kind === 'term')
    .toSorted((a, b) => a.firstDay.localeCompare(b.firstDay));
  const term = terms.find(({ lastDay }) => day <= lastDay) ?? terms.at(-1);
  return term ? termId(term.firstDay) : yearId(today.slice(0, 4));
}

const yearId = (year: string): string => `year-${year}`;

/** Terms of the school's calendar; where there are none, the calendar year, because classes have to name one. */
function termsOf({ schoolDays, today }: RosterOfSchool): Record<string, string>[] {
  const terms = schoolDays.filter(({ kind }) => kind === 'term');
  const year = today.slice(0, 4);
  if (terms.length === 0)
    return [
      {
        ...{ sourcedId: yearId(year), title: year, type: 'schoolYear', schoolYear: year },
        ...{ startDate: `${year}-01-01`, endDate: `${year}-12-31` },
      },
    ];
  return terms.map(({ title, firstDay, lastDay }) => ({
    ...{ sourcedId: termId(firstDay), title, type: 'term', startDate: firstDay, endDate: lastDay },
    // The year in which the school year ends, by the specification; from memory.
    schoolYear: String(Number(firstDay.slice(0, 4)) + (Number(firstDay.slice(5, 7)) >= 7 ? 1 : 0)),
  }));
}

/** The last word is the family's name, as far as a name says; who has one word only has it as both would be read. */
function splitName(displayName: string): { givenName: string; familyName: string } {
  const at = displayName.lastIndexOf(' ');
  return at < 0
    ? { givenName: displayName, familyName: '' }
    : { givenName: displayName.slice(0, at), familyName: displayName.slice(at + 1) };
}
