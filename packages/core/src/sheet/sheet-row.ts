import type { Answer, AttemptState, StopState } from '../attempt/attempt-state.ts';
import { metMs } from '../coverage/coverage.ts';
import type { Hundredths } from '../elements/points.ts';
import { stopsInOrder } from '../lesson/lesson.ts';
import { ownLesson } from '../own-lesson/own-lesson.ts';
import { findOpenStop } from '../walk/gates.ts';
import { progressOf } from '../walk/progress.ts';
import { stopsOnRoute } from '../walk/route.ts';
import { partStateOf } from '../walk/settled.ts';
import type { WalkLesson, WalkStop } from '../walk/walk-lesson.ts';
import { type StopMark, stopMarkOf, stopMarkStates } from './stop-mark.ts';

/** One student's line of the sheet, without the name. */
export interface SheetRow {
  readonly marks: readonly StopMark[];
  readonly progress: number;
  readonly metShare: number;
  readonly timeSpentMs: number;
  readonly begunAt: number;
  readonly lastSeenAt: number;
  readonly handedInAt: number | null;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  /** How long the learner has been at the stop that is open, in time spent; null when none is. */
  readonly atOpenStopMs: number | null;
  /** Film time claimed and not believed, in ms; and what of it was claimed while the tab was hidden. */
  readonly cutMs: number;
  readonly hiddenMs: number;
  /** Answers that came in much later than they were given. */
  readonly lateAnswers: number;
  /** Steps that came in after closing and wait for a teacher to say whether they count. */
  readonly waitingSteps: number;
  /** Answers that were given back and not given again yet. */
  readonly returned: number;
}

/** The stops of a lesson in the order of the sheet's columns. */
export function sheetStops(lesson: WalkLesson): readonly WalkStop[] {
  return lesson.parts.flatMap((part) => stopsInOrder(part.stops));
}

/** What of a row follows from the stops alone. */
interface OfStops {
  readonly shared: WalkLesson;
  /** The learner's own: another one as soon as they are in another group. */
  readonly lesson: WalkLesson;
  readonly marks: readonly StopMark[];
  readonly points: Pick<SheetRow, 'earned' | 'possible'>;
  readonly returned: number;
}

/** What of a row follows from where the learner is and what is settled. */
interface OfPlaces {
  readonly lesson: WalkLesson;
  readonly stops: AttemptState['stops'];
  readonly handedInAt: number | null;
  readonly bestProgress: number | undefined;
  readonly progress: number;
  readonly metShare: number;
  readonly open: StopState | undefined;
}

/**
 * States are never altered, and most events leave stops and places as they are: what follows from them is computed
 * once. In a lesson with more than one way it follows from the route as well, and is computed anew.
 */
const knownOfStops = new WeakMap<AttemptState['stops'], OfStops>();
const knownOfPlaces = new WeakMap<AttemptState['parts'], OfPlaces>();

export function sheetRowOf(shared: WalkLesson, state: AttemptState): SheetRow {
  const { stops, parts, handedInAt, bestProgress } = state;
  const lesson = ownLesson(shared, state);
  const onRoute = stopsOnRoute(lesson, state);
  const known = onRoute ? undefined : knownOfStops.get(stops);
  const ofStops =
    known?.shared === shared && known.lesson === lesson ? known : readStops(shared, lesson, state, onRoute);
  const before = onRoute ? undefined : knownOfPlaces.get(parts);
  const isSame =
    before?.lesson === lesson &&
    before.stops === stops &&
    before.handedInAt === handedInAt &&
    before.bestProgress === bestProgress;
  const ofPlaces = isSame ? before : readPlaces(lesson, state, onRoute);
  if (!onRoute) {
    knownOfStops.set(stops, ofStops);
    knownOfPlaces.set(parts, ofPlaces);
  }
  const { open } = ofPlaces;
  return {
    marks: ofStops.marks,
    progress: ofPlaces.progress,
    metShare: ofPlaces.metShare,
    timeSpentMs: state.timeSpentMs,
    begunAt: state.begunAt,
    lastSeenAt: state.lastSeenAt,
    handedInAt,
    ...ofStops.points,
    atOpenStopMs: open ? state.timeSpentMs - open.openedAtSpentMs : null,
    cutMs: state.discrepancies.cutMs,
    hiddenMs: state.discrepancies.hiddenMs,
    lateAnswers: state.discrepancies.lateAnswers,
    waitingSteps: state.afterClosing?.events ?? 0,
    returned: ofStops.returned,
  };
}

