import type { Draft } from '@semita/core/contract';
import {
  applyChange,
  applyChanges,
  changeTarget,
  isStopEdit,
  type Lesson,
  type LessonChange,
  refineChange,
} from '@semita/core/lesson';
import { createSaveQueue, type Saving } from '../../saving/save-queue.ts';

export interface DeskSnapshot {
  readonly lesson: Lesson;
  readonly version: number;
  readonly saving: Saving;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** What does not stand in the lesson after two changed the same: shown until it is put away, so that nobody's words are gone. */
  readonly leftOut: readonly LeftOut[];
}

/** A piece of work that gave way to another's. */
export interface LeftOut {
  readonly whose: 'mine' | 'theirs';
  readonly change: LessonChange;
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
  readonly send: (save: Save) => Promise<{ version: number }>;
  readonly reload: () => Promise<Draft>;
  readonly newId: () => string;
  readonly now: () => number;
}

/** What is sent together; the same again until it is answered. */
export interface Save {
  readonly baseVersion: number;
  readonly saveId: string;
  readonly changes: LessonChange[];
}

const maxPerSave = 200;
const burstMs = 1_500;
const maxStepsKept = 500;

export type Desk = ReturnType<typeof createDesk>;

/** The draft under the teacher's hands: changes at once, history, and saving as one types. */
export function createDesk({ draft, send, reload, newId, now }: Options) {
  const listeners = new Set<() => void>();
  let past: Step[] = [];
  let future: Step[] = [];
  let waiting: LessonChange[] = [];
  /** What the server had when it was last heard of: what others did since is the difference from it. */
  let base = draft.lesson;
  let theirs: Draft | null = null;
  let snapshot: DeskSnapshot = {
    lesson: draft.lesson,
    version: draft.version,
    saving: 'saved',
    canUndo: false,
    canRedo: false,
    leftOut: [],
  };

  const change = (next: Partial<DeskSnapshot>) => {
    snapshot = { ...snapshot, ...next, canUndo: past.length > 0, canRedo: future.length > 0 };
    for (const listener of listeners) listener();
  };

  const queue = createSaveQueue<readonly LessonChange[], Draft>({
    take() {
      if (waiting.length === 0) return null;
      const changes = waiting.slice(0, maxPerSave);
      waiting = waiting.slice(maxPerSave);
      return changes;
    },
    giveBack: (changes) => {
      waiting = [...changes, ...waiting];
    },
    isWaiting: () => waiting.length > 0,
    async send(changes, saveId) {
      const { version } = await send({ baseVersion: snapshot.version, saveId, changes: [...changes] });
      base = onBase(changes);
      change({ version });
    },
    reload,
    onMoved(there) {
      const { clashes, lost } = compare(base, there.lesson, waiting);
      // Where nobody changed the same, both stand, and nobody has to be asked.
      const bothStand = clashes.length === 0 && lost.length === 0;
      if (bothStand) putOnTop(there, waiting, []);
      else theirs = there;
      return bothStand;
    },
    onChange: (saving) => change({ saving }),
    newId,
  });

  /** Of two changes in a row that set the same field, only the later matters. */
  const enqueue = (one: LessonChange) => {
    const last = waiting.at(-1);
    if (last && isSameField(last, one)) waiting[waiting.length - 1] = one;
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
    change({ lesson });
    queue.touch();
    return inverses;
  };

  const onBase = (changes: readonly LessonChange[]): Lesson => {
    const result = applyChanges(base, changes);
    return result.ok ? result.lesson : snapshot.lesson;
  };

  const putOnTop = ({ lesson, version }: Draft, mine: readonly LessonChange[], leftOut: readonly LeftOut[]) => {
    theirs = null;
    waiting = [];
    base = lesson;
    past = [];
    future = [];
    change({ lesson, version, leftOut });
    for (const one of mine) perform([one]);
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
      const pieces = refineChange(snapshot.lesson, one);
      if (pieces.length === 0) return true;
      const inverses = perform(pieces);
      if (!inverses) return false;
      const target = changeTarget(one);
      const last = past.at(-1);
      const isBurst =
        last?.target === target &&
        now() - last.at < burstMs &&
        !target.startsWith('insert') &&
        !target.startsWith('remove');
      if (isBurst) past[past.length - 1] = { ...last, ...longer(last, pieces, inverses), at: now() };
      else past = [...past, { changes: pieces, inverses, target, at: now() }].slice(-maxStepsKept);
      future = [];
      change({});
      return true;
    },
    undo: () => step(past, future),
    redo: () => step(future, past),

    /** Saves what waits, at once. Resolves to the version that is saved, or null when it could not be. */
    async flush(): Promise<number | null> {
      return (await queue.flush()) ? snapshot.version : null;
    },

    /** Takes what somebody else has saved, with our unsaved changes on top or without them. */
    resolve(choice: 'keepMine' | 'dropMine') {
      if (!theirs) return;
      const mine = waiting;
      const { clashes, lost } = compare(base, theirs.lesson, mine);
      const toMine = (one: LessonChange): LeftOut => ({ whose: 'mine', change: one });
      const leftOut =
        choice === 'keepMine'
          ? [...lost.map(toMine), ...clashes.map((one): LeftOut => ({ whose: 'theirs', change: one }))]
          : mine.map(toMine);
      putOnTop(theirs, choice === 'keepMine' ? mine : [], leftOut);
      queue.resolved();
    },

    /** Puts away what was shown of work that gave way. */
    putAway: () => change({ leftOut: [] }),

    hasUnsaved: queue.hasUnsaved,
    stop: queue.stop,
  };
}

/** A burst with one more change: what sets the same again says only the latest, and is undone to the first. */
function longer(burst: Step, pieces: readonly LessonChange[], inverses: readonly LessonChange[]) {
  const [before] = burst.changes;
  const [piece] = pieces;
  const isOne = burst.changes.length === 1 && pieces.length === 1 && before && piece;
  if (isOne && (!isStopEdit(piece) || isSameField(before, piece))) return { changes: pieces, inverses: burst.inverses };
  return { changes: [...burst.changes, ...pieces], inverses: [...inverses, ...burst.inverses] };
}

function isSameField(a: LessonChange, b: LessonChange): boolean {
  if (a.type === 'setStopField' && b.type === a.type) return a.stopId === b.stopId && a.field === b.field;
  return (
    a.type === 'setQuestionField' &&
    b.type === a.type &&
    a.stopId === b.stopId &&
    a.questionId === b.questionId &&
    a.field === b.field
  );
}

/**
 * What of our changes touches what somebody else has changed as well: then undoing them gives other things back on
 * their lesson than on the one both began from.
 * @returns what stood there of theirs, and those of ours that cannot be made any more
 */
function compare(
  base: Lesson,
  theirs: Lesson,
  mine: readonly LessonChange[],
): { readonly clashes: LessonChange[]; readonly lost: LessonChange[] } {
  let [before, there] = [base, theirs];
  const clashes: LessonChange[] = [];
  const lost: LessonChange[] = [];
  for (const one of mine) {
    const onBase = applyChange(before, one);
    const onTheirs = applyChange(there, one);
    if (onBase.ok) before = onBase.lesson;
    if (!onTheirs.ok) {
      lost.push(one);
      continue;
    }
    there = onTheirs.lesson;
    if (onBase.ok && JSON.stringify(onBase.inverse) !== JSON.stringify(onTheirs.inverse))
      clashes.push(onTheirs.inverse);
  }
  return { clashes, lost };
}
