import { createSaveQueue, type Saving } from './save-queue.ts';

/** Something that is saved whole, as it stands there: its print says which one it is. */
export interface Printed<Whole> {
  readonly whole: Whole;
  /** Null for what stands nowhere yet. */
  readonly print: string | null;
}

export interface WholeSnapshot {
  readonly saving: Saving;
}

interface Options<Whole> {
  readonly first: Printed<Whole>;
  /** @param before print of what this was made of; the server refuses it on top of anything else */
  readonly send: (whole: Whole, before: string | null, saveId: string) => Promise<{ readonly print: string }>;
  readonly reload: () => Promise<Printed<Whole>>;
  readonly newId: () => string;
}

interface Batch<Whole> {
  readonly whole: Whole;
  readonly before: string | null;
}

export type WholeStore<Whole> = ReturnType<typeof createWholeStore<Whole>>;

/** Saves captions, slides and the like through the queue: always the latest, and all of it. */
export function createWholeStore<Whole>({ first, send, reload, newId }: Options<Whole>) {
  const listeners = new Set<() => void>();
  let before = first.print;
  let waiting: { readonly whole: Whole } | null = null;
  let theirs: Printed<Whole> | null = null;
  let snapshot: WholeSnapshot = { saving: 'saved' };

  const queue = createSaveQueue<Batch<Whole>, Printed<Whole>>({
    take() {
      const batch = waiting && { ...waiting, before };
      waiting = null;
      return batch;
    },
    giveBack: ({ whole }) => {
      waiting ??= { whole };
    },
    isWaiting: () => waiting !== null,
    async send(batch, saveId) {
      before = (await send(batch.whole, batch.before, saveId)).print;
    },
    reload,
    onMoved(there) {
      // What stands there may be our own, whose answer was lost.
      if (there.print === before) return true;
      theirs = there;
      return false;
    },
    onChange(saving) {
      snapshot = { saving };
      for (const listener of listeners) listener();
    },
    newId,
  });

  return {
    getSnapshot: () => snapshot,
    subscribe(listener: () => void) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    /** The latest as it should stand; saved in a moment, or at once with `flush`. */
    put(whole: Whole): void {
      waiting = { whole };
      queue.touch();
    },
    flush: queue.flush,
    hasUnsaved: queue.hasUnsaved,
    /** Ours goes over theirs, or theirs stands. @returns theirs, so that a step back can lead to what gave way */
    resolve(choice: 'keepMine' | 'dropMine'): Whole | null {
      if (!theirs) return null;
      before = theirs.print;
      const there = theirs.whole;
      theirs = null;
      if (choice === 'dropMine') waiting = null;
      queue.resolved();
      return there;
    },
    stop: queue.stop,
  };
}
