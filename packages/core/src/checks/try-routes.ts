import type { AttemptEvent, LearnerEventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt, type Leg } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { groupsOf } from '../lesson/groups-of.ts';
import type { Lesson, Rule, RuleCondition } from '../lesson/lesson.ts';
import { correctResponse } from '../marking/correct-response.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { ownContext, ownLesson } from '../own-lesson/own-lesson.ts';
import { pathFigures } from '../path/path-figures.ts';
import { type PathRule, partAfter } from '../path/path-lesson.ts';
import type { Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { takeIn } from '../reducer/take-in.ts';
import { canHandIn, findOpenStop, nextPart, nextUnsettledStop, openChoices } from '../walk/gates.ts';
import { routeOf } from '../walk/route.ts';
import { doneTiles, isBoardDone, isSettled, partStateOf } from '../walk/settled.ts';
import type { WalkContext, WalkPart, WalkStop } from '../walk/walk-lesson.ts';

/** One walk that was tried, by the ways it took. */
export interface TriedRoute {
  /** The parts in the order they were come to. */
  readonly partIds: readonly string[];
  readonly legs: readonly Leg[];
  /** Where it could not go on; null when it came to the end and could be handed in. */
  readonly stuckAt: { readonly partId: string; readonly stopId: string | null } | null;
  readonly earned: number;
}

export interface TriedRoutes {
  readonly routes: readonly TriedRoute[];
  /** Every way was walked; else a set of walks that took each way out of each turn. */
  readonly isComplete: boolean;
}

/** Beyond this many walks, or this much walking, walks are chosen so that each way is taken at least once. */
const maxRoutes = 256;
const maxEventsInAll = 20_000;
/** A walk that goes round and round is stuck. */
const maxEvents = 5_000;

/**
 * Walks every route of a lesson against the real gates and the real reducer: every choice at every fork, and answers
 * on both sides of every rule. What is answered is of no account, only what the rules make of it.
 */
export function tryRoutes(lesson: Lesson): TriedRoutes {
  const tried = [[], ...groupsOf(lesson).map((group) => [group])].map((groups) => tryAs(lesson, groups));
  return { routes: tried.flatMap(({ routes }) => routes), isComplete: tried.every(({ isComplete }) => isComplete) };
}

/** The routes of students of some groups. */
function tryAs(whole: Lesson, groups: readonly string[]): TriedRoutes {
  const lesson = ownLesson(whole, { begunAt: 0, secret: '', groups });
  const cannotAll = (pathFigures(lesson)?.routeCount ?? 0n) > maxRoutes;
  const all = cannotAll ? null : takeAll(lesson, groups);
  return all ? { routes: all, isComplete: true } : { routes: cover(lesson, groups), isComplete: false };
}

/** Every walk there is; null where they are too many, or too long. */
function takeAll(lesson: Lesson, groups: readonly string[]): readonly TriedRoute[] | null {
  const routes: TriedRoute[] = [];
  const taken = new Map<string, number>();
  let choices: readonly number[] | null = [];
  let events = 0;
  while (choices) {
    if (routes.length >= maxRoutes || events > maxEventsInAll) return null;
    const walked = walk(lesson, groups, choices, taken);
    routes.push(walked.route);
    events += walked.eventCount;
    choices = nextChoices(walked.branches);
  }
  return routes;
}

interface Branch {
  readonly at: string;
  readonly taken: number;
  readonly of: number;
}

/** The next in the order of an odometer, the last turn first. */
function nextChoices(branches: readonly Branch[]): number[] | null {
  const last = branches.findLastIndex(({ taken, of }) => taken + 1 < of);
  const turn = branches[last];
  return turn ? [...branches.slice(0, last).map(({ taken }) => taken), turn.taken + 1] : null;
}

/** Walks that take each way out of each turn that is come to, most of them several ways that none has taken. */
function cover(lesson: Lesson, groups: readonly string[]): TriedRoute[] {
  const routes: TriedRoute[] = [];
  const taken = new Map<string, number>();
  /** By turn: the choices that have led to it, and how many ways lead on. */
  const met = new Map<string, { readonly to: readonly number[]; readonly of: number }>();
  let goal: Goal | null = { choices: [], key: '' };
  while (goal) {
    const { route, branches } = walk(lesson, groups, goal.choices, taken, 'minTaken');
    routes.push(route);
    // A walk that could not take it will not take it another time.
    taken.set(goal.key, taken.get(goal.key) ?? 0);
    const ways = branches.map((branch) => branch.taken);
    for (const [index, { at, of }] of branches.entries())
      if (!met.has(at)) met.set(at, { to: ways.slice(0, index), of });
    goal = untaken(met, taken);
  }
  return routes;
}

interface Goal {
  /** What leads to the way, and the way itself. */
  readonly choices: readonly number[];
  readonly key: string;
}

/** A way that no walk has taken; null where all were. */
function untaken(
  met: ReadonlyMap<string, { readonly to: readonly number[]; readonly of: number }>,
  taken: ReadonlyMap<string, number>,
): Goal | null {
  for (const [at, { to, of }] of met)
    for (let way = 0; way < of; way++) {
      const key = `${at}:${way}`;
      if (!taken.has(key)) return { choices: [...to, way], key };
    }
  return null;
}

/**
 * @param choices the way at each turn, in order
 * @param then which way at all that follow
 */
function walk(
  lesson: Lesson,
  groups: readonly string[],
  choices: readonly number[],
  taken: Map<string, number>,
  then: 'first' | 'minTaken' = 'first',
) {
  const branches: Branch[] = [];
  const plan = { share: 1 };
  const base = createContext(lesson, defaultTerms);
  const questions = new Map(
    lesson.parts
      .flatMap(({ stops }) => stops)
      .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []))
      .map((question) => [question.id, question]),
  );
  const shared: WalkContext = {
    ...base,
    mark: (questionId) => Math.round((questions.get(questionId)?.points ?? 0) * plan.share),
  };
  let state: AttemptState = { ...beginAttempt({ begunAt: 0, secret: '' }), groups };
  const context = ownContext(shared, state);
  let n = 0;
  let now = 0;
  const happen = (body: LearnerEventBody): boolean => {
    const event: AttemptEvent = { ...body, id: String(n), sittingId: 'try', n, at: now, receivedAt: now };
    const result = takeIn(shared, state, event);
    if (result.outcome.kind === 'taken') n++;
    state = result.outcome.kind === 'taken' ? result.state : state;
    return result.outcome.kind === 'taken';
  };
  const before = new Map<string, number>();
  const branch = (at: string, of: number): number => {
    const ways = Array.from({ length: of }, (_, way) => way);
    if (branches.some((one) => one.at === at)) {
      // Whoever comes by again tries what they have not tried; so a loop ends where it has a way out.
      const tried = (way: number) => before.get(`${at}:${way}`) ?? 0;
      const again = ways.toSorted((a, b) => tried(a) - tried(b))[0] ?? 0;
      before.set(`${at}:${again}`, tried(again) + 1);
      return again;
    }
    const times = (way: number) => taken.get(`${at}:${way}`) ?? 0;
    const least = () => ways.toSorted((a, b) => times(a) - times(b))[0] ?? 0;
    const way = choices[branches.length] ?? (then === 'first' ? 0 : least());
    before.set(`${at}:${way}`, 1);
    branches.push({ at, taken: way, of });
    taken.set(`${at}:${way}`, times(way) + 1);
    return way;
  };

  /** Decided at the first tile of each board: 0 for all tiles, 1 for no more than it asks for. */
  const planned = new Map<string, number>();
  const boardPlan = (boardId: string): number => {
    const known = planned.get(boardId) ?? branch(boardId, 2);
    planned.set(boardId, known);
    return known;
  };

  let partId = partAfter(lesson, null)?.id ?? null;
  let stuckAt: TriedRoute['stuckAt'] = null;
  for (let count = 0; ; count++) {
    const step = count > maxEvents ? null : nextStep(context, state, partId, questions, branch, boardPlan);
    if (step === 'done') break;
    const isTaken = step?.every(({ body, share, takesMs }) => {
      now += takesMs;
      plan.share = share;
      return happen(body);
    });
    if (!isTaken) {
      stuckAt = { partId: partId ?? '', stopId: findOpenStop(context.lesson, state)?.stop.id ?? null };
      break;
    }
    partId = nextPartId(context, state, partId);
  }
  const legs = routeOf(context.lesson, state).legs;
  const earned = Object.values(state.stops)
    .flatMap(({ answers }) => Object.values(answers))
    .reduce((sum, { points }) => sum + (points ?? 0), 0);
  return { route: { partIds: legs.map((leg) => leg.partId), legs, stuckAt, earned }, branches, eventCount: n };
}

