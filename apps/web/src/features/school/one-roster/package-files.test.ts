import { readOneRoster } from '@semita/core/roster';
import { strToU8, zipSync } from 'fflate';
import { expect, test } from 'vitest';
import { filesOfPackage } from './package-files.ts';

const zip = (files: Readonly<Record<string, string>>): ArrayBuffer => {
  const bytes = zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
  return bytes.slice().buffer as ArrayBuffer;
};
const files = {
  'manifest.csv': 'propertyName,value\r\noneroster.version,1.2\r\n',
  'users.csv': '\ufeffsourcedId,enabledUser,username,givenName,familyName\r\n"u1",true,007,"Ada ""A.""","Lund, Jr"\r\n',
  'classes.csv': 'sourcedId,title\r\nc1,"8 Amber\n(late)"\r\n',
  'enrollments.csv': 'classSourcedId,userSourcedId,role\r\nc1,u1,student\r\n',
  'demographics.csv': 'sourcedId,birthDate\r\nu1,2013-01-01\r\n',
};

test('a package is opened: marks, quotes, line breaks inside cells, leading zeros', () => {
  const read = filesOfPackage(zip(files));
  expect(new Set(Object.keys(read ?? {}))).toEqual(new Set(['classes', 'enrollments', 'manifest', 'users']));
  expect(readOneRoster(read ?? {})).toMatchObject({
    people: [{ displayName: 'Ada "A." Lund, Jr', userName: '007' }],
    classes: [{ name: '8 Amber (late)', studentIds: ['u1'] }],
    faults: [],
  });
});

test('inside a folder it is the same package', () => {
  const inFolder = Object.fromEntries(Object.entries(files).map(([name, text]) => [`export/2026/${name}`, text]));
  expect(filesOfPackage(zip(inFolder))).toEqual(filesOfPackage(zip(files)));
});

test('what is no zip, and a zip of something else, are none', () => {
  expect(filesOfPackage(new TextEncoder().encode('Name,Class').buffer as ArrayBuffer)).toBeNull();
  expect(readOneRoster(filesOfPackage(zip({ 'word/document.xml': '<a/>' })) ?? {})).toBeNull();
});

test('a file that says it is larger than any school is left closed', () => {
  const bomb = zip({ ...files, 'users.csv': 'a'.repeat(61_000_000) });
  expect(filesOfPackage(bomb)?.users).toBeUndefined();
});
