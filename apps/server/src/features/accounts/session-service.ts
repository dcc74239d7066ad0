import { createHash, randomBytes } from 'node:crypto';
import type { Me } from '@semita/core/contract';
import { and, eq, gt, lt, or, sql } from 'drizzle-orm';
import { knownDevices, schools, sessions, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import { decoyHash, isPassword } from './password.ts';
import type { SecurityLog } from './security-log.ts';
import { createSignInGuard } from './sign-in-guard.ts';

/** Who is asking. */
export interface Actor {
  readonly id: string;
  readonly role: 'teacher' | 'student';
  readonly schoolId: string;
  readonly displayName: string;
}

const hour = 3_600_000;
/** When a session ends: left idle so long, or so long after it began, whatever is done. Teachers see other people's work. */
const endsAfterMs: Readonly<Record<Actor['role'], { readonly idle: number; readonly absolute: number }>> = {
  teacher: { idle: 24 * hour, absolute: 14 * 24 * hour },
  student: { idle: 7 * 24 * hour, absolute: 30 * 24 * hour },
};
/** That a session is in use is written down this often at most. */
const touchedEveryMs = 5 * 60_000;
/** A device is known for this long after the last time somebody signed in on it. */
const deviceKnownMs = 400 * 24 * hour;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');
const newToken = () => randomBytes(32).toString('base64url');

export type SessionService = ReturnType<typeof createSessionService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly security: SecurityLog;
}

export interface SignIn {
  readonly name: string;
  readonly password: string;
  readonly address: string;
  /** Of the device's cookie; null on a new one. */
  readonly deviceToken: string | null;
}

export function createSessionService({ db, clock, bus, security }: Options) {
  const guard = createSignInGuard(clock);

  const actorByToken = db
    .select({
      actor: { id: users.id, role: users.role, schoolId: users.schoolId, displayName: users.displayName },
      usedAt: sessions.usedAt,
    })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .where(and(eq(sessions.tokenHash, sql.placeholder('hash')), gt(sessions.expiresAt, sql.placeholder('now'))))
    .prepare();

  const touch = db
    .update(sessions)
    .set({ usedAt: sql`${sql.placeholder('now')}` })
    .where(eq(sessions.tokenHash, sql.placeholder('hash')))
    .prepare();

  const startSession = (userId: string) => {
    const token = newToken();
    const now = clock();
    const { role } = getMe(userId);
    const expiresAt = now + endsAfterMs[role].absolute;
    db.delete(sessions).where(lt(sessions.expiresAt, now)).run();
    db.insert(sessions)
      .values({ tokenHash: hashOf(token), userId, createdAt: now, expiresAt, usedAt: now })
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

  const isKnownDevice = (token: string, userId: string): boolean => {
    const place = and(eq(knownDevices.tokenHash, hashOf(token)), eq(knownDevices.userId, userId));
    return db.select({ usedAt: knownDevices.usedAt }).from(knownDevices).where(place).get() !== undefined;
  };

  const rememberDevice = (token: string, userId: string): void => {
    const usedAt = clock();
    db.delete(knownDevices)
      .where(lt(knownDevices.usedAt, usedAt - deviceKnownMs))
      .run();
    db.insert(knownDevices)
      .values({ tokenHash: hashOf(token), userId, usedAt })
      .onConflictDoUpdate({ target: [knownDevices.tokenHash, knownDevices.userId], set: { usedAt } })
      .run();
  };

  return {
    /**
     * Who is signed in.
     * @param isAtWork whether this counts as using the session; not where the server only looks whether it still holds
     */
    findActor(token: string | null, isAtWork = true): Actor | null {
      if (token === null) return null;
      const hash = hashOf(token);
      const now = clock();
      const found = actorByToken.get({ hash, now });
      if (!found || now - found.usedAt > endsAfterMs[found.actor.role].idle) return null;
      if (isAtWork && now - found.usedAt > touchedEveryMs) touch.run({ hash, now });
      return found.actor;
    },

    getMe,
    startSession,

    /** What somebody is called; empty for nobody. */
    nameOf: (userId: string): string =>
      db.select({ name: users.displayName }).from(users).where(eq(users.id, userId)).get()?.name ?? '',

    /**
     * @throws Refused signInFailed, the same for a wrong name and a wrong password; signInThrottled with how long to
     * wait, in ms, before anything is looked at
     */
    async signIn({ name, password, address, deviceToken }: SignIn) {
      const lowered = name.toLowerCase();
      const user = db
        .select({ id: users.id, passwordHash: users.passwordHash })
        .from(users)
        .where(or(eq(users.email, lowered), eq(users.userName, lowered)))
        .get();
      const isKnown = user !== undefined && deviceToken !== null && isKnownDevice(deviceToken, user.id);
      const tried = { name: lowered, address, knownDevice: isKnown ? `${hashOf(deviceToken)} ${user.id}` : null };
      const waitMs = guard.waitMs(tried);
      if (waitMs > 0) {
        security.record('signInDelayed', user?.id ?? null);
        throw new Refused('signInThrottled', { waitMs });
      }
      // Counted before the password is looked at, so that many at once are no way round.
      guard.failed(tried);
      const isRight = await isPassword(user?.passwordHash ?? (await decoyHash), password);
      if (!user?.passwordHash || !isRight) {
        security.record('signInFailed', user?.id ?? null);
        throw new Refused('signInFailed');
      }
      guard.succeeded(tried);
      const device = deviceToken ?? newToken();
      rememberDevice(device, user.id);
      security.record('signedIn', user.id, isKnown ? 'knownDevice' : 'newDevice');
      return {
        me: getMe(user.id),
        device: { token: device, expiresAt: clock() + deviceKnownMs },
        ...startSession(user.id),
      };
    },

    signOut(token: string): void {
      const tokenHash = hashOf(token);
      const ended = db.delete(sessions).where(eq(sessions.tokenHash, tokenHash)).returning().get();
      if (!ended) return;
      security.record('signedOut', ended.userId);
      bus.publish('rightsChanged', { userId: ended.userId });
    },

    signOutEverywhere(actor: Actor): void {
      db.delete(sessions).where(eq(sessions.userId, actor.id)).run();
      security.record('signedOut', actor.id, 'everywhere');
      bus.publish('rightsChanged', { userId: actor.id });
    },
  };
}
