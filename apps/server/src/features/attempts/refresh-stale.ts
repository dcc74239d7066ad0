import type { Deps } from '../../deps.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import type { AttemptStates } from './attempt-states.ts';

interface Options extends Pick<Deps, 'log'> {
  readonly attempts: Pick<AttemptRepository, 'listStale'>;
  readonly states: Pick<AttemptStates, 'read'>;
}

const idsAtOnce = 50;
/** For each moment of work the server has this many for whoever is asking meanwhile. */
const restsPerWork = 3;
const minRestMs = 2;

/** Computes what an older reducer stored anew, one attempt after the other, beside the work of the day. */
export function createRefreshStale({ log, attempts, states }: Options) {
  let timer: NodeJS.Timeout | undefined;
  let isStopped = false;

  const refresh = (attemptId: string): void => {
    try {
      states.read(attemptId);
    } catch (error) {
      // It is tried again when somebody looks at it; one that cannot be read keeps nobody from the others.
      log.error({ err: error, attemptId }, 'attempt not computed anew');
    }
  };

  const goOn = (ids: readonly string[], afterId: string): void => {
    if (isStopped) return;
    const [attemptId, ...rest] = ids.length > 0 ? ids : attempts.listStale(afterId, idsAtOnce);
    if (attemptId === undefined) return;
    const since = performance.now();
    refresh(attemptId);
    const restMs = Math.max(minRestMs, restsPerWork * (performance.now() - since));
    timer = setTimeout(() => goOn(rest, attemptId), restMs).unref();
  };

  return {
    start: (): void => goOn([], ''),
    stop(): void {
      isStopped = true;
      clearTimeout(timer);
    },
  };
}
