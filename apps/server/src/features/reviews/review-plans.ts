import { questionsOf } from '@semita/core/analysis';
import { shownNow } from '@semita/core/assignment';
import { toLocal } from '@semita/core/calendar';
import type { Question } from '@semita/core/question';
import { canComeBack, comesBack, type PooledQuestion, type TargetReview } from '@semita/core/review';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { SheetRepository, StoredOutline } from '../assignments/sheet-repository.ts';
import type { LessonEvidence, NamedInClass, TargetEvidence } from '../targets/target-evidence.ts';
import type { AskedOn, ClassReviews, ReviewEvidence, ReviewRepository } from './review-repository.ts';

export type ReviewPlans = ReturnType<typeof createReviewPlans>;

/** What comes back to one student, by the key of the target. */
export type StudentPlan = ReadonlyMap<string, TargetReview>;

interface Options extends Pick<Deps, 'clock'> {
  readonly repository: ReviewRepository;
  readonly evidence: TargetEvidence;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'givenOf' | 'preload' | 'preloadGiven'>;
  readonly sheets: Pick<SheetRepository, 'listOutlinesOf'>;
}

/** By it a question is the same in the bank and in the lessons that took it from there. */
export const sourceOf = ({ id, bankItemId }: Pick<Question, 'id' | 'bankItemId'>): string =>
  bankItemId === undefined ? `question:${id}` : `bank:${bankItemId}`;

/** Copies have other ids, and the same words. */
const wordsOf = ({ kind, stem }: Question): string => `${kind} ${stem.trim()}`;

/** What comes back when, and which questions may be asked for it. */
export function createReviewPlans({ clock, repository, evidence, given, sheets }: Options) {
  const dayOf = (timeZone: string): string => toLocal(clock(), timeZone).slice(0, 10);

  const planOf = (
    { targets, timeZone }: NamedInClass,
    studentId: string,
    inLessons: (studentId: string, key: string) => readonly LessonEvidence[],
    inReviews: (studentId: string, key: string) => readonly ReviewEvidence[],
  ): StudentPlan =>
    new Map(
      targets.flatMap(({ key }) => {
        const back = comesBack(inLessons(studentId, key), inReviews(studentId, key), timeZone);
        return back ? [[key, back] as const] : [];
      }),
    );

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

  const listPool = (
    { asked, namesOf }: NamedInClass,
    { usesBank, leftOut }: ClassReviews,
    { classId, met, untold }: { classId: string; met: (place: string) => boolean; untold: readonly Question[] },
  ): PooledQuestion[] => {
    const secret = new Set(untold.flatMap((question) => [sourceOf(question), wordsOf(question)]));
    const seen = new Set<string>();
    const inLessons = asked
      .filter(({ assignmentId, question }) => met(`${assignmentId} ${question.id}`))
      .map(({ question, keys }) => ({ source: sourceOf(question), question, targets: keys }));
    const inBank = (usesBank ? repository.listBank(classId) : []).map(({ id, question }) => ({
      ...{ source: `bank:${id}`, question, targets: namesOf(question).map(({ key }) => key) },
    }));
    const all = [...inLessons, ...inBank].filter(({ question }) => canComeBack(question));
    const kept = new Set([...secret, ...leftOut]);
    // What is left out in one place is not asked from another.
    for (const { source, question } of all) if (leftOut.has(source)) kept.add(wordsOf(question));
    const isFree = (name: string) => !kept.has(name) && !seen.has(name);
    return all.filter(({ source, question }) => {
      const words = wordsOf(question);
      if (!isFree(source) || !isFree(words)) return false;
      seen.add(source).add(words);
      return true;
    });
  };

  return {
    dayOf,
    planOf,

    /**
     * What comes back to one student of a class, what they may be asked, and when they last met each of it.
     * @throws Refused notFound for whom the class does not have
     */
    readStudent(actor: { readonly id: string; readonly schoolId: string }, classId: string, studentId: string) {
      const settings = repository.read(classId, actor.id, studentId);
      if (!settings.attends) throw new Refused('notFound');
      const named = evidence.readNamed(actor, { classId, timeZone: settings.timeZone });
      const outlines = [...sheets.listOutlinesOf(studentId).values()];
      const askedOn = repository.listAsked(classId, studentId);
      const inLessons = evidence.readEvidence(classId, named, outlines);
      const plan = planOf(named, studentId, inLessons, repository.byTarget(askedOn));
      const answers = named.targets.flatMap(({ key }) => inLessons(studentId, key));
      const met = new Map(answers.map((one) => [`${one.assignmentId} ${one.questionId}`, one.at]));
      const pool = () =>
        listPool(named, settings, { classId, met: (place) => met.has(place), untold: listUntold(outlines) });
      const lastMet = new Map<string, string>();
      const meet = (source: string, day: string) => {
        if (day > (lastMet.get(source) ?? '')) lastMet.set(source, day);
      };
      for (const { assignmentId, question } of named.asked) {
        const at = met.get(`${assignmentId} ${question.id}`);
        if (at !== undefined) meet(sourceOf(question), toLocal(at, named.timeZone).slice(0, 10));
      }
      for (const { source, day } of askedOn) meet(source, day);
      return { named, settings, askedOn, plan, pool, lastMet };
    },

    /** What could be asked in a class, whoever is asked. */
    listClassPool: (classId: string, named: NamedInClass, settings: ClassReviews): PooledQuestion[] =>
      listPool(named, settings, { classId, met: () => true, untold: [] }),
  };
}

/** The round of a day, as far as it goes. */
export function roundOf(askedOn: readonly AskedOn[], day: string): { left: number; isEnded: boolean } | null {
  const own = askedOn.filter((one) => one.day === day);
  if (own.length === 0) return null;
  const left = new Set(own.filter(({ at }) => at === null).map(({ questionId }) => questionId)).size;
  return { left, isEnded: left === 0 };
}
