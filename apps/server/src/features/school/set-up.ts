import { randomBytes, timingSafeEqual } from 'node:crypto';
import type { BodyOf, routes } from '@semita/core/contract';
import { inTransaction } from '../../db/open.ts';
import { schools } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { GuessingGuard } from '../accounts/guessing-guard.ts';
import { hashPassword } from '../accounts/password.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import { hashOf } from '../accounts/token.ts';

export type SetUp = ReturnType<typeof createSetUp>;

interface Options extends Pick<Deps, 'db' | 'newId'> {
  readonly accounts: AccountRepository;
  readonly security: SecurityLog;
  readonly guess: GuessingGuard;
}

/** The first hour of an installation: whoever holds what the server printed makes the school and its first admin. */
export function createSetUp({ db, newId, accounts, security, guess }: Options) {
  let secretHash: string | null = null;

  const isSecret = (text: string): boolean =>
    secretHash !== null && timingSafeEqual(Buffer.from(hashOf(text)), Buffer.from(secretHash));

  return {
    isEmpty: (): boolean => !accounts.hasSchool(),

    /** Makes the secret anew, to be printed; one that was printed before opens nothing any more. Kept nowhere. */
    createSecret(): string {
      const secret = randomBytes(18).toString('base64url');
      secretHash = hashOf(secret);
      return secret;
    },

    /**
     * @returns who looks after the school from now on
     * @throws Refused alreadySetUp, setUpSecretWrong, signInThrottled
     */
    async run(input: BodyOf<(typeof routes)['setUpSchool']>, address: string): Promise<string> {
      if (accounts.hasSchool()) throw new Refused('alreadySetUp');
      await guess(address, () => {
        if (!isSecret(input.secret)) throw new Refused('setUpSecretWrong');
      });
      const passwordHash = await hashPassword(input.password);
      const { displayName, email, schoolName: name, timeZone, locale } = input;
      const adminId = inTransaction(db, () => {
        // Somebody else may have been quicker while the password was hashed.
        if (accounts.hasSchool()) throw new Refused('alreadySetUp');
        const schoolId = newId();
        db.insert(schools).values({ id: schoolId, name, timeZone, locale }).run();
        const roles = input.teaches ? (['admin', 'teacher'] as const) : (['admin'] as const);
        return accounts.add({ schoolId, displayName, email, passwordHash, roles });
      });
      secretHash = null;
      security.record('schoolSetUp', adminId);
      return adminId;
    },
  };
}