interface Step {
  readonly body: LearnerEventBody;
  /** What is answered earns this much of its points. */
  readonly share: number;
  readonly takesMs: number;
}

/** Where the walk goes on after something happened: where the way has led, or to the next part once one is done. */
function nextPartId(context: WalkContext, state: AttemptState, partId: string | null): string | null {
  const part = context.lesson.parts.find(({ id }) => id === partId);
  const current = state.route?.legs.at(-1);
  if (current && current.untilMs === null) return current.partId;
  return (part && nextPart(context, state, part)?.id) ?? partId;
}

/** What a student would do now; null where there is nothing they can do. */
function nextStep(
  context: WalkContext,
  state: AttemptState,
  partId: string | null,
  questions: ReadonlyMap<string, Question>,
  branch: (at: string, of: number) => number,
  boardPlan: (boardId: string) => number,
): readonly Step[] | 'done' | null {
  if (state.handedInAt !== null) return 'done';
  const plain = (body: LearnerEventBody, takesMs = 0): Step => ({ body, share: 1, takesMs });
  const open = findOpenStop(context.lesson, state)?.stop;
  if (open?.kind === 'fork') {
    const choices = openChoices(context.lesson, state, open.choices);
    const choice = choices.length > 0 ? choices[branch(open.id, choices.length)] : undefined;
    return choice ? [plain({ type: 'chose', stopId: open.id, choiceId: choice.id })] : null;
  }
  if (open?.kind === 'board') return [plain(onBoard(open, state, boardPlan))];
  if (open?.kind === 'pause') return [plain({ type: 'acknowledged', stopId: open.id })];
  if (open) {
    const plans = plansFor(open.rules ?? [], questions);
    const chosen = plans.length > 1 ? branch(open.id, plans.length) : 0;
    const { share, confidence, given } = plans[chosen] as AnswerPlan;
    const responses = Object.fromEntries(
      open.questions.map(({ id }) => [
        id,
        { ...someResponse(questions.get(id), given), confidence } satisfies Response,
      ]),
    );
    const answer: Step = { body: { type: 'answered', stopId: open.id, responses }, share, takesMs: 0 };
    return open.questions.some(({ tries }) => tries) && share < 1
      ? [answer, plain({ type: 'kept', stopId: open.id })]
      : [answer];
  }
  if (canHandIn(context, state)) return [plain({ type: 'handedIn' })];
  const part = context.lesson.parts.find(({ id }) => id === partId);
  return part ? walkOn(part, state, plain) : null;
}

