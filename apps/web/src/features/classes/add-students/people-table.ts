import { detect } from 'chardet';
import Papa from 'papaparse';

/** Text that was typed or pasted, or a file as it came. */
export type PeopleSource = { readonly text: string } | { readonly bytes: ArrayBuffer };

/** Rows of cells. */
export interface PeopleTable {
  readonly rows: readonly (readonly string[])[];
  /** Lines came apart at a comma inside a name: family name, given name. */
  readonly areOneName: boolean;
}

/** @returns null where there is no text in it */
export function tableOf(source: PeopleSource): PeopleTable | null {
  const text = 'text' in source ? source.text : decode(new Uint8Array(source.bytes));
  return text === null ? null : parse(text);
}

function parse(text: string): PeopleTable {
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').replaceAll('\0', ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ';', ',', '|'],
  });
  const areOneName = meta.delimiter === ',' && data.every((row) => row.length === 2 && /^ \S/.test(row[1] ?? ''));
  return { rows: data, areOneName };
}

/**
 * Text of a file in whatever it was saved in: a mark at its beginning says it, else UTF-8 where that is what it is, else
 * two bytes a letter where every second one is nought, else what it looks like.
 */
function decode(bytes: Uint8Array): string | null {
  const marked = markOf(bytes);
  if (marked) return new TextDecoder(marked).decode(bytes);
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    if (!text.slice(0, 1_000).includes('\0')) return text;
  } catch {
    // Not UTF-8.
  }
  const wide = wideOf(bytes);
  if (wide) return new TextDecoder(wide).decode(bytes);
  if (bytes.slice(0, 8_000).includes(0)) return null;
  return new TextDecoder(knownTo(detect(sampleOf(bytes))) ?? 'windows-1252').decode(bytes);
}

/** Enough to tell by, from a little before the first letter that is not of ASCII: the whole of a long list takes long. */
function sampleOf(bytes: Uint8Array): Uint8Array {
  const first = bytes.findIndex((byte) => byte >= 0x80);
  return bytes.slice(Math.max(0, first - 500), first + 20_000);
}

function markOf([a, b, c]: Uint8Array): string | null {
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  return a === 0xfe && b === 0xff ? 'utf-16be' : null;
}

function wideOf(bytes: Uint8Array): string | null {
  const start = bytes.slice(0, 2_000);
  const share = (parity: number) =>
    start.filter((byte, index) => index % 2 === parity && byte === 0).length / Math.max(1, start.length / 2);
  if (share(1) > 0.4) return 'utf-16le';
  return share(0) > 0.4 ? 'utf-16be' : null;
}

/** Browsers do not know every name there is. */
function knownTo(name: string | null): string | null {
  try {
    return name === null ? null : new TextDecoder(name).encoding;
  } catch {
    return null;
  }
}
