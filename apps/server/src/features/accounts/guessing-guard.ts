import { Refused } from '../../http/refused.ts';
import type { SignInGuard } from './sign-in-guard.ts';

export type GuessingGuard = ReturnType<typeof createGuessingGuard>;

/**
 * Slows down who tries out codes, cards and links, by address: two hundred wrong ones cost nothing, for a class sits
 * behind one; each further one makes the next wait longer.
 */
export function createGuessingGuard(guard: SignInGuard) {
  /** @throws Refused signInThrottled, with how long to wait in ms; whatever `find` refuses with */
  return async <T>(address: string, find: () => T | Promise<T>): Promise<T> => {
    const tried = { name: null, address, knownDevice: null };
    const waitMs = guard.waitMs(tried);
    if (waitMs > 0) throw new Refused('signInThrottled', { waitMs });
    // Counted before anything is looked at, so that many at once are no way round.
    guard.failed(tried);
    const result = await find();
    guard.succeeded(tried);
    return result;
  };
}
