import { createHash, randomBytes } from 'node:crypto';
import type { Me } from '@semita/core/contract';
import { and, eq, gt, lt, or, sql } from 'drizzle-orm';
import { schools, sessions, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import { decoyHash, isPassword } from './password.ts';

/** Who is asking. */
export interface Actor {
  readonly id: string;
  readonly role: 'teacher' | 'student';
  readonly schoolId: string;
  readonly displayName: string;
}

const sessionLengthMs = 30 * 24 * 3_600_000;
const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export type SessionService = ReturnType<typeof createSessionService>;

export function createSessionService({ db, clock }: Pick<Deps, 'db' | 'clock'>) {
  const actorByToken = db
    .select({ id: users.id, role: users.role, schoolId: users.schoolId, displayName: users.displayName })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .where(and(eq(sessions.tokenHash, sql.placeholder('hash')), gt(sessions.expiresAt, sql.placeholder('now'))))
    .prepare();

  const startSession = (userId: string) => {
    const token = randomBytes(32).toString('base64url');
    const now = clock();
    const expiresAt = now + sessionLengthMs;
    db.delete(sessions).where(lt(sessions.expiresAt, now)).run();
    db.insert(sessions)
      .values({ tokenHash: hashOf(token), userId, createdAt: now, expiresAt })
      .run();
    return { token, expiresAt };
  };

  const getMe = (userId: string): Me =>
    db
      .select({ id: users.id, role: users.role, displayName: users.displayName, schoolName: schools.name })
      .from(users)
      .innerJoin(schools, eq(schools.id, users.schoolId))
      .where(eq(users.id, userId))
      .get() as Me;

  return {
    findActor(token: string | null): Actor | null {
      return token === null ? null : (actorByToken.get({ hash: hashOf(token), now: clock() }) ?? null);
    },

    getMe,
    startSession,

    /** What somebody is called; empty for nobody. */
    nameOf: (userId: string): string =>
      db.select({ name: users.displayName }).from(users).where(eq(users.id, userId)).get()?.name ?? '',

    /** @throws Refused signInFailed, the same for a wrong name and a wrong password */
    async signIn({ name, password }: { name: string; password: string }) {
      const lowered = name.toLowerCase();
      const user = db
        .select({ id: users.id, passwordHash: users.passwordHash })
        .from(users)
        .where(or(eq(users.email, lowered), eq(users.userName, lowered)))
        .get();
      const isRight = await isPassword(user?.passwordHash ?? (await decoyHash), password);
      if (!user?.passwordHash || !isRight) throw new Refused('signInFailed');
      return { me: getMe(user.id), ...startSession(user.id) };
    },

    signOut(token: string): void {
      db.delete(sessions)
        .where(eq(sessions.tokenHash, hashOf(token)))
        .run();
    },

    signOutEverywhere(actor: Actor): void {
      db.delete(sessions).where(eq(sessions.userId, actor.id)).run();
    },
  };
}
