import { randomBytes } from 'node:crypto';
import type { EventBus } from '../events/event-bus.ts';

/** That something about one student and one assignment is different; or, without a student, about the assignment. */
export interface Change {
  readonly assignmentId: string;
  readonly studentId: string | null;
  /** By somebody else than the student. */
  readonly byOthers: boolean;
}

export interface VersionedChange extends Change {
  readonly version: string;
}

/** Far more than happens while a browser finds its line again. */
const maxKept = 5_000;

/**
 * What happened, in order, so that whoever was away for a moment goes on from where they were. Versions are of one run
 * of the server: after a start, everybody asks again.
 */
export function createChangeLog({ bus }: { readonly bus: EventBus }) {
  const run = randomBytes(6).toString('base64url');
  const kept: Change[] = [];
  let firstKept = 1;
  const listeners = new Set<(change: VersionedChange) => void>();
  const versionOf = (number: number) => `${run}.${number}`;

  const take = (change: Change) => {
    kept.push(change);
    if (kept.length > maxKept) {
      kept.splice(0, maxKept / 2);
      firstKept += maxKept / 2;
    }
    const versioned = { ...change, version: versionOf(firstKept + kept.length - 1) };
    for (const listener of listeners) listener(versioned);
  };

  const undo = [
    bus.subscribe('attemptChanged', ({ assignmentId, studentId, byOthers }) =>
      take({ assignmentId, studentId, byOthers }),
    ),
    bus.subscribe('recipientChanged', ({ assignmentId, studentId }) =>
      take({ assignmentId, studentId, byOthers: true }),
    ),
    bus.subscribe('assignmentChanged', ({ assignmentId }) => take({ assignmentId, studentId: null, byOthers: true })),
  ];

  return {
    /** Of the latest change. What is read after asking for it holds all changes up to it. */
    version: (): string => versionOf(firstKept + kept.length - 1),

    /** What happened after a version; null where that is not known any more. */
    since(version: string): readonly VersionedChange[] | null {
      const [ofRun, number] = version.split('.');
      const next = Number(number) + 1;
      if (ofRun !== run || !Number.isInteger(next) || next < firstKept || next > firstKept + kept.length) return null;
      return kept.slice(next - firstKept).map((change, index) => ({ ...change, version: versionOf(next + index) }));
    },

    onChange(listener: (change: VersionedChange) => void): () => void {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },

    close(): void {
      for (const stop of undo) stop();
    },
  };
}

export type ChangeLog = ReturnType<typeof createChangeLog>;
