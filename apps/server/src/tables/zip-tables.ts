import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';

interface NamedTable {
  readonly fields: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Tables as CSV files in one package, by their names without `.csv`. */
export const zipTables = (tables: Readonly<Record<string, NamedTable>>): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries(tables).map(([name, { fields, rows }]) => [
        `${name}.csv`,
        // What a spreadsheet would take for a formula is led by an apostrophe.
        strToU8(Papa.unparse({ fields: [...fields], data: rows.map((row) => [...row]) }, { escapeFormulae: true })),
      ]),
    ),
  );
