/** Leads a document from one shape to the next. Gets plain JSON, which may be of any form; never changes what it gets. */
export type UpgradeStep = (document: Json) => Json;

// biome-ignore lint/suspicious/noExplicitAny: what older programs stored has no type any more
export type Json = any;

/** A document of a shape that a newer program made; this one would misread it. */
export class NewerShape extends Error {
  override readonly name = 'NewerShape';
  constructor(kind: string, shape: number, known: number) {
    super(`Stored ${kind} of shape ${shape}; this program knows shapes up to ${known}`);
  }
}

export interface Upgrader<Documents> {
  /** The document as it is stored: with the number of its shape before everything else. A list stands under `list`. */
  toStored<Kind extends keyof Documents>(kind: Kind, document: Documents[Kind]): object;
  /**
   * A stored document as it is today. What has no number is of the first shape: the first landings wrote none.
   * @throws NewerShape where a newer program stored it
   */
  fromStored<Kind extends keyof Documents>(kind: Kind, stored: unknown): Documents[Kind];
  /** Grows with every step of any kind: a database that a program with a greater number wrote to is newer. */
  readonly generation: number;
}

export function createUpgrader<Documents extends object>(
  steps: Readonly<Record<keyof Documents, readonly UpgradeStep[]>>,
): Upgrader<Documents> {
  const shapeOf = (kind: keyof Documents) => steps[kind].length + 1;
  return {
    toStored(kind, document) {
      const shape = shapeOf(kind);
      return Array.isArray(document) ? { shape, list: document } : { shape, ...document };
    },
    fromStored(kind, stored) {
      const { shape, document } = unpack(stored);
      const known = shapeOf(kind);
      if (shape > known) throw new NewerShape(String(kind), shape, known);
      return steps[kind].slice(shape - 1).reduce((older, step) => step(older), document);
    },
    generation: Object.values<readonly UpgradeStep[]>(steps).reduce((sum, { length }) => sum + length, 1),
  };
}

function unpack(stored: unknown): { shape: number; document: Json } {
  if (!isRecord(stored) || typeof stored.shape !== 'number') return { shape: 1, document: stored };
  const { shape, ...document } = stored;
  return {
    shape,
    document: Array.isArray(document.list) && Object.keys(document).length === 1 ? document.list : document,
  };
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
