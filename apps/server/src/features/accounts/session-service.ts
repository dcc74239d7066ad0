import type { Me, Role } from '@semita/core/contract';
import { and, eq, gt, lt, or, sql } from 'drizzle-orm';
import { knownDevices, schools, sessions, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import { decoyHash, isPassword } from './password.ts';
import type { SecurityLog } from './security-log.ts';
import type { SignInGuard } from './sign-in-guard.ts';
import { hashOf, newToken } from './token.ts';

/** Who is asking. */
export interface Actor {
  readonly id: string;
  readonly roles: readonly Role[];
  readonly schoolId: string;
  readonly displayName: string;
}

const hour = 3_600_000;
/** When a session ends: left idle so long, or so long after it began, whatever is done. Whoever is more than a student sees other people's work. */
const endsAfterMs = {
  ofOthers: { idle: 24 * hour, absolute: 14 * 24 * hour },
  own: { idle: 7 * 24 * hour, absolute: 30 * 24 * hour },
} as const;
const limitsOf = (roles: readonly Role[]) =>
  endsAfterMs[roles.every((role) => role === 'student') ? 'own' : 'ofOthers'];
/** That a session is in use is written down this often at most. */
const touchedEveryMs = 5 * 60_000;
/** A device is known for this long after the last time somebody signed in on it. */
const deviceKnownMs = 400 * 24 * hour;

/** Of one name: each costs a look at the password. */
const maxSchools = 8;

export type SessionService = ReturnType<typeof createSessionService>;
/** Somebody who was let in, with what their browser is to keep. */
export type Entered = ReturnType<SessionService['enter']>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly security: SecurityLog;
  readonly guard: SignInGuard;
}

export interface SignIn {
  readonly name: string;
  readonly password: string;
  /** The name of the school, where it had to be said. */
  readonly school?: string | undefined;
  readonly address: string;
  /** Of the device's cookie; null on a new one. */
  readonly deviceToken: string | null;
}

export function createSessionService({ db, clock, bus, security, guard }: Options) {
  const rolesOf = sql`(select json_group_array(r.role) from user_roles r where r.user_id = ${users.id})`.mapWith(
    (json: string) => JSON.parse(json) as Role[],
  );

  const waitingFor = sql`(select json_group_array(c.name) from join_requests j join classes c on c.id = j.class_id
    where j.student_id = ${users.id})`.mapWith((json: string) => JSON.parse(json) as string[]);

  const actorByToken = db
    .select({
      actor: { id: users.id, roles: rolesOf, schoolId: users.schoolId, displayName: users.displayName },
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
    const expiresAt = now + limitsOf(getMe(userId).roles).absolute;
    db.delete(sessions).where(lt(sessions.expiresAt, now)).run();
    db.insert(sessions)
      .values({ tokenHash: hashOf(token), userId, createdAt: now, expiresAt, usedAt: now })
      .run();
    return { token, expiresAt };
  };

  const getMe = (userId: string): Me =>
    db
      .select({
        ...{ id: users.id, roles: rolesOf, displayName: users.displayName, schoolName: schools.name },
        waitingFor,
        isNew: sql`${users.firstStepsPutAwayAt} is null`.mapWith(Boolean),
      })
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

  const isOff = (userId: string): boolean =>
    db.select({ off: users.deactivatedAt }).from(users).where(eq(users.id, userId)).get()?.off != null;

  /**
   * Lets somebody in who has shown who they are.
   * @throws Refused accountOff
   */
  const enter = (userId: string, deviceToken: string | null, by?: 'card' | 'newAccount') => {
    if (isOff(userId)) throw new Refused('accountOff');
    const device = deviceToken ?? newToken();
    const isKnown = deviceToken !== null && isKnownDevice(deviceToken, userId);
    rememberDevice(device, userId);
    security.record('signedIn', userId, by ?? (isKnown ? 'knownDevice' : 'newDevice'));
    return {
      me: getMe(userId),
      device: { token: device, expiresAt: clock() + deviceKnownMs },
      ...startSession(userId),
    };
  };

  return {
    enter,
    isOff,

    /**
     * Who is signed in.
     * @param isAtWork whether this counts as using the session; not where the server only looks whether it still holds
     */
    findActor(token: string | null, isAtWork = true): Actor | null {
      if (token === null) return null;
      const hash = hashOf(token);
      const now = clock();
      const found = actorByToken.get({ hash, now });
      if (!found || now - found.usedAt > limitsOf(found.actor.roles).idle) return null;
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
     * wait, in ms, before anything is looked at; schoolNeeded, with their names, where name and password fit at several
     * schools and none was said
     */
    async signIn({ name, password, school, address, deviceToken }: SignIn) {
      const lowered = name.toLowerCase();
      const named = db
        .select({ id: users.id, passwordHash: users.passwordHash, school: schools.name })
        .from(users)
        .innerJoin(schools, eq(schools.id, users.schoolId))
        .where(
          and(
            or(eq(users.email, lowered), eq(users.userName, lowered)),
            school === undefined ? undefined : eq(schools.name, school),
          ),
        )
        .limit(maxSchools)
        .all();
      const known = deviceToken === null ? undefined : named.find(({ id }) => isKnownDevice(deviceToken, id));
      const knownDevice = known && deviceToken !== null ? `${hashOf(deviceToken)} ${known.id}` : null;
      const tried = { name: lowered, address, knownDevice };
      const about = named.length === 1 ? (named[0]?.id ?? null) : null;
      const waitMs = guard.waitMs(tried);
      if (waitMs > 0) {
        security.record('signInDelayed', about);
        throw new Refused('signInThrottled', { waitMs });
      }
      // Counted before the password is looked at, so that many at once are no way round.
      guard.failed(tried);
      // Names are unique within a school: where several have this one, the password says who it is.
      const fitting: typeof named = [];
      for (const one of named.length > 0 ? named : [{ id: '', school: '', passwordHash: null }])
        if ((await isPassword(one.passwordHash ?? (await decoyHash), password)) && one.passwordHash) fitting.push(one);
      const [user] = fitting;
      if (!user) {
        security.record('signInFailed', about);
        throw new Refused('signInFailed');
      }
      guard.succeeded(tried);
      if (fitting.length > 1)
        throw new Refused('schoolNeeded', { schools: fitting.map((one) => one.school).toSorted() });
      return enter(user.id, deviceToken);
    },

    signOut(token: string): void {
      const tokenHash = hashOf(token);
      const ended = db.delete(sessions).where(eq(sessions.tokenHash, tokenHash)).returning().get();
      if (!ended) return;
      security.record('signedOut', ended.userId);
      bus.publish('rightsChanged', { userId: ended.userId });
    },

    /** @param by whose doing it is, where it is not their own */
    signOutEverywhere(userId: string, by?: 'passwordGiven' | 'cardRevoked' | 'switchedOff'): void {
      db.delete(sessions).where(eq(sessions.userId, userId)).run();
      security.record('signedOut', userId, by ?? 'everywhere');
      bus.publish('rightsChanged', { userId });
    },
  };
}
