import { isOpinion, isTeacherMarked, type Question } from '../question/question.ts';

/** A question that could be asked again. */
export interface PooledQuestion {
  /** Says the question wherever it is met: in the bank, or in lessons that took it from there. */
  readonly source: string;
  readonly question: Question;
  /** Keys of the targets that it names. */
  readonly targets: readonly string[];
}

/** A target whose day has come. */
export interface DueTarget {
  readonly key: string;
  readonly dueDay: string;
  /** How far it is met, 0 to 1; null where there are too few answers to say. */
  readonly share: number | null;
}

/** Whether a program can mark it on the spot, so that what is asked again is answered at once. */
export const canComeBack = (question: Question): boolean =>
  !isTeacherMarked(question.kind) && !isOpinion(question) && question.points > 0;

/** More of one target at one go is practice, not review. Our own choice. */
const maxOfTarget = 2;

/**
 * What a student is asked today: of each target that is due one question, the longest due first, then a second of
 * each as far as there is room; of several questions the one they have not met for the longest time.
 * @param lastMet by the source of a question: the day this student last met it, `2026-12-03`
 * @param max of questions, at least 1
 */
export function chooseReview(
  due: readonly DueTarget[],
  pool: readonly PooledQuestion[],
  lastMet: ReadonlyMap<string, string>,
  max: number,
): PooledQuestion[] {
  const order = due.toSorted(
    (a, b) => compare(a.dueDay, b.dueDay) || (a.share ?? 0) - (b.share ?? 0) || compare(a.key, b.key),
  );
  const chosen = new Map<string, PooledQuestion>();
  const counts = new Map<string, number>();
  for (let time = 1; time <= maxOfTarget; time++)
    for (const { key } of order) {
      // A question may have stood for several targets.
      if (chosen.size >= max || (counts.get(key) ?? 0) >= time) continue;
      const [next] = pool
        .filter(({ source, targets }) => targets.includes(key) && !chosen.has(source))
        .toSorted((a, b) => compare(lastMet.get(a.source) ?? '', lastMet.get(b.source) ?? ''));
      if (!next) continue;
      chosen.set(next.source, next);
      for (const target of next.targets) counts.set(target, (counts.get(target) ?? 0) + 1);
    }
  return [...chosen.values()];
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
