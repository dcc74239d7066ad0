import { tidyPersonName } from './person-name.ts';

/** What a column of a list of people can hold. */
export const peopleColumns = ['name', 'givenName', 'familyName', 'userName', 'groups', 'other'] as const;
export type PeopleColumn = (typeof peopleColumns)[number];

/** How a table of people is read: what each of its columns holds, and whether its first row is a header. */
export interface TableReading {
  readonly hasHeader: boolean;
  readonly columns: readonly PeopleColumn[];
}

/** One person of a list, as they stand there. */
export interface ListedPerson {
  /** Of the table, from 1, so that a teacher finds it. */
  readonly row: number;
  readonly displayName: string;
  /** Empty where the list has none. */
  readonly userName: string;
  readonly groups: readonly string[];
}

/** Words of headers in the languages that a class can write in, without accents and spaces; from memory, no source. */
const headerWords: Readonly<Record<Exclude<PeopleColumn, 'other'>, readonly string[]>> = {
  givenName: words(
    'firstname givenname forename preferredname preferredfirstname vorname rufname prenom nombre nombredepila nome voornaam roepnaam primeironome nomeproprio fornamn fornavn etunimi imie jmeno krestnijmeno',
  ),
  familyName: words(
    'lastname familyname surname secondname nachname familienname zuname nomdefamille apellido apellidos cognome achternaam familienaam apelido sobrenome ultimonome efternamn efternavn etternavn slektsnavn sukunimi nazwisko prijmeni',
  ),
  name: words(
    'name fullname displayname student studentname pupil pupilname learner ganzername vollername schuler schulerin schulername nom nometprenom nomprenom nomcomplet eleve nombrecompleto nombreyapellidos alumno alumna nomecompleto cognomeenome alunno naam volledigenaam leerling naamleerling aluno namn elev elevnamn navn fuldenavn fulltnavn nimi koko nimioppilas oppilas imieinazwisko uczen jmenoaprijmeni zak',
  ),
  userName: words(
    'username user login loginname loginid signin userid account benutzername benutzer anmeldename nutzername identifiant utilisateur nomdutilisateur usuario nombredeusuario utente nomeutente gebruikersnaam nomedeutilizador utilizador anvandarnamn brugernavn brukernavn kayttajatunnus kayttajanimi nazwauzytkownika uzivatelskejmeno',
  ),
  groups: words(
    'group groups set team gruppe gruppen groupe groupes grupo grupos gruppo gruppi groep groepen grupp grupper ryhma ryhmat grupa grupy skupina skupiny',
  ),
};

function words(text: string): readonly string[] {
  return text.split(' ');
}

const asHeader = (cell: string): string =>
  cell
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ł/g, 'l')
    .replace(/[^\p{L}]/gu, '');

function columnOfHeader(cell: string): PeopleColumn {
  // “Student 1” heads no column.
  if (/\p{N}/u.test(cell)) return 'other';
  const word = asHeader(cell);
  const found = Object.entries(headerWords).find(([, known]) => known.includes(word));
  return found ? (found[0] as PeopleColumn) : 'other';
}

/**
 * Says how a table of people is probably to be read; whoever brought it can say otherwise.
 * @param rows cells as text, empty rows left out; rows may have different lengths
 * @param areOneName whether cells came apart at a comma inside each line: then they are a family name before a given name
 */
export function readingOf(rows: readonly (readonly string[])[], areOneName = false): TableReading {
  const width = Math.max(0, ...rows.map((row) => row.length));
  const first = rows[0] ?? [];
  const headers = Array.from({ length: width }, (_, index) => columnOfHeader(first[index] ?? ''));
  const isNamed = headers.some((column) => column === 'name' || column === 'givenName' || column === 'familyName');
  if (isNamed) return { hasHeader: true, columns: withoutDoubles(headers) };
  // Some other header is known: the names stand where cells below look like names.
  const hasHeader = headers.some((column) => column !== 'other');
  const names = namesByLook(rows.slice(hasHeader ? 1 : 0), width, areOneName);
  return {
    hasHeader,
    columns: headers.map((column, index) => (column === 'other' ? (names[index] ?? 'other') : column)),
  };
}

function namesByLook(rows: readonly (readonly string[])[], width: number, areOneName: boolean): PeopleColumn[] {
  if (width <= 1) return ['name'];
  const looksLikeName = (index: number) => {
    const cells = rows.map((row) => row[index]?.trim() ?? '').filter((cell) => cell !== '');
    const named = cells.filter((cell) => /\p{L}/u.test(cell) && !/[\d@]/.test(cell));
    return cells.length > 0 && named.length >= 0.9 * cells.length;
  };
  const hasSpaces = (index: number) => rows.filter((row) => /\S\s+\S/.test(row[index] ?? '')).length > rows.length / 2;
  const [one = 0, two] = Array.from({ length: width }, (_, index) => index).filter(looksLikeName);
  const isWhole = two === undefined || (hasSpaces(one) && !areOneName);
  return Array.from({ length: width }, (_, index): PeopleColumn => {
    if (isWhole) return index === one ? 'name' : 'other';
    if (index === one) return areOneName ? 'familyName' : 'givenName';
    return index === two ? (areOneName ? 'givenName' : 'familyName') : 'other';
  });
}

/** Of two columns with the same meaning the first counts; groups may stand in several. */
function withoutDoubles(columns: readonly PeopleColumn[]): PeopleColumn[] {
  return columns.map((column, index) => (column !== 'groups' && columns.indexOf(column) < index ? 'other' : column));
}

/**
 * Reads the people of a table.
 * @returns one for each row that is not empty, in order; a row without a name has an empty one
 */
export function listPeople(rows: readonly (readonly string[])[], { hasHeader, columns }: TableReading): ListedPerson[] {
  const cellsOf = (row: readonly string[], column: PeopleColumn) =>
    columns.flatMap((one, index) => (one === column ? [fromCell(row[index] ?? '')] : [])).filter((cell) => cell !== '');
  return rows.slice(hasHeader ? 1 : 0).flatMap((row, index) => {
    if (row.every((cell) => cell.trim() === '')) return [];
    const parts = [...cellsOf(row, 'givenName'), ...cellsOf(row, 'familyName')];
    const displayName = tidyPersonName(cellsOf(row, 'name')[0] ?? parts.join(' '));
    const groups = cellsOf(row, 'groups')
      .flatMap((cell) => cell.split(/[;,|]/))
      .map(tidyPersonName)
      .filter((name) => name !== '');
    const userName = (cellsOf(row, 'userName')[0] ?? '').normalize('NFKC').toLowerCase();
    return [{ row: index + (hasHeader ? 2 : 1), displayName, userName, groups: [...new Set(groups)] }];
  });
}

/**
 * What a cell means. Spreadsheets protect text that could be taken for a formula by an apostrophe before it, or are
 * given it as one (`="007"`): both are its text. A formula is never worked out.
 */
function fromCell(cell: string): string {
  const plain = cell.trim();
  const quoted = /^="([^"]*)"$/.exec(plain);
  if (quoted) return (quoted[1] ?? '').trim();
  return /^'[=+\-@]/.test(plain) ? plain.slice(1).trim() : plain;
}
