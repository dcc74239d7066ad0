import { groupBy } from '../elements/group-by.ts';
import { longestCode, longestWords, targetKey } from './target.ts';

export interface ReadTarget {
  readonly code: string;
  readonly words: string;
  readonly parentCode: string | null;
}

export interface TargetFault {
  /** Of the table, from 1; of a package, the number of the item. */
  readonly row: number;
  readonly fault: 'codeMissing' | 'wordsMissing' | 'codeTwice' | 'tooLong';
}

export interface ReadTargets {
  /** Those that can be taken; what is wrong with the others is told. */
  readonly targets: readonly ReadTarget[];
  readonly faults: readonly TargetFault[];
}

/** Words of headers; from memory, no source. */
const headers = {
  code: /^(code|short ?code|id|identifier|number|no|nr|kod|kode|koodi|codigo|código|codice|kürzel|nummer|numéro)\.?$/i,
  words:
    /^(target|words|statement|full ?statement|text|description|learning ?target|goal|objective|ziel|lernziel|objectif|objetivo|obiettivo|mål|tavoite|doel|cel|cíl)$/i,
  parent: /^(parent|parent ?code|under|belongs ?to|area|teil ?von)$/i,
} as const;

/**
 * Targets of a table: a code and its words in two columns, under a header or not, and perhaps the code of what each
 * belongs under.
 * @param rows cells as text
 */
export function readTargetTable(rows: readonly (readonly string[])[]): ReadTargets {
  const first = rows[0] ?? [];
  const place = (which: keyof typeof headers) => first.findIndex((cell) => headers[which].test(cell.trim()));
  const [code, words, parent] = [place('code'), place('words'), place('parent')];
  const hasHeader = code >= 0 && words >= 0;
  const items = rows.slice(hasHeader ? 1 : 0).flatMap((row, index) => {
    if (row.every((cell) => cell.trim() === '')) return [];
    const cell = (at: number) => row[at] ?? '';
    return [
      {
        row: index + (hasHeader ? 2 : 1),
        code: fromCell(cell(hasHeader ? code : 0)),
        words: fromCell(cell(hasHeader ? words : 1)),
        parentCode: parent >= 0 && hasHeader ? fromCell(cell(parent)) || null : null,
      },
    ];
  });
  return sift(items);
}

/** What a spreadsheet was told not to take for a formula. */
const fromCell = (cell: string): string => tidy(cell.replace(/^\s*'(?=[=+\-@])/, ''));

const tidy = (text: string): string => text.normalize('NFC').replace(/\s+/g, ' ').trim();

/**
 * Targets of a package by 1EdTech CASE 1.0 (CFPackage, as JSON); field names from memory of the published specification.
 * An item without a code of its own is numbered by its place under what it belongs to.
 * @returns null where it is no such package
 */
export function readCasePackage(json: unknown): (ReadTargets & { readonly title: string }) | null {
  if (!isRecord(json)) return null;
  const whole = isRecord(json.CFPackage) ? json.CFPackage : json;
  const items = listOf(whole.CFItems).flatMap((item, index) => {
    const identifier = textOf(item.identifier);
    if (identifier === '') return [];
    const words = tidy(textOf(item.fullStatement) || textOf(item.abbreviatedStatement));
    return [{ row: index + 1, identifier, code: tidy(textOf(item.humanCodingScheme)), words }];
  });
  if (!isRecord(whole.CFDocument) || items.length === 0) return null;
  const byId = new Map(items.map((item) => [item.identifier, item]));
  const parentOf = new Map<string, { readonly id: string; readonly place: number }>();
  listOf(whole.CFAssociations).forEach((one, index) => {
    if (textOf(one.associationType) !== 'isChildOf') return;
    const [child, parent] = [identifierOf(one.originNodeURI), identifierOf(one.destinationNodeURI)];
    if (!byId.has(child) || parentOf.has(child) || child === parent) return;
    const place = typeof one.sequenceNumber === 'number' ? one.sequenceNumber : index;
    parentOf.set(child, { id: byId.has(parent) ? parent : '', place });
  });
  const children = groupBy(items, ({ identifier }) => parentOf.get(identifier)?.id ?? '');
  const placeOf = (identifier: string) => parentOf.get(identifier)?.place ?? 0;
  // From the top down, what belongs under something behind it, each once. With a list of what is still to be placed, for
  // packages can be deeper than calls may nest.
  const placed = new Map<string, Item>();
  const childrenOf = (parentId: string, parentCode: string | null) =>
    (children.get(parentId) ?? [])
      .toSorted((a, b) => placeOf(a.identifier) - placeOf(b.identifier))
      .map((item, index) => {
        const number = `${parentCode === null ? '' : `${parentCode}.`}${index + 1}`;
        return { ...item, code: item.code || number, parentCode };
      })
      .toReversed();
  const place = (waiting: ReturnType<typeof childrenOf>): void => {
    for (let next = waiting.pop(); next; next = waiting.pop()) {
      const { identifier, ...item } = next;
      if (placed.has(identifier)) continue;
      placed.set(identifier, item);
      for (const child of childrenOf(identifier, item.code)) waiting.push(child);
    }
  };
  place(childrenOf('', null));
  // What stands in a circle, or under itself, stands at the top.
  for (const item of items)
    if (!placed.has(item.identifier)) place([{ ...item, code: item.code || String(item.row), parentCode: null }]);
  return { title: tidy(textOf(whole.CFDocument.title)), ...sift([...placed.values()]) };
}

type Item = ReadTarget & { readonly row: number };

function sift(items: readonly Item[]): ReadTargets {
  const targets: ReadTarget[] = [];
  const faults: TargetFault[] = [];
  const seen = new Set<string>();
  for (const { row, code, words, parentCode } of items) {
    const key = targetKey(code);
    const fault =
      code === ''
        ? 'codeMissing'
        : words === ''
          ? 'wordsMissing'
          : code.length > longestCode || words.length > longestWords
            ? 'tooLong'
            : seen.has(key)
              ? 'codeTwice'
              : null;
    if (fault) faults.push({ row, fault });
    else targets.push({ code, words, parentCode });
    seen.add(key);
  }
  return { targets, faults };
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): readonly Record<string, unknown>[] =>
  Array.isArray(value) ? value.filter(isRecord) : [];
const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');
const identifierOf = (value: unknown): string => (isRecord(value) ? textOf(value.identifier) : '');
