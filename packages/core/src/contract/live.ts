import type { SheetLine } from '../sheet/sheet-line.ts';

/** What a browser can be told live: the sheet of an assignment, or what concerns a student. */
export type LiveTopic = `sheet:${string}` | 'own';

/** Everything that is told, by the name it goes by. Every message says the version it leads to, as its id. */
export interface LiveMessages {
  /** One line of a sheet. */
  readonly line: { readonly assignmentId: string; readonly line: SheetLine };
  /** Something of an assignment is different for the student: a mark, a word, dates, another attempt. */
  readonly changed: { readonly assignmentId: string };
  /** More has happened than can be told: all that is shown is to be asked for again. */
  readonly askAgain: Record<string, never>;
}

export type LiveName = keyof LiveMessages;

/** The exhaustive list of names, for whoever listens. */
export const liveNames = ['line', 'changed', 'askAgain'] as const satisfies readonly LiveName[];
