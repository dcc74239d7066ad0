import { questionsOf } from '@semita/core/analysis';
import { shownNow } from '@semita/core/assignment';
import { localDay } from '@semita/core/calendar';
import { groupBy } from '@semita/core/elements';
import type { Question } from '@semita/core/question';
import {
  canComeBack,
  chooseReview,
  comesBack,
  daysLater,
  type PooledQuestion,
  type TargetReview,
} from '@semita/core/review';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { SheetRepository, StoredOutline } from '../assignments/sheet-repository.ts';
import type { EvidenceOf, NamedInClass, TargetEvidence } from '../targets/target-evidence.ts';
import type { AskedOn, ClassReviews, ReviewEvidence, ReviewRepository } from './review-repository.ts';

export type ReviewPlans = ReturnType<typeof createReviewPlans>;

/** What comes back to one student, by the key of the target. */
export type StudentPlan = ReadonlyMap<string, TargetReview>;

/** What is known of one student in one class. */
export interface StudentReviews {
  readonly of: ClassReviews;
  readonly named: NamedInClass;
  /** Today, on the class's calendar. */
  readonly day: string;
  readonly plan: StudentPlan;
  readonly askedOn: readonly AskedOn[];
  /** What would be asked on a day; nothing where nothing is due. */
  readonly choose: (day: string) => readonly PooledQuestion[];
}

interface Options extends Pick<Deps, 'clock'> {
  readonly repository: ReviewRepository;
  readonly evidence: TargetEvidence;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'givenOf' | 'preload'>;
  readonly sheets: Pick<SheetRepository, 'listOutlinesOf'>;
}

/** By it a question is the same in the bank and in the lessons that took it from there. */
export const sourceOf = ({ id, bankItemId }: Pick<Question, 'id' | 'bankItemId'>): string =>
  bankItemId === undefined ? `question:${id}` : `bank:${bankItemId}`;

/** Copies have other ids, and the same words. */
const wordsOf = ({ kind, stem }: Question): string => `${kind} ${stem.trim()}`;

/** What comes back when, and which questions may be asked for it. */
export function createReviewPlans({ clock, repository, evidence, given, sheets }: Options) {
  /** Questions of lessons that a student has yet to hand in, or is yet to be shown the answers of, would tell them. */
  const listUntold = (outlines: readonly StoredOutline[]): readonly Question[] => {
    const untold = outlines.filter(({ assignmentId, counted, terms }) => {
      if (terms.leftAt !== null) return false;
      const { terms: general, releasedAt } = given.givenOf(assignmentId);
      const handedInAt = counted?.outline.handedInAt ?? null;
      const moment = { handedInAt, dueAt: terms.window.dueAt, releasedAt, now: clock() };
      return handedInAt === null || !shownNow(general.shown, moment).keys;
    });
    given.preload(
      untold.map(({ assignmentId }) => ({ assignmentId, editionId: given.givenOf(assignmentId).editionId })),
    );
    return untold.flatMap(({ assignmentId }) =>
      questionsOf(given.getLesson(assignmentId).lesson).map(({ question }) => question),
    );
  };

  return {
    dayOf: (timeZone: string): string => localDay(clock(), timeZone),

    /** What comes back to one student, in each of some classes: none of them takes a statement more. */
    readStudent(
      actor: { readonly id: string; readonly schoolId: string },
      studentId: string,
      places: readonly ClassReviews[],
    ): StudentReviews[] {
      const allNamed = evidence.readNamed(actor, places);
      const outlines = [...sheets.listOutlinesOf(studentId).values()];
      const allEvidence = evidence.readEvidence(allNamed, outlines);
      const allAsked = groupBy(repository.listAskedOf(studentId), ({ classId }) => classId);
      // Mostly nothing is due, and then nobody asks for these.
      const untold = once(() => listUntold(outlines));
      const bank = once(() => groupBy(repository.listBank(places.map(({ classId }) => classId)), (one) => one.classId));
      return places.map((of, index): StudentReviews => {
        const [named, inLessons] = [allNamed[index] as NamedInClass, allEvidence[index] as EvidenceOf];
        const askedOn = allAsked.get(of.classId) ?? [];
        const plan = planOf(named, studentId, inLessons, repository.byTarget(askedOn));
        const answers = named.targets.flatMap(({ key }) => inLessons(studentId, key));
        const metAt = new Map(answers.map((one) => [`${one.assignmentId} ${one.questionId}`, one.at]));
        const met = named.asked.flatMap((one) => {
          const at = metAt.get(`${one.assignmentId} ${one.question.id}`);
          return at === undefined ? [] : [{ ...one, day: localDay(at, named.timeZone) }];
        });
        const choose = (day: string): readonly PooledQuestion[] => {
          const due = [...plan].flatMap(([key, { dueDay, mastery }]) =>
            dueDay <= day ? [{ key, dueDay, share: mastery.share }] : [],
          );
          if (due.length === 0) return [];
          const pool = freeOf(candidatesOf(named, met, of.settings.usesBank ? (bank().get(of.classId) ?? []) : []), [
            ...leftOutNames(of, named, bank().get(of.classId) ?? []),
            ...untold().flatMap((question) => [sourceOf(question), wordsOf(question)]),
          ]);
          const lastMet = latest([
            ...met.map(({ question, day: on }) => [sourceOf(question), on] as const),
            ...askedOn.map(({ source, day: on }) => [source, on] as const),
          ]);
          return chooseReview(due, pool, lastMet, of.settings.maxQuestions);
        };
        return { of, named, day: localDay(clock(), of.timeZone), plan, askedOn, choose };
      });
    },

    /** What could be asked in a class, whoever is asked, and all that there is, also what is left out. */
    readClassPool(of: ClassReviews, named: NamedInClass) {
      const bank = repository.listBank([of.classId]);
      const all = candidatesOf(named, named.asked, bank);
      const inUse = candidatesOf(named, named.asked, of.settings.usesBank ? bank : []);
      return { all, askable: freeOf(inUse, leftOutNames(of, named, bank)) };
    },
  };
}

