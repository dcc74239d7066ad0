import { and, eq, gt, isNull } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { invitations, schools } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { GuessingGuard } from '../accounts/guessing-guard.ts';
import { hashPassword } from '../accounts/password.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import { hashOf, newToken } from '../accounts/token.ts';

export type Invitations = ReturnType<typeof createInvitations>;

const validMs = 7 * 24 * 3_600_000;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly accounts: AccountRepository;
  readonly security: SecurityLog;
  readonly guess: GuessingGuard;
}

/** Links by which teachers come to a school: each works once, for a week. */
export function createInvitations({ db, clock, newId, accounts, security, guess }: Options) {
  const usable = () => and(isNull(invitations.usedAt), gt(invitations.expiresAt, clock()));
  const shown = {
    ...{ id: invitations.id, displayName: invitations.displayName, email: invitations.email },
    ...{ isAdmin: invitations.isAdmin, expiresAt: invitations.expiresAt },
  };
  /** @throws Refused invitationUnusable, the same for one that was used, has run out, was taken back or never was */
  const getUsable = (token: string) => {
    const row = db
      .select()
      .from(invitations)
      .where(and(eq(invitations.tokenHash, hashOf(token)), usable()))
      .get();
    if (!row) throw new Refused('invitationUnusable');
    return row;
  };

  return {
    list: (schoolId: string) =>
      db
        .select(shown)
        .from(invitations)
        .where(and(eq(invitations.schoolId, schoolId), usable()))
        .orderBy(invitations.expiresAt)
        .all(),

    /** @returns what stands in its link, which is kept nowhere */
    invite(actor: Actor, input: { readonly displayName: string; readonly email: string; readonly isAdmin: boolean }) {
      const token = newToken();
      const at = clock();
      const { schoolId } = actor;
      const row = { ...input, id: newId(), expiresAt: at + validMs };
      db.insert(invitations)
        .values({ ...row, schoolId, tokenHash: hashOf(token), createdBy: actor.id, createdAt: at })
        .run();
      security.record('invited', actor.id);
      return { invitation: row, token };
    },

    revoke(invitationId: string): void {
      db.delete(invitations)
        .where(and(eq(invitations.id, invitationId), isNull(invitations.usedAt)))
        .run();
    },

    look: (token: string, address: string) =>
      guess(address, () => {
        const { schoolId, displayName, email } = getUsable(token);
        const school = found(db.select().from(schools).where(eq(schools.id, schoolId)).get());
        return { schoolName: school.name, displayName, email };
      }),

    /**
     * @returns the new teacher
     * @throws Refused invitationUnusable, emailTaken, signInThrottled
     */
    async accept(
      input: {
        readonly token: string;
        readonly displayName: string;
        readonly email: string;
        readonly password: string;
      },
      address: string,
    ): Promise<string> {
      await guess(address, () => getUsable(input.token));
      const passwordHash = await hashPassword(input.password);
      const userId = inTransaction(db, () => {
        // Somebody else may have used it while the password was hashed.
        const { id, schoolId, isAdmin, email: invitedEmail } = getUsable(input.token);
        const { displayName, email } = input;
        const roles = isAdmin ? (['teacher', 'admin'] as const) : (['teacher'] as const);
        // Only of whom the admin meant: another's account is not taken by writing their address.
        const unclaimed = email === invitedEmail ? accounts.findUnclaimed(schoolId, email) : undefined;
        const usedBy = unclaimed ?? accounts.add({ schoolId, displayName, email, passwordHash, roles });
        if (unclaimed !== undefined) {
          accounts.rename(unclaimed, displayName);
          accounts.setPassword(unclaimed, passwordHash);
          for (const role of roles) accounts.setRole(unclaimed, role, true);
        }
        db.update(invitations).set({ usedBy, usedAt: clock() }).where(eq(invitations.id, id)).run();
        return usedBy;
      });
      security.record('joinedSchool', userId, 'invitation');
      return userId;
    },
  };
}