type OnRoute = ReturnType<typeof stopsOnRoute>;

function readStops(shared: WalkLesson, lesson: WalkLesson, state: AttemptState, onRoute: OnRoute): OfStops {
  const ownStops = new Map(lesson.parts.flatMap(({ stops }) => stops.map((stop) => [stop.id, stop] as const)));
  // The columns of all students are the same, whatever each of them is given.
  const marks = shared.parts.flatMap(({ stops, practice }) =>
    stopsInOrder(stops).map(({ id }): StopMark => {
      const stop = ownStops.get(id);
      if (!stop) return { state: 'ahead', earned: 0, possible: 0, ...(practice ? { practice } : {}) };
      const mark = stopMarkOf(stop, state.stops[stop.id]);
      // What lies on another way is nothing to earn.
      const isOff = onRoute?.has(stop.id) === false && mark.state === 'ahead';
      return { ...mark, ...(isOff ? { possible: 0 } : {}), ...(practice ? { practice } : {}) };
    }),
  );
  return { shared, lesson, marks, points: countedPoints(marks), returned: returnedAnswers(state).length };
}

function readPlaces(lesson: WalkLesson, state: AttemptState, onRoute: OnRoute): OfPlaces {
  const { stops, handedInAt, bestProgress } = state;
  const walked = lesson.parts.filter(({ id }) => !onRoute || state.route?.legs.some(({ partId }) => partId === id));
  const lengthMs = walked.reduce((sum, part) => sum + part.outMs - part.inMs, 0);
  const playedMs = walked.reduce(
    (sum, part) => sum + metMs(partStateOf(state, part).coverage, { fromMs: part.inMs, toMs: part.outMs }),
    0,
  );
  const open = findOpenStop(lesson, state);
  return {
    ...{ lesson, stops, handedInAt, bestProgress },
    progress: progressOf(lesson, state),
    metShare: lengthMs > 0 ? playedMs / lengthMs : 0,
    open: open && stops[open.stop.id],
  };
}

/** Answers that came back to be worked on again. */
export function returnedAnswers({ stops }: AttemptState): readonly Answer[] {
  return Object.values(stops).flatMap(({ answers }) => Object.values(answers).filter(({ returned }) => returned));
}

/** What was earned and could be, without what is practice. */
export function countedPoints(marks: readonly StopMark[]): {
  readonly earned: Hundredths;
  readonly possible: Hundredths;
} {
  let earned = 0;
  let possible = 0;
  for (const mark of marks) {
    if (mark.practice) continue;
    earned += mark.earned;
    possible += mark.possible;
  }
  return { earned, possible };
}

/**
 * A row of an attempt at one edition under the columns of another: marks go by the stop, and a stop that the attempt's
 * edition does not have is ahead, with nothing to earn. Marks without a column stand behind all others, so that they
 * are counted.
 * @param stopIds of the attempt's edition, in the order of its marks
 * @param columns ids of the stops that head the columns
 */
export function alignSheetRow(row: SheetRow, stopIds: readonly string[], columns: readonly string[]): SheetRow {
  const left = new Map(row.marks.map((mark, index) => [stopIds[index] ?? '', mark]));
  const marks = columns.map((id): StopMark => {
    const mark = left.get(id);
    left.delete(id);
    return mark ?? { state: 'ahead', earned: 0, possible: 0 };
  });
  return { ...row, marks: [...marks, ...left.values()] };
}