type Banked = Readonly<ReturnType<ReviewRepository['listBank']>>;

/** What comes back to a student of a class. */
export const planOf = (
  { targets, timeZone }: NamedInClass,
  studentId: string,
  inLessons: EvidenceOf,
  inReviews: (studentId: string, key: string) => readonly ReviewEvidence[],
): StudentPlan =>
  new Map(
    targets.flatMap(({ key }) => {
      const back = comesBack(inLessons(studentId, key), inReviews(studentId, key), timeZone);
      return back ? [[key, back] as const] : [];
    }),
  );

/** When next something comes back to a student; what is left of a day that was begun already waits for the next. */
export function nextDayOf(plan: StudentPlan, askedOn: readonly AskedOn[], today: string): string | null {
  const first = [...plan.values()].reduce<string | null>(
    (next, { dueDay }) => (next === null || dueDay < next ? dueDay : next),
    null,
  );
  const earliest = roundOf(askedOn, today) ? daysLater(today, 1) : today;
  return first === null || first > earliest ? first : earliest;
}

/** The round of a day, as far as it goes. */
export function roundOf(askedOn: readonly AskedOn[], day: string): { readonly left: number } | null {
  const own = askedOn.filter((one) => one.day === day);
  if (own.length === 0) return null;
  return { left: new Set(own.filter(({ at }) => at === null).map(({ questionId }) => questionId)).size };
}

function candidatesOf(
  { namesOf }: NamedInClass,
  asked: readonly Pick<NamedInClass['asked'][0], 'question' | 'keys'>[],
  bank: Banked,
): PooledQuestion[] {
  return [
    ...asked.map(({ question, keys }) => ({ source: sourceOf(question), question, targets: keys })),
    ...bank.map(({ id, question }) => ({
      ...{ source: `bank:${id}`, question, targets: namesOf(question).map(({ key }) => key) },
    })),
  ].filter(({ question }) => canComeBack(question));
}

/** What is left out in one place is not asked from another. */
const leftOutNames = ({ leftOut }: ClassReviews, named: NamedInClass, bank: Banked): string[] =>
  leftOut.size === 0
    ? []
    : [
        ...leftOut,
        ...candidatesOf(named, named.asked, bank).flatMap(({ source, question }) =>
          leftOut.has(source) ? [wordsOf(question)] : [],
        ),
      ];

/** Each question once, by its source and by its words, and none that goes by one of some names. */
function freeOf(candidates: readonly PooledQuestion[], names: readonly string[]): PooledQuestion[] {
  const taken = new Set(names);
  return candidates.filter(({ source, question }) => {
    const words = wordsOf(question);
    if (taken.has(source) || taken.has(words)) return false;
    taken.add(source).add(words);
    return true;
  });
}

function latest(days: readonly (readonly [name: string, day: string])[]): ReadonlyMap<string, string> {
  const last = new Map<string, string>();
  for (const [name, day] of days) if (day > (last.get(name) ?? '')) last.set(name, day);
  return last;
}

function once<T>(read: () => T): () => T {
  let known: { readonly value: T } | null = null;
  return () => {
    known ??= { value: read() };
    return known.value;
  };
}