/** At a board: all tiles, or no more than it asks for. */
function onBoard(
  board: Extract<WalkStop, { kind: 'board' }>,
  state: AttemptState,
  plan: (boardId: string) => number,
): LearnerEventBody {
  const stopState = state.stops[board.id];
  const done = doneTiles(stopState);
  const takesAll = plan(board.id) === 0;
  const tile = board.tiles.find(({ id }) => !done.has(id));
  if (!tile || (isBoardDone(board, stopState) && !takesAll)) return { type: 'acknowledged', stopId: board.id };
  const type = tile.to.kind === 'address' ? 'didTile' : 'openedTile';
  return { type, stopId: board.id, tileId: tile.id };
}

function walkOn(part: WalkPart, state: AttemptState, plain: (body: LearnerEventBody, takesMs?: number) => Step) {
  const stop = nextUnsettledStop(part, state);
  const { furthestMs } = partStateOf(state, part);
  const toMs = stop?.atMs ?? part.outMs;
  const met =
    toMs > furthestMs
      ? [plain({ type: 'met', partId: part.id, fromMs: furthestMs, toMs, rate: 1 }, toMs - furthestMs)]
      : [];
  const reach = stop && !isSettled(state, stop.id) ? [plain({ type: 'reachedStop', stopId: stop.id })] : [];
  const steps = [...met, ...reach];
  return steps.length > 0 ? steps : null;
}

