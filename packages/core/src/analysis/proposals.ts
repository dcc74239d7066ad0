import { groupBy } from '../elements/group-by.ts';
import type { ItemResult } from './item-figures.ts';
import { medianOf } from './median.ts';

/** One student's result, with what says how it came about. */
export interface SeenResult extends ItemResult {
  readonly picked: readonly string[];
  /** How sure they said they were, 1 to 4; null where they were not asked. */
  readonly confidence: number | null;
  /** Time at the stop, all its questions together, in ms; null until it is settled. */
  readonly stopSpentMs: number | null;
  readonly stopId: string;
}

/** One wrong thing that was taken for right. */
export interface Mistake {
  readonly questionId: string;
  readonly pick: string;
}

/** Students who may need the same thing next, and why. It is proposed, and done by nobody but a teacher. */
export type Proposal = { readonly studentIds: readonly string[] } & (
  | { readonly kind: 'sameMistake'; readonly mistakes: readonly Mistake[] }
  /** Said they were sure, and were wrong. */
  | { readonly kind: 'sureAndWrong'; readonly questionId: string }
  /** Earned little in many questions. */
  | { readonly kind: 'needsHelp'; readonly belowShare: number }
  /** Answered much faster than the others, and mostly wrong. */
  | { readonly kind: 'raced' }
);

/** A mistake is a group's from so many on. Common practice, no source. */
const fewestAlike = 3;
/** Mistakes that are looked at in pairs: the most frequent. */
const maxPaired = 60;
/** Two mistakes go together when so many times as many made both as would by chance. Common practice, no source. */
const leastLift = 1.3;
/** Help is needed below this share of the points, over so many questions at least. Common practice, no source. */
const helpBelow = 0.4;
const fewestAnswered = 3;
/** Racing is to be done at so many stops in a third of the usual time, with less than half of the points. No source. */
const fewestRaced = 3;
const racedShare = 1 / 3;

/**
 * Groups that the answers to a lesson propose, the most telling first.
 * @param results of the first tries, one of each student and question that is marked
 * @param isWrong whether a pick is wrong by the key
 * @param max how many at most
 */
export function proposeGroups(
  results: readonly SeenResult[],
  isWrong: (mistake: Mistake) => boolean,
  max = 6,
): readonly Proposal[] {
  const mistakes = mistakesIn(results, isWrong);
  const pairs = joined(together(mistakes, results));
  // Whoever is in a pair is told of by the pair: its two halves are proposed by themselves only where most of theirs are others.
  const halves = mistakes.filter(
    ({ mistake, studentIds }) =>
      !pairs.some(
        (pair) => pair.mistakes.some((one) => isSame(one, mistake)) && pair.studentIds.length >= 0.5 * studentIds.size,
      ),
  );
  const single = halves.map(
    ({ mistake, studentIds }): Proposal => ({ kind: 'sameMistake', mistakes: [mistake], studentIds: [...studentIds] }),
  );
  const byMistake = [...pairs, ...single].toSorted((a, b) => weightOf(b) - weightOf(a));
  const others = [...needsHelp(results), ...raced(results), ...sureAndWrong(results)];
  return [...byMistake.slice(0, Math.max(0, max - others.length)), ...others].slice(0, max);
}

/** Two mistakes that go together say more than one. */
const weightOf = (proposal: Proposal): number =>
  proposal.studentIds.length * (proposal.kind === 'sameMistake' && proposal.mistakes.length > 1 ? 2 : 1);

const isSame = (a: Mistake, b: Mistake): boolean => a.questionId === b.questionId && a.pick === b.pick;

interface Made {
  readonly mistake: Mistake;
  readonly studentIds: ReadonlySet<string>;
}

function mistakesIn(results: readonly SeenResult[], isWrong: (mistake: Mistake) => boolean): readonly Made[] {
  const made = new Map<string, { mistake: Mistake; studentIds: Set<string> }>();
  for (const { questionId, studentId, picked, share } of results) {
    if (share >= 1) continue;
    for (const pick of picked) {
      const key = `${questionId} ${pick}`;
      const one = made.get(key) ?? { mistake: { questionId, pick }, studentIds: new Set<string>() };
      one.studentIds.add(studentId);
      made.set(key, one);
    }
  }
  return [...made.values()]
    .filter(({ mistake, studentIds }) => studentIds.size >= fewestAlike && isWrong(mistake))
    .toSorted((a, b) => b.studentIds.size - a.studentIds.size);
}

