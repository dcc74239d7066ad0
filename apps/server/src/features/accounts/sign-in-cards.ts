import { randomBytes, randomInt } from 'node:crypto';
import { hashRaw } from '@node-rs/argon2';
import type { MadeCard } from '@semita/core/contract';
import { makeCardWords, readCardWords } from '@semita/core/roster';
import { eq, inArray, isNotNull } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { schools, signInCards, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { GuessingGuard } from './guessing-guard.ts';
import { passwordCost } from './password.ts';
import type { SecurityLog } from './security-log.ts';
import type { Entered, SessionService } from './session-service.ts';
import { hashOf, newToken } from './token.ts';

export type SignInCards = ReturnType<typeof createSignInCards>;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly sessions: Pick<SessionService, 'enter' | 'signOutEverywhere'>;
  readonly security: SecurityLog;
  readonly guess: GuessingGuard;
}

/** What somebody shows in place of a name and a password. */
export type ShownCard = { readonly token: string } | { readonly words: string };

/** Printed cards for children who cannot type a password. */
export function createSignInCards({ db, clock, sessions, security, guess }: Options) {
  const hashWords = async (words: string, salt: string): Promise<string> =>
    (await hashRaw(words, { ...passwordCost, salt: Buffer.from(salt, 'hex') })).toString('hex');

  const saltOf = (schoolId: string): string => {
    const { cardSalt } = found(db.select().from(schools).where(eq(schools.id, schoolId)).get());
    if (cardSalt !== null) return cardSalt;
    const made = randomBytes(16).toString('hex');
    db.update(schools).set({ cardSalt: made }).where(eq(schools.id, schoolId)).run();
    return made;
  };

  const findByWords = async (text: string): Promise<string | undefined> => {
    const words = readCardWords(text);
    if (words === null) return undefined;
    // Words do not say whose school they are of; each has a salt of its own.
    const salts = db.select({ salt: schools.cardSalt }).from(schools).where(isNotNull(schools.cardSalt)).all();
    const hashes: string[] = [];
    for (const { salt } of salts) hashes.push(await hashWords(words, salt as string));
    const owners = db
      .select({ userId: signInCards.userId })
      .from(signInCards)
      .where(inArray(signInCards.wordsHash, hashes))
      .all();
    // Two of the same words are as good as impossible; then they open nothing, rather than somebody else's work.
    return owners.length === 1 ? owners[0]?.userId : undefined;
  };

  const findByToken = (token: string): string | undefined =>
    db
      .select()
      .from(signInCards)
      .where(eq(signInCards.tokenHash, hashOf(token)))
      .get()?.userId;

  return {
    /** Makes a card for each student; an earlier one lets nobody in any more. What is on them is kept nowhere else. */
    async make(
      schoolId: string,
      students: readonly { readonly id: string; readonly displayName: string; readonly userName: string }[],
    ): Promise<MadeCard[]> {
      const salt = saltOf(schoolId);
      const made = await Promise.all(
        students.map(async ({ id, displayName, userName }) => {
          const card = { studentId: id, displayName, userName, token: newToken(), words: makeCardWords(randomInt) };
          return { card, wordsHash: await hashWords(card.words, salt) };
        }),
      );
      inTransaction(db, () => {
        for (const { card, wordsHash } of made) {
          const row = { tokenHash: hashOf(card.token), wordsHash, createdAt: clock() };
          db.insert(signInCards)
            .values({ userId: card.studentId, ...row })
            .onConflictDoUpdate({ target: signInCards.userId, set: row })
            .run();
        }
      });
      for (const { card } of made) security.record('cardMade', card.studentId);
      return made.map(({ card }) => card);
    },

    /** Nobody comes in by it any more, and who has come in by it is signed out. */
    revoke(studentId: string): void {
      db.delete(signInCards).where(eq(signInCards.userId, studentId)).run();
      security.record('cardRevoked', studentId);
      sessions.signOutEverywhere(studentId, 'cardRevoked');
    },

    /** @throws Refused cardUnknown; signInThrottled */
    signIn: (
      shown: ShownCard,
      from: { readonly address: string; readonly deviceToken: string | null },
    ): Promise<Entered> =>
      guess(from.address, async () => {
        const userId = 'token' in shown ? findByToken(shown.token) : await findByWords(shown.words);
        if (userId === undefined) throw new Refused('cardUnknown');
        return sessions.enter(userId, from.deviceToken, 'card');
      }),

    /** Of some people, those who have a card. */
    ownersAmong: (userIds: readonly string[]): ReadonlySet<string> =>
      new Set(
        db
          .select({ id: users.id })
          .from(users)
          .innerJoin(signInCards, eq(signInCards.userId, users.id))
          .where(inArray(users.id, [...userIds]))
          .all()
          .map(({ id }) => id),
      ),
  };
}
