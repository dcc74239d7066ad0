import { type AttemptState, type Leg, type RouteState, withStop } from '../attempt/attempt-state.ts';
import type { Rule, Target } from '../lesson/lesson.ts';
import type { Via } from '../path/path-graph.ts';
import {
  arriveAt,
  isStraight,
  isTurn,
  orderedStops,
  type PathRule,
  type PathTile,
  within,
} from '../path/path-lesson.ts';
import { legAt, routeOf } from './route.ts';
import { holds } from './rule-holds.ts';
import { isFinishedFrom, isSettled, partStateOf } from './settled.ts';
import type { WalkContext, WalkLesson, WalkPart, WalkStop } from './walk-lesson.ts';

/** Asides that lead into each other are found before an edition is made; this only keeps a mistake from hanging. */
const maxSteps = 1_000;

/**
 * Takes a student on as far as their answers and choices decide: past a turn that leads onwards, into the part that a
 * choice or a rule leads to, and from the end of a part to what comes next. Where it is not decided yet, or cannot be
 * decided here because the rules are not told, the way ends for now.
 */
export function advance(context: WalkContext, state: AttemptState): AttemptState {
  if (isStraight(context.lesson)) return state;
  let current: AttemptState = { ...state, route: routeOf(context.lesson, state) };
  for (let step = 0; step < maxSteps; step++) {
    const next = advanceOnce(context, current, current.route as RouteState);
    if (!next) break;
    current = next;
  }
  return current;
}

function advanceOnce({ lesson }: WalkContext, state: AttemptState, route: RouteState): AttemptState | null {
  const leg = route.legs.at(-1);
  const part = lesson.parts.find(({ id }) => id === leg?.partId);
  if (!leg || !part || route.isAtEnd) return null;
  const stops = orderedStops(part);
  const turnIndex = stops.findIndex((stop, index) => index >= leg.atStop && isTurn(stop));
  const turn = stops[turnIndex];
  const isPartEnd = turn === undefined;
  if (isPartEnd ? !isFinishedFrom(part, leg.atStop, state) : !isSettled(state, turn.id)) return null;
  const decided = isPartEnd ? decideEnd(lesson, part, state, route) : decideTurn(turn, state, route);
  if (!decided) return null;
  const ruled = decided.of === null ? route.ruled : [...route.ruled, decided.of];
  const fromMs = isPartEnd ? part.outMs : within(part, turn.atMs);
  const from = { partId: part.id, stopIndex: isPartEnd ? stops.length : turnIndex + 1, fromMs };
  if (!isPartEnd && decided.to.kind === 'onward')
    return withRoute(state, {
      ...route,
      ruled,
      legs: route.legs.with(-1, { ...leg, atStop: from.stopIndex, atMs: fromMs }),
    });
  const left = { ...leg, atStop: from.stopIndex, atMs: fromMs, untilMs: fromMs };
  const tileDone = decided.to.kind === 'back' ? tileThatLedTo(lesson, route, leg) : null;
  const legs = route.legs.with(-1, left);
  const arrival = arriveAt(lesson, decided.to, from, leg.returns, isPartEnd);
  // An edition has no way that leads to nothing; a rehearsal of a draft may.
  if (arrival === 'end' || arrival === 'missing')
    return withRoute(state, { ...route, ruled, legs, isAtEnd: true, endVia: decided.via });
  const next = legAt(arrival.place, decided.via, arrival.returns);
  const isMoved = isTurnedInto(decided.via) || decided.to.kind === 'back';
  const after = tileDone ? withTile(state, tileDone.stopId, tileDone.tileId, 'done') : state;
  return arrive(lesson, withRoute(after, { ...route, ruled, legs: [...legs, next] }), next, isMoved);
}

/** The tile by which one came to a leg that leads back to a board; null where it leads back elsewhere. */
function tileThatLedTo(lesson: WalkLesson, { legs }: RouteState, leg: Leg): Extract<Via, { kind: 'tile' }> | null {
  const place = leg.returns.at(-1);
  const part = lesson.parts.find(({ id }) => id === place?.partId);
  const board = part && place ? orderedStops(part)[place.stopIndex] : undefined;
  const into = legs.findLast(({ via }) => via.kind === 'tile' && via.stopId === board?.id);
  return into?.via.kind === 'tile' ? into.via : null;
}

/** Whether a way leads into an aside, rather than on in one. */
const isTurnedInto = ({ kind }: Leg['via']) => kind === 'choice' || kind === 'rule' || kind === 'tile';

/**
 * Goes from an open board to the part of a tile; the board waits.
 * @returns null where nothing stands there
 */
export function turnIntoTile(
  lesson: WalkLesson,
  state: AttemptState,
  stopId: string,
  tile: PathTile,
): AttemptState | null {
  const route = routeOf(lesson, state);
  const leg = route.legs.at(-1);
  const part = lesson.parts.find(({ id }) => id === leg?.partId);
  if (tile.to.kind !== 'part' || !leg || !part) return null;
  const stopIndex = orderedStops(part).findIndex(({ id }) => id === stopId);
  const fromMs = within(part, orderedStops(part)[stopIndex]?.atMs ?? part.inMs);
  const arrival = arriveAt(lesson, tile.to, { partId: part.id, stopIndex, fromMs }, leg.returns, false);
  if (arrival === 'end' || arrival === 'missing') return null;
  const next = legAt(arrival.place, { kind: 'tile', stopId, tileId: tile.id }, arrival.returns);
  const legs = [...route.legs.with(-1, { ...leg, atStop: stopIndex, atMs: fromMs, untilMs: fromMs }), next];
  const opened = withTile(state, stopId, tile.id, 'opened');
  return arrive(lesson, withRoute(opened, { ...route, legs }), next, true);
}