interface AnswerPlan {
  readonly share: number;
  readonly confidence: 1 | 2 | 3 | 4;
  readonly given: { readonly questionId: string; readonly response: Response } | null;
}

/** Answers on both sides of every rule. */
function plansFor(rules: readonly PathRule[], questions: ReadonlyMap<string, Question>): readonly AnswerPlan[] {
  const best: AnswerPlan = { share: 1, confidence: 4, given: null };
  const told = rules.filter((rule): rule is Rule => !('hidden' in rule));
  const plans = told.flatMap(({ when }): AnswerPlan[] => {
    if ('questionId' in when)
      return decidingResponses(when, questions.get(when.questionId)).map((response) => ({
        ...best,
        given: { questionId: when.questionId, response },
      }));
    if (when.kind === 'inGroup') return [];
    if (when.kind === 'confidenceAtMost') return [{ ...best, confidence: when.confidence as AnswerPlan['confidence'] }];
    const share = when.percent / 100;
    return [
      { ...best, share },
      { ...best, share: Math.max(0, share - 0.01) },
    ];
  });
  const seen = new Set<string>();
  return [best, ...plans].filter((plan) => {
    const key = JSON.stringify(plan);
    return !seen.has(key) && !!seen.add(key);
  });
}

/** Answers for which a condition on one answer holds, and where it is about a value, those for which it does not. */
function decidingResponses(when: RuleCondition, question: Question | undefined): readonly Response[] {
  if (when.kind === 'picked' && question?.kind === 'inlineChoice') {
    const gap = question.gaps.find(({ options }) => options.some(({ id }) => id === when.optionId));
    return gap ? [{ kind: 'gaps', gaps: { [gap.id]: when.optionId } }] : [];
  }
  if (when.kind === 'picked') return [{ kind: 'choice', optionIds: [when.optionId] }];
  if (question?.kind !== 'slider') return [];
  return [question.min, question.max].map((value) => ({ kind: 'scale', value }));
}

/** Any answer that is taken for one. */
function someResponse(question: Question | undefined, given: AnswerPlan['given']): Response {
  if (question && given?.questionId === question.id) return given.response;
  const right = question ? correctResponse(question) : null;
  if (right) return right;
  switch (question?.kind) {
    case 'poll':
      return { kind: 'choice', optionIds: [question.options[0]?.id ?? ''] };
    case 'slider':
      return { kind: 'scale', value: question.min };
    case 'drawing':
      return {
        kind: 'drawing',
        drawing: { marks: [{ tool: 'line', colour: 'ink', size: 50, from: [0, 0], to: [1, 1] }] },
      };
    case 'upload':
    case 'record':
      return { kind: 'files', files: [{ fileId: 'try', name: 'try', mimeType: 'image/png', byteLength: 1 }] };
    default:
      return { kind: 'extendedText', text: 'tried' };
  }
}
