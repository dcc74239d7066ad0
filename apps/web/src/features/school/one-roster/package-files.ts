import type { RosterFiles } from '@semita/core/roster';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';

/** Of a package, what is read; demographics stay where they are, on purpose. */
const wanted = ['manifest', 'users', 'roles', 'classes', 'enrollments'];

/** The largest file that is opened, in bytes: a zip can say that it holds more than any machine has. */
const largestFile = 60_000_000;

/**
 * The files of a OneRoster package, row by row. A folder around them does not matter.
 * @returns null where it is no zip, or one that cannot be opened
 */
export function filesOfPackage(bytes: ArrayBuffer): RosterFiles | null {
  const nameOf = (path: string) =>
    path
      .split('/')
      .at(-1)
      ?.replace(/\.csv$/i, '')
      .toLowerCase() ?? '';
  try {
    const files = unzipSync(new Uint8Array(bytes), {
      filter: ({ name, originalSize }) =>
        /\.csv$/i.test(name) && wanted.includes(nameOf(name)) && originalSize <= largestFile,
    });
    return Object.fromEntries(Object.entries(files).map(([path, file]) => [nameOf(path), rowsOf(strFromU8(file))]));
  } catch {
    return null;
  }
}

function rowsOf(text: string): Record<string, string>[] {
  return Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  }).data;
}