type StoredNumbers = readonly [
  ...[progress: number, metShare: number, timeSpentMs: number, begunAt: number, lastSeenAt: number],
  ...[handedInAt: number | null, atOpenStopMs: number | null, cutMs: number],
  ...[hiddenMs: number, lateAnswers: number, waitingSteps: number, returned: number],
];

type StoredRow = readonly [numbers: StoredNumbers, kinds: readonly number[], marks: string];

/** The character that stands for the first kind of mark; the next for the second, and so on. */
const firstKindCode = '#'.charCodeAt(0);

/** Added to the number of a state where the stop is practice. */
const practiceOffset = 16;

/**
 * Writes a row as a short line of JSON, so that a sheet of a whole year is read without touching the full states.
 * Most marks of a row are alike, so each kind of mark is written once (state index, earned, possible), and the marks
 * are a string with one character a stop.
 */
export function encodeSheetRow(row: SheetRow): string {
  const { kinds, marks } = encodeMarks(row.marks);
  const stored: StoredRow = [
    [
      row.progress,
      row.metShare,
      row.timeSpentMs,
      row.begunAt,
      row.lastSeenAt,
      row.handedInAt,
      row.atOpenStopMs,
      row.cutMs,
      row.hiddenMs,
      row.lateAnswers,
      row.waitingSteps,
      row.returned,
    ],
    kinds,
    marks,
  ];
  return JSON.stringify(stored);
}

interface EncodedMarks {
  readonly kinds: readonly number[];
  readonly marks: string;
}

/** Rows that follow from the same stops hold the same marks. */
const knownMarks = new WeakMap<readonly StopMark[], EncodedMarks>();

function encodeMarks(all: readonly StopMark[]): EncodedMarks {
  const known = knownMarks.get(all);
  if (known) return known;
  const numbers = new Map<string, number>();
  const kinds: number[] = [];
  let marks = '';
  for (const { state, earned, possible, practice } of all) {
    const kind = [stopMarkStates.indexOf(state) + (practice ? practiceOffset : 0), earned, possible];
    const before = numbers.get(kind.join());
    if (before === undefined) kinds.push(...kind);
    const index = before ?? numbers.size;
    numbers.set(kind.join(), index);
    marks += String.fromCharCode(firstKindCode + index);
  }
  const encoded = { kinds, marks };
  knownMarks.set(all, encoded);
  return encoded;
}

/** Rows that this reducer and later ones wrote are written as today's, and can be read until they are computed anew. */
export const rowsReadableSince = 2;

/** Reads what `encodeSheetRow` wrote. */
export function decodeSheetRow(stored: string): SheetRow {
  const [numbers, flat, codes] = JSON.parse(stored) as StoredRow;
  const [progress, metShare, timeSpentMs, begunAt, lastSeenAt, handedInAt, atOpenStopMs, cutMs] = numbers;
  const [hiddenMs, lateAnswers, waitingSteps, returned] = numbers.slice(8) as [number, number, number, number];
  const kinds: StopMark[] = [];
  for (let i = 0; i < flat.length; i += 3) {
    const code = flat[i] as number;
    const practice = code >= practiceOffset;
    const state = stopMarkStates[practice ? code - practiceOffset : code] ?? 'ahead';
    const points = { earned: flat[i + 1] as number, possible: flat[i + 2] as number };
    kinds.push(practice ? { state, ...points, practice } : { state, ...points });
  }
  const marks: StopMark[] = new Array(codes.length);
  for (let i = 0; i < codes.length; i++) marks[i] = kinds[codes.charCodeAt(i) - firstKindCode] as StopMark;
  return {
    marks,
    progress,
    metShare,
    timeSpentMs,
    begunAt,
    lastSeenAt,
    handedInAt,
    ...countedPoints(marks),
    atOpenStopMs,
    ...{ cutMs, hiddenMs, lateAnswers, waitingSteps, returned },
  };
}