type SameMistake = Proposal & { readonly kind: 'sameMistake' };

function together(mistakes: readonly Made[], results: readonly SeenResult[]): readonly SameMistake[] {
  const answered = new Map(
    [...groupBy(results, ({ questionId }) => questionId)].map(([id, own]) => [
      id,
      new Set(own.map(({ studentId }) => studentId)),
    ]),
  );
  const often = mistakes.slice(0, maxPaired);
  return often.flatMap((one, index) =>
    often.slice(index + 1).flatMap((other): SameMistake[] => {
      if (one.mistake.questionId === other.mistake.questionId) return [];
      const studentIds = [...one.studentIds].filter((id) => other.studentIds.has(id));
      if (studentIds.length < fewestAlike) return [];
      const both = answered.get(other.mistake.questionId);
      const all = [...(answered.get(one.mistake.questionId) ?? [])].filter((id) => both?.has(id)).length;
      const expected = (one.studentIds.size * other.studentIds.size) / Math.max(1, all);
      if (studentIds.length < leastLift * expected) return [];
      return [{ kind: 'sameMistake', mistakes: [one.mistake, other.mistake], studentIds }];
    }),
  );
}

/** Pairs that the very same students made are one proposal. */
function joined(pairs: readonly SameMistake[]): readonly SameMistake[] {
  return [...groupBy(pairs, ({ studentIds }) => studentIds.toSorted().join(' ')).values()].map((same) => {
    const [first] = same as [SameMistake];
    const mistakes = same.flatMap((pair) => pair.mistakes);
    const isFirst = (mistake: Mistake, index: number) => mistakes.findIndex((one) => isSame(one, mistake)) === index;
    return { ...first, mistakes: mistakes.filter(isFirst) };
  });
}

function needsHelp(results: readonly SeenResult[]): readonly Proposal[] {
  const studentIds = [...groupBy(results, ({ studentId }) => studentId)].flatMap(([id, own]) => {
    const share = own.reduce((sum, result) => sum + result.share, 0) / own.length;
    return own.length >= fewestAnswered && share < helpBelow ? [id] : [];
  });
  return studentIds.length === 0 ? [] : [{ kind: 'needsHelp', belowShare: helpBelow, studentIds }];
}

function raced(results: readonly SeenResult[]): readonly Proposal[] {
  const found = new Map<
    string,
    { stopId: string; studentId: string; spentMs: number | null; sum: number; count: number }
  >();
  for (const { stopId, studentId, stopSpentMs, share } of results) {
    const key = `${stopId} ${studentId}`;
    const one = found.get(key);
    if (one) {
      one.sum += share;
      one.count++;
    } else found.set(key, { stopId, studentId, spentMs: stopSpentMs, sum: share, count: 1 });
  }
  const atStops = [...found.values()].flatMap(({ stopId, studentId, spentMs, sum, count }) =>
    spentMs === null ? [] : [{ stopId, studentId, stopSpentMs: spentMs, share: sum / count }],
  );
  const usual = new Map(
    [...groupBy(atStops, ({ stopId }) => stopId)].map(([id, own]) => [
      id,
      own.length < 5 ? 0 : medianOf(own.map(({ stopSpentMs }) => stopSpentMs)),
    ]),
  );
  const studentIds = [...groupBy(atStops, ({ studentId }) => studentId)].flatMap(([id, own]) => {
    const fast = own.filter(({ stopId, stopSpentMs }) => stopSpentMs < racedShare * (usual.get(stopId) ?? 0));
    const share = fast.reduce((sum, one) => sum + one.share, 0) / Math.max(1, fast.length);
    return fast.length >= fewestRaced && share < 0.5 ? [id] : [];
  });
  return studentIds.length === 0 ? [] : [{ kind: 'raced', studentIds }];
}

function sureAndWrong(results: readonly SeenResult[]): readonly Proposal[] {
  const wrong = results.filter(({ confidence, share }) => confidence !== null && confidence >= 3 && share < 1);
  return [...groupBy(wrong, ({ questionId }) => questionId)].flatMap(([questionId, own]): Proposal[] =>
    own.length < fewestAlike ? [] : [{ kind: 'sureAndWrong', questionId, studentIds: own.map((one) => one.studentId) }],
  );
}
