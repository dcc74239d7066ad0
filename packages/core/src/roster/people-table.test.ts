import { describe, expect, test } from 'vitest';
import { listPeople, readingOf } from './people-table.ts';
import { type KnownPerson, planRoster, type StudentOnRoster } from './roster-plan.ts';

const table = (text: string) => text.split('\n').map((line) => line.split('|'));
const read = (text: string) => {
  const rows = table(text);
  return listPeople(rows, readingOf(rows));
};

describe('how a table of people is read', () => {
  test.each([
    ['Name\nAda Lund', true, ['name']],
    ['Ada Lund\nBo Ek', false, ['name']],
    ['First name|Last name|Class|E-mail\nAda|Lund|8A|a@b.example', true, ['givenName', 'familyName', 'other', 'other']],
    ['Vorname|Nachname|Benutzername|Gruppe\nAda|Lund|ada|rot', true, ['givenName', 'familyName', 'userName', 'groups']],
    ['Prénom|Nom de famille|Élève\nAda|Lund|Ada Lund', true, ['givenName', 'familyName', 'name']],
    ['Imię|Nazwisko\nAda|Lund', true, ['givenName', 'familyName']],
    ['Förnamn|Efternamn|Användarnamn\nAda|Lund|ada', true, ['givenName', 'familyName', 'userName']],
    ['Name|Name\nAda|Lund', true, ['name', 'other']],
    ['Ada|Lund\nBo|Ek', false, ['givenName', 'familyName']],
    ['1|Ada Lund|a@b.example\n2|Bo Ek|b@b.example', false, ['other', 'name', 'other']],
    ['', false, ['name']],
  ])('%j', (text, hasHeader, columns) => expect(readingOf(table(text))).toEqual({ hasHeader, columns }));

  test('lines that came apart at a comma hold the family name first', () => {
    const rows = table('Lund|Ada\nEk|Bo');
    expect(listPeople(rows, readingOf(rows, true)).map(({ displayName }) => displayName)).toEqual([
      'Ada Lund',
      'Bo Ek',
    ]);
  });

  test('empty rows are passed over, and rows keep the numbers they have in the file', () => {
    expect(read('Name|Groups\nAda Lund|red; blue\n|\nBo Ek|red')).toEqual([
      { row: 2, displayName: 'Ada Lund', userName: '', groups: ['red', 'blue'] },
      { row: 4, displayName: 'Bo Ek', userName: '', groups: ['red'] },
    ]);
  });

  test('a row without a name says so by an empty one; user names are in small letters', () => {
    expect(read('Name|User name\n|ADA.L')).toEqual([{ row: 2, displayName: '', userName: 'ada.l', groups: [] }]);
  });

  test('formulas are text, and what protects text from being one is not part of it', () => {
    expect(
      read('Name|User name\n=HYPERLINK("x")|="007"\n\'-Ada|\'=bo').map((one) => [one.displayName, one.userName]),
    ).toEqual([
      ['=HYPERLINK("x")', '007'],
      ['-Ada', '=bo'],
    ]);
  });

  test('names that are written from right to left stay as they are', () => {
    // A header in a language that is not known here, beside one that is.
    expect(read('الاسم|Username\nنور علي|nur').map(({ displayName }) => displayName)).toEqual(['نور علي']);
    expect(read('Name\nنور علي')[0]?.displayName).toBe('نور علي');
  });
});

describe('what a list comes to', () => {
  const student = (id: string, displayName: string, groups: string[] = []): StudentOnRoster => ({
    ...{ id, displayName, userName: id, groups },
  });
  const roster = [student('ada', 'Ada Lund', ['red']), student('bo', 'Bo Ek'), student('bo2', 'Bo Ek')];
  const others: Record<string, KnownPerson> = {
    cleo: { id: 'c', displayName: 'Cleo Hjort', isStudent: true },
    mira: { id: 'm', displayName: 'Mira Holm', isStudent: false },
  };
  const findByUserName = (name: string): KnownPerson | undefined => {
    const own = roster.find(({ id }) => id === name);
    return own ? { ...own, isStudent: true } : others[name];
  };
  const plan = (...list: [string, string?, string[]?][]) =>
    planRoster(
      list.map(([displayName, userName = '', groups = []]) => ({ displayName, userName, groups })),
      { roster, findByUserName },
    );

  test('who is new, who is there, who is missing', () => {
    const { rows, missing } = plan(['Dag Vik'], ['ada lund'], ['Ada  Lund', 'ada'], ['Cleo Hjort', 'cleo']);
    expect(rows).toEqual([
      { kind: 'add', userName: 'dag.vik', hasNamesake: false },
      // The one Ada there is was named by her user name further down.
      { kind: 'add', userName: 'ada.lund', hasNamesake: true },
      { kind: 'update', studentId: 'ada', userName: 'ada', was: 'Ada Lund' },
      { kind: 'bringIn', studentId: 'c', userName: 'cleo' },
    ]);
    expect(missing.map(({ id }) => id)).toEqual(['bo', 'bo2']);
  });

  test('the same list a second time changes nothing', () => {
    const { rows, missing } = plan(['Ada Lund', '', ['red']], ['Bo Ek'], ['Bo Ek']);
    expect(rows.map(({ kind }) => kind)).toEqual(['same', 'same', 'same']);
    expect(missing).toEqual([]);
  });

  test('a third of the same name is somebody else, and says so', () => {
    expect(plan(['Bo Ek'], ['Bo Ek'], ['Bo Ek']).rows[2]).toEqual({
      kind: 'add',
      userName: 'bo.ek',
      hasNamesake: true,
    });
  });

  test('a new group is a change; one that is not on the list is not taken away', () => {
    expect(plan(['Ada Lund', '', ['blue']]).rows[0]?.kind).toBe('update');
    expect(plan(['Ada Lund']).rows[0]?.kind).toBe('same');
  });

  test('nobody is reached by a guess: a user name with another name is taken, and so is a teacher’s', () => {
    const faults = plan(
      ['Somebody', 'cleo'],
      ['Mira Holm', 'mira'],
      [''],
      ['Eve', 'a b'],
      ['Fay', 'fay'],
      ['Gus', 'fay'],
    ).rows;
    expect(faults.map((row) => (row.kind === 'fault' ? row.fault : row.kind))).toEqual([
      'userNameTaken',
      'userNameTaken',
      'nameMissing',
      'userNameUnusable',
      'add',
      'twiceOnList',
    ]);
  });

  test('a user name that stands further down is not made up for somebody before', () => {
    expect(plan(['Dag Vik'], ['Dag Vik Olsen', 'dag.vik']).rows).toEqual([
      { kind: 'add', userName: 'dag.vik2', hasNamesake: false },
      { kind: 'add', userName: 'dag.vik', hasNamesake: false },
    ]);
  });
});
