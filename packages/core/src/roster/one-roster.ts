import { tidyPersonName } from './person-name.ts';

/**
 * A OneRoster 1.2 CSV package as this school takes it. Fields and vocabularies from memory of the published
 * specification (1EdTech OneRoster 1.2, CSV binding); 1.1, which names the role with the user, is read as well.
 */
export interface OneRoster {
  readonly people: readonly RosterPerson[];
  readonly classes: readonly RosterClass[];
  /** Rows that cannot be used, by file and row as a spreadsheet numbers them. */
  readonly faults: readonly RosterFault[];
}

export interface RosterPerson {
  readonly externalId: string;
  readonly displayName: string;
  /** In small letters; empty where there is none. */
  readonly userName: string;
  readonly email: string;
  readonly isTeacher: boolean;
}

export interface RosterClass {
  readonly externalId: string;
  readonly name: string;
  /** By their external ids. */
  readonly studentIds: readonly string[];
  readonly teacherIds: readonly string[];
}

export interface RosterFault {
  readonly file: string;
  readonly row: number;
  readonly fault: 'idMissing' | 'nameMissing' | 'classUnknown' | 'personUnknown' | 'twice';
}

/** Rows of each file of the package by their headers, the file by its name without `.csv`. */
export type RosterFiles = Readonly<Record<string, readonly Readonly<Record<string, string>>[]>>;

const teacherRoles = ['teacher', 'administrator', 'principal', 'siteAdministrator', 'districtAdministrator', 'aide'];

/**
 * Reads people, classes and who is in which. Demographics are left where they are, on purpose, and so are passwords. Who
 * or what is marked as deleted, or not enabled, is not in it.
 * @returns null where the files are no such package
 */
export function readOneRoster(files: RosterFiles): OneRoster | null {
  const { manifest = [], users, classes, enrollments, roles = [] } = files;
  const property = (name: string) => manifest.find((row) => row.propertyName === name)?.value ?? '';
  if (!property('oneroster.version').startsWith('1.') || !users || !classes || !enrollments) return null;
  const faults: RosterFault[] = [];
  const fault = (file: string, index: number, what: RosterFault['fault']) =>
    faults.push({ file: `${file}.csv`, row: index + 2, fault: what });
  const rolesOf = new Map<string, string[]>();
  for (const { userSourcedId = '', role = '' } of roles.filter(isCurrent))
    rolesOf.set(userSourcedId, [...(rolesOf.get(userSourcedId) ?? []), role]);

  const people = new Map<string, RosterPerson>();
  for (const [index, row] of users.entries()) {
    const externalId = row.sourcedId?.trim() ?? '';
    if (!isCurrent(row) || row.enabledUser?.toLowerCase() === 'false') continue;
    const displayName = nameOf(row);
    if (externalId === '') fault('users', index, 'idMissing');
    else if (displayName === '') fault('users', index, 'nameMissing');
    else if (people.has(externalId)) fault('users', index, 'twice');
    else
      people.set(externalId, {
        ...{ externalId, displayName },
        userName: (row.username ?? '').trim().normalize('NFKC').toLowerCase(),
        email: (row.email ?? '').trim().toLowerCase(),
        isTeacher: [...(rolesOf.get(externalId) ?? []), row.role ?? ''].some((role) => teacherRoles.includes(role)),
      });
  }

  const taken = new Map<string, { name: string; studentIds: Set<string>; teacherIds: Set<string> }>();
  for (const [index, row] of classes.entries()) {
    const externalId = row.sourcedId?.trim() ?? '';
    if (!isCurrent(row)) continue;
    const name = tidyPersonName(row.title || row.classCode || '');
    if (externalId === '') fault('classes', index, 'idMissing');
    else if (name === '') fault('classes', index, 'nameMissing');
    else if (taken.has(externalId)) fault('classes', index, 'twice');
    else taken.set(externalId, { name, studentIds: new Set(), teacherIds: new Set() });
  }
  const gone = new Set([...users, ...classes].filter((row) => !isTaken(row)).map((row) => row.sourcedId?.trim()));
  for (const [index, row] of enrollments.entries()) {
    if (!isCurrent(row)) continue;
    const { classSourcedId = '', userSourcedId = '', role } = row;
    const one = taken.get(classSourcedId.trim());
    const person = people.get(userSourcedId.trim());
    // Who has gone is no fault of the package.
    if (!one) {
      if (!gone.has(classSourcedId.trim())) fault('enrollments', index, 'classUnknown');
    } else if (!person) {
      if (!gone.has(userSourcedId.trim())) fault('enrollments', index, 'personUnknown');
    } else if (role === 'student') one.studentIds.add(person.externalId);
    else if (role === 'teacher') one.teacherIds.add(person.externalId);
  }
  return {
    people: withTeachers(
      [...people.values()],
      new Set([...taken.values()].flatMap(({ teacherIds }) => [...teacherIds])),
    ),
    classes: [...taken].map(([externalId, { name, studentIds, teacherIds }]) => ({
      ...{ externalId, name },
      studentIds: [...studentIds].filter((id) => !teacherIds.has(id)),
      teacherIds: [...teacherIds],
    })),
    faults,
  };
}

/** Whoever teaches a class is a teacher, whatever else the package says of them. */
const withTeachers = (people: readonly RosterPerson[], teacherIds: ReadonlySet<string>): RosterPerson[] =>
  people.map((person) => (teacherIds.has(person.externalId) ? { ...person, isTeacher: true } : person));

const isCurrent = ({ status }: Readonly<Record<string, string>>) => status?.toLowerCase() !== 'tobedeleted';
const isTaken = (row: Readonly<Record<string, string>>) => isCurrent(row) && row.enabledUser?.toLowerCase() !== 'false';

/** As people are called: the preferred names before those of the register. */
function nameOf(row: Readonly<Record<string, string>>): string {
  const given = row.preferredGivenName?.trim() || row.givenName || '';
  const family = row.preferredFamilyName?.trim() || row.familyName || '';
  return tidyPersonName(`${given} ${family}`);
}
