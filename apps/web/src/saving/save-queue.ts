import { codeOf } from '../api/api-error.ts';

/** How it stands with what was changed. */
export type Saving = 'saved' | 'saving' | 'unsaved' | 'offline' | 'signedOut' | 'refused' | 'conflict';

interface Options<Batch, There> {
  /** Takes what waits, to be sent together; null where nothing does. */
  readonly take: () => Batch | null;
  /** Puts back what was not taken, before what has come to wait since. */
  readonly giveBack: (batch: Batch) => void;
  readonly isWaiting: () => boolean;
  /** @param saveId the same for the same batch, however often it is sent: the server takes it once */
  readonly send: (batch: Batch, saveId: string) => Promise<void>;
  /** What stands there, once somebody else has saved in between. */
  readonly reload: () => Promise<There>;
  /** Works what stands there in. @returns whether both could stand; else somebody has to be asked */
  readonly onMoved: (there: There) => boolean;
  readonly onChange: (saving: Saving) => void;
  readonly newId: () => string;
}

const saveDelayMs = 700;
const retryDelayMs = 4_000;

/** What the server could not read it will not read next time. */
const hopeless: readonly string[] = ['inputInvalid', 'bodyTooLarge', 'notFound', 'windowOutOfOrder'];
const moved: readonly string[] = ['draftMoved', 'changeImpossible'];

export type SaveQueue = ReturnType<typeof createSaveQueue>;

/**
 * The one way in which what teachers write is saved: one batch at a time, each on top of the one before, sent again
 * under the same id until it is answered, and never over what somebody else has saved.
 */
export function createSaveQueue<Batch, There>(options: Options<Batch, There>) {
  const { take, giveBack, isWaiting, send, reload, onMoved, onChange, newId } = options;
  let onTheWay: { readonly saveId: string; readonly batch: Batch } | null = null;
  let saving: Saving = 'saved';
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> = Promise.resolve();

  const say = (next: Saving) => {
    saving = next;
    onChange(next);
  };
  const settled = (): Saving => (isWaiting() ? 'unsaved' : 'saved');

  const schedule = (delayMs: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void saveInTurn(), delayMs);
  };

  const saveInTurn = () => {
    running = running.then(save);
    return running;
  };

  const next = () => {
    const batch = take();
    return batch === null ? null : { saveId: newId(), batch };
  };

  const save = async (): Promise<void> => {
    if (saving === 'conflict') return;
    clearTimeout(timer);
    onTheWay ??= next();
    if (!onTheWay) return;
    say('saving');
    try {
      await send(onTheWay.batch, onTheWay.saveId);
    } catch (error) {
      return await onFailed(codeOf(error));
    }
    onTheWay = null;
    say(settled());
    if (isWaiting()) await save();
  };

  const tryLater = (as: Saving) => {
    say(as);
    schedule(retryDelayMs);
  };

  /** What was not taken is sent in a batch of its own, with what came after it. */
  const takeBack = () => {
    if (onTheWay) giveBack(onTheWay.batch);
    onTheWay = null;
  };

  const onFailed = async (code: string): Promise<void> => {
    if (hopeless.includes(code)) {
      takeBack();
      // The next change tries again.
      return say('refused');
    }
    if (!moved.includes(code)) return tryLater(code === 'notSignedIn' ? 'signedOut' : 'offline');
    const there = await reload().catch(() => null);
    if (there === null) return tryLater('offline');
    takeBack();
    if (!onMoved(there)) return say('conflict');
    say(settled());
    if (isWaiting()) schedule(saveDelayMs);
  };

  return {
    saving: () => saving,

    /** Something has come to wait. */
    touch(): void {
      if (saving === 'conflict') return;
      say('unsaved');
      schedule(saveDelayMs);
    },

    /** Saves what waits, at once. @returns whether all of it is saved */
    async flush(): Promise<boolean> {
      await saveInTurn();
      return saving === 'saved';
    },

    /** Goes on after somebody was asked. */
    resolved(): void {
      say(settled());
      if (isWaiting()) schedule(saveDelayMs);
    },

    /** What is on its way, and not yet known to be saved. */
    onTheWay: (): Batch | null => onTheWay?.batch ?? null,
    hasUnsaved: (): boolean => onTheWay !== null || isWaiting(),

    stop(): void {
      clearTimeout(timer);
      void saveInTurn();
    },
  };
}
