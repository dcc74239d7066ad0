/** Whose work it is: turns go round the schools, and inside a school round its people. */
export interface Lane {
  readonly schoolId: string;
  readonly personId: string;
}

export class QueueFull extends Error {}

interface Waiting {
  readonly lane: Lane;
  readonly begin: () => void;
}

interface Limits {
  /** How much is at work at the same time. */
  readonly places: number;
  /** How much of one person's may wait. */
  readonly maxWaiting: number;
}

/**
 * Work that takes turns: who has much to do does not keep back who has little, whatever came first. In memory: what has
 * to outlive the server is a job.
 */
export function createFairQueue({ places, maxWaiting }: Limits) {
  const waiting: Waiting[] = [];
  const servedAt = new Map<string, number>();
  let running = 0;
  let turn = 0;

  const lastServed = (key: string) => servedAt.get(key) ?? 0;

  const takeNext = (): Waiting | undefined => {
    let best: Waiting | undefined;
    for (const one of waiting) if (!best || isBefore(one, best)) best = one;
    if (best) waiting.splice(waiting.indexOf(best), 1);
    return best;
  };

  const isBefore = ({ lane: a }: Waiting, { lane: b }: Waiting): boolean => {
    const bySchool = lastServed(a.schoolId) - lastServed(b.schoolId);
    if (bySchool !== 0) return bySchool < 0;
    return lastServed(personKey(a)) < lastServed(personKey(b));
  };

  const fill = () => {
    while (running < places) {
      const next = takeNext();
      if (!next) return;
      running++;
      turn++;
      servedAt.set(next.lane.schoolId, turn);
      servedAt.set(personKey(next.lane), turn);
      next.begin();
    }
    if (servedAt.size > 10_000) servedAt.clear();
  };

  return {
    /**
     * Does work in its turn.
     * @throws QueueFull when the person has too much waiting already
     */
    async run<T>(lane: Lane, work: () => Promise<T>): Promise<T> {
      const own = waiting.filter(({ lane: other }) => other.personId === lane.personId).length;
      if (own >= maxWaiting) throw new QueueFull();
      await new Promise<void>((resolve) => {
        waiting.push({ lane, begin: resolve });
        fill();
      });
      try {
        return await work();
      } finally {
        running--;
        fill();
      }
    },
  };
}

export type FairQueue = ReturnType<typeof createFairQueue>;

const personKey = ({ schoolId, personId }: Lane) => `${schoolId} ${personId}`;
