import { applyChange, changeTarget, type Lesson, type LessonChange } from '@semita/core';
import type { Draft } from '@semita/core/contract';
import { codeOf } from '../../api/api-error.ts';

export type Saving = 'saved' | 'saving' | 'unsaved' | 'offline' | 'signedOut' | 'refused' | 'conflict';

export interface DeskSnapshot {
  readonly lesson: Lesson;
  readonly version: number;
  readonly saving: Saving;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** Changes that could not be put on top of somebody else's; null when there was no such thing. */
  readonly lostCount: number | null;
}

/** One step of the history: a burst of typing in one place is one step. */
interface Step {
  readonly changes: readonly LessonChange[];
  readonly inverses: readonly LessonChange[];
  readonly target: string;
  readonly at: number;
}

interface Options {
  readonly draft: Draft;
  readonly send: (baseVersion: number, changes: LessonChange[]) => Promise<{ version: number }>;
  readonly reload: () => Promise<Draft>;
  readonly now: () => number;
}

const saveDelayMs = 700;
const retryDelayMs = 4_000;
const burstMs = 1_500;
const mostStepsKept = 500;

export type Desk = ReturnType<typeof createDesk>;

/** The draft under the teacher's hands: changes at once, history, and saving as one types. */
export function createDesk({ draft, send, reload, now }: Options) {
  const listeners = new Set<() => void>();
  let past: Step[] = [];
  let future: Step[] = [];
  let waiting: LessonChange[] = [];
  let onTheWay: LessonChange[] = [];
  let theirs: Draft | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> = Promise.resolve();
  let snapshot: DeskSnapshot = {
    lesson: draft.lesson,
    version: draft.version,
    saving: 'saved',
    canUndo: false,
    canRedo: false,
    lostCount: null,
  };

  const change = (next: Partial<DeskSnapshot>) => {
    snapshot = { ...snapshot, ...next, canUndo: past.length > 0, canRedo: future.length > 0 };
    for (const listener of listeners) listener();
  };

  const schedule = (delayMs: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void saveInTurn(), delayMs);
  };

  /** Of two changes in a row that put the same stop whole, only the later matters. */
  const enqueue = (one: LessonChange) => {
    const last = waiting.at(-1);
    if (last?.type === 'replaceStop' && one.type === 'replaceStop' && last.stop.id === one.stop.id)
      waiting[waiting.length - 1] = one;
    else waiting.push(one);
  };

  /** Applies changes to the local lesson; gives the inverses, last first, or null when one cannot be done. */
  const perform = (changes: readonly LessonChange[]): LessonChange[] | null => {
    let { lesson } = snapshot;
    const inverses: LessonChange[] = [];
    for (const one of changes) {
      const result = applyChange(lesson, one);
      if (!result.ok) return null;
      lesson = result.lesson;
      inverses.unshift(result.inverse);
    }
    for (const one of changes) enqueue(one);
    change({ lesson, saving: snapshot.saving === 'conflict' ? 'conflict' : 'unsaved' });
    if (snapshot.saving !== 'conflict') schedule(saveDelayMs);
    return inverses;
  };

  /** One save at a time, each on top of the version before. */
  const saveInTurn = () => {
    running = running.then(save);
    return running;
  };

  const save = async (): Promise<void> => {
    if (waiting.length === 0 || theirs) return;
    clearTimeout(timer);
    onTheWay = waiting.slice(0, 200);
    waiting = waiting.slice(onTheWay.length);
    change({ saving: 'saving' });
    try {
      const { version } = await send(snapshot.version, onTheWay);
      onTheWay = [];
      change({ version, saving: waiting.length > 0 ? 'unsaved' : 'saved' });
      if (waiting.length > 0) await save();
    } catch (error) {
      await onSaveFailed(error);
    }
  };

  const onSaveFailed = async (error: unknown) => {
    const code = codeOf(error);
    waiting = [...onTheWay, ...waiting];
    onTheWay = [];
    if (code !== 'draftMoved' && code !== 'changeImpossible') {
      // What the server could not read it will not read next time; the next change tries again.
      const isHopeless = code === 'inputInvalid' || code === 'bodyTooLarge' || code === 'notFound';
      change({ saving: isHopeless ? 'refused' : code === 'notSignedIn' ? 'signedOut' : 'offline' });
      if (!isHopeless) schedule(retryDelayMs);
      return;
    }
    const there = await reload().catch(() => null);
    if (!there) {
      change({ saving: 'offline' });
      schedule(retryDelayMs);
    } else if (JSON.stringify(there.lesson) === JSON.stringify(snapshot.lesson)) {
      // It was our own save, whose answer was lost on the way.
      waiting = [];
      change({ version: there.version, saving: 'saved' });
    } else {
      theirs = there;
      change({ saving: 'conflict' });
    }
  };

  const step = (from: Step[], to: Step[]) => {
    const last = from.at(-1);
    if (!last) return;
    const inverses = perform(last.inverses);
    from.pop();
    if (inverses) to.push({ ...last, changes: last.inverses, inverses });
    change({});
  };

  return {
    getSnapshot: () => snapshot,
    subscribe(listener: () => void) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },

    /** @returns whether the change could be done */
    apply(one: LessonChange): boolean {
      const inverses = perform([one]);
      if (!inverses) return false;
      const target = changeTarget(one);
      const last = past.at(-1);
      const isBurst =
        last?.target === target &&
        now() - last.at < burstMs &&
        !target.startsWith('insert') &&
        !target.startsWith('remove');
      if (isBurst) past[past.length - 1] = { ...last, inverses: last.inverses, changes: [one], at: now() };
      else past = [...past, { changes: [one], inverses, target, at: now() }].slice(-mostStepsKept);
      future = [];
      change({ lostCount: null });
      return true;
    },
    undo: () => step(past, future),
    redo: () => step(future, past),

    /** Saves what waits, at once. Resolves to the version that is saved, or null when it could not be. */
    async flush(): Promise<number | null> {
      await saveInTurn();
      return snapshot.saving === 'saved' ? snapshot.version : null;
    },

    /** Takes what somebody else has saved, with our unsaved changes on top or without them. */
    resolve(choice: 'keepMine' | 'dropMine') {
      if (!theirs) return;
      const mine = choice === 'keepMine' ? waiting : [];
      const { lesson, version } = theirs;
      theirs = null;
      waiting = [];
      past = [];
      future = [];
      change({ lesson, version, saving: 'saved' });
      const lost = mine.filter((one) => perform([one]) === null).length;
      change({ lostCount: choice === 'keepMine' ? lost : null });
    },

    hasUnsaved: () => waiting.length > 0 || onTheWay.length > 0,
    stop() {
      clearTimeout(timer);
      void saveInTurn();
    },
  };
}
