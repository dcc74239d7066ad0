/** Failures that cost nothing yet; each further one doubles the wait. */
const free = { name: 5, device: 10, address: 200 } as const;
/** The longest wait, in ms. Passwords are long enough that guessing them at this pace takes for ever. */
const longestMs = { name: 30_000, device: 60_000, address: 60_000 } as const;
/** Failures are forgotten after this long without another, in ms. */
const forgottenMs = 15 * 60_000;
const maxKept = 50_000;

type Scope = keyof typeof free;

interface Failures {
  readonly count: number;
  readonly lastAt: number;
}

export interface SignInTry {
  /** As typed, in lower case; null where a code is tried, which is nobody's name. */
  readonly name: string | null;
  readonly address: string;
  /** The device, where this person has signed in on it before; null elsewhere. */
  readonly knownDevice: string | null;
}

/**
 * Slows down guessing, by name and by address, and keeps nobody out: waits are seconds, and a device on which a person
 * has signed in before waits only for its own mistakes, whatever others do to the name.
 */
export function createSignInGuard(clock: () => number) {
  const failures = new Map<string, Failures>();

  const scopesOf = ({ name, address, knownDevice }: SignInTry): readonly (readonly [Scope, string])[] =>
    knownDevice !== null
      ? [['device', `device ${knownDevice}`]]
      : [...(name === null ? [] : [['name', `name ${name}`] as const]), ['address', `address ${address}`]];

  const read = (key: string): Failures => {
    const found = failures.get(key);
    return found && clock() - found.lastAt < forgottenMs ? found : { count: 0, lastAt: 0 };
  };

  const waitOf = (scope: Scope, { count, lastAt }: Failures): number => {
    if (count < free[scope]) return 0;
    const fullMs = Math.min(longestMs[scope], 1_000 * 2 ** Math.min(20, count - free[scope]));
    return Math.max(0, lastAt + fullMs - clock());
  };

  return {
    /** How long this try has to wait, in ms; 0 where it may be made now. */
    waitMs: (tried: SignInTry): number => Math.max(...scopesOf(tried).map(([scope, key]) => waitOf(scope, read(key)))),

    failed(tried: SignInTry): void {
      for (const [, key] of scopesOf(tried)) {
        const { count } = read(key);
        failures.delete(key);
        if (failures.size >= maxKept) failures.delete(failures.keys().next().value as string);
        failures.set(key, { count: count + 1, lastAt: clock() });
      }
    },

    /**
     * The person's own mistakes are forgiven. Of the address only this try is taken back, which was no failure: a school
     * signs in behind one, and what it does to other names stays counted.
     */
    succeeded({ name, address, knownDevice }: SignInTry): void {
      if (name !== null) failures.delete(`name ${name}`);
      if (knownDevice !== null) {
        failures.delete(`device ${knownDevice}`);
        return;
      }
      const key = `address ${address}`;
      const { count, lastAt } = read(key);
      if (count <= 1) failures.delete(key);
      else failures.set(key, { count: count - 1, lastAt });
    },
  };
}

export type SignInGuard = ReturnType<typeof createSignInGuard>;