/** The state with a tile of a board opened or done; what is done stays done. */
export function withTile(state: AttemptState, stopId: string, tileId: string, as: 'opened' | 'done'): AttemptState {
  const stop = state.stops[stopId];
  if (!stop || stop.tiles?.[tileId] === 'done') return state;
  return withStop(state, stopId, { ...stop, tiles: { ...stop.tiles, [tileId]: as } });
}

const withRoute = (state: AttemptState, route: RouteState): AttemptState => ({ ...state, route });

/** Puts the student where a leg begins; forks that lie ahead of it again are asked again. */
function arrive(lesson: WalkLesson, state: AttemptState, leg: Leg, isMoved: boolean): AttemptState {
  const part = lesson.parts.find(({ id }) => id === leg.partId) as WalkPart;
  const stops = orderedStops(part);
  const again = stops.filter(({ kind, id }, index) => index >= leg.fromStop && kind === 'fork' && isSettled(state, id));
  const before = partStateOf(state, part);
  const { fromMs } = leg;
  const after = {
    ...before,
    furthestMs: Math.max(before.furthestMs, fromMs),
    ...(isMoved ? { positionMs: fromMs } : {}),
  };
  return {
    ...state,
    ...(again.length > 0 ? { stops: without(state.stops, again) } : {}),
    ...(isMoved ? { currentPartId: part.id } : {}),
    parts: { ...state.parts, [part.id]: after },
  };
}

function without(stops: AttemptState['stops'], gone: readonly { readonly id: string }[]): AttemptState['stops'] {
  const ids = new Set(gone.map(({ id }) => id));
  return Object.fromEntries(Object.entries(stops).filter(([id]) => !ids.has(id)));
}

interface Decided {
  readonly to: Target;
  readonly via: Via;
  /** Whose rules have decided, so that they do not once more. */
  readonly of: string | null;
}

function decideTurn(stop: WalkStop, state: AttemptState, route: RouteState): Decided | null {
  if (stop.kind === 'fork') {
    const choiceId = state.stops[stop.id]?.choiceId ?? '';
    const choice = stop.choices.find(({ id }) => id === choiceId);
    return { to: choice?.to ?? { kind: 'onward' }, via: { kind: 'choice', stopId: stop.id, choiceId }, of: null };
  }
  const rules = stop.kind === 'checkpoint' ? (stop.rules ?? []) : [];
  return byRules(stop.id, rules, [stop], state, route, { to: { kind: 'onward' }, via: { kind: 'order' } });
}

function decideEnd(lesson: WalkLesson, part: WalkPart, state: AttemptState, route: RouteState): Decided | null {
  const via: Via = part.next ? { kind: 'next', partId: part.id } : { kind: 'order' };
  const usual = { to: part.next ?? ({ kind: 'onward' } as const), via };
  return byRules(part.id, part.rules ?? [], part.stops, state, route, usual, lesson);
}

/** The first rule that holds; the usual way where none does, or where they have led somewhere before. Null where they are not told. */
function byRules(
  of: string,
  rules: readonly PathRule[],
  stops: readonly WalkStop[],
  state: AttemptState,
  { ruled }: RouteState,
  usual: Omit<Decided, 'of'>,
  lesson?: WalkLesson,
): Decided | null {
  if (rules.length === 0) return { ...usual, of: null };
  if (ruled.includes(of)) return { ...usual, of: null };
  if (rules.some((rule) => 'hidden' in rule)) return null;
  /** Of a part that was cut, the questions of all its pieces. */
  const stopsFor = ({ when }: Rule) => {
    const pieces = 'of' in when ? lesson?.parts.filter(({ id }) => when.of?.includes(id)) : undefined;
    return pieces && pieces.length > 0 ? pieces.flatMap((piece) => piece.stops) : stops;
  };
  const rule = (rules as readonly Rule[]).find((one) => holds(one.when, stopsFor(one), state));
  return rule ? { to: rule.to, via: { kind: 'rule', of, ruleId: rule.id }, of } : { ...usual, of };
}

/**
 * Goes back to a fork that was chosen at and is on the way, to choose anew: what was walked since stays done, and is on
 * the way no longer.
 * @returns null when the fork is not on the way
 */
export function turnBackTo(lesson: WalkLesson, state: AttemptState, forkId: string): AttemptState | null {
  const route = routeOf(lesson, state);
  const part = lesson.parts.find(({ stops }) => stops.some(({ id }) => id === forkId));
  const index = part ? orderedStops(part).findIndex(({ id }) => id === forkId) : -1;
  const place = route.legs.findLastIndex(
    ({ partId, fromStop, atStop }) => partId === part?.id && fromStop <= index && atStop > index,
  );
  const leg = route.legs[place];
  if (!leg || !part) return null;
  const atMs = within(part, orderedStops(part)[index]?.atMs ?? part.outMs);
  const again = { ...leg, atStop: index, atMs, untilMs: null };
  const turnedBack = [...(route.turnedBack ?? []), forkId];
  return withRoute(state, {
    ...route,
    turnedBack,
    isAtEnd: false,
    endVia: undefined,
    legs: [...route.legs.slice(0, place), again],
  });
}
