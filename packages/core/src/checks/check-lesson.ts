import { type Board, isNeedPossible } from '../lesson/board.ts';
import { type Fork, hasMaterial, type Lesson, type Part, type Stop, stopsInOrder } from '../lesson/lesson.ts';
import { materialsOf } from '../lesson/materials-of.ts';
import { isWithinFilm } from '../lesson/within-film.ts';
import { checkPath } from './check-path.ts';
import type { PathFaultCode } from './path-fault.ts';
import { type QuestionFaultCode, questionFaults } from './question-faults.ts';
import { checkRules } from './rule-answers.ts';

export type FaultCode =
  | 'titleMissing'
  | 'partsMissing'
  | 'materialMissing'
  | 'windowBeyondEnd'
  | 'stopOutsideWindow'
  | 'questionsMissing'
  | 'noteMissing'
  | 'recordingMissing'
  | 'taskEmpty'
  | 'pickTooMany'
  | 'choicesTooFew'
  | 'choiceWordsMissing'
  | 'tilesMissing'
  | 'tileTitleMissing'
  | 'tileAddressUnusable'
  | 'boardImpossible'
  /** Walking every route found one that does not come to the end. */
  | 'routeStuck'
  /** Another lesson that is shown has no such edition. */
  | 'lessonMissing'
  /** A lesson that is shown shows this one. */
  | 'lessonLoop'
  | PathFaultCode
  | QuestionFaultCode;

/** Something that keeps an edition from being made, and the place that would mend it. */
export interface Fault {
  readonly code: FaultCode;
  readonly partId?: string;
  readonly stopId?: string;
  readonly questionId?: string;
}

/** Lengths by material id, in milliseconds of the axis of its parts, as the server read them from the files; 0 of pictures. */
export type MaterialLengths = ReadonlyMap<string, number>;

/**
 * Names everything that is missing before an edition can be made, in the order a reader of the desk meets it.
 * @param lesson any draft, with other lessons that it shows in their places
 * @param lengths length of every material the lesson may use
 * @returns no faults when an edition can be made
 */
export function checkLesson(lesson: Lesson, lengths: MaterialLengths): readonly Fault[] {
  const faults: Fault[] = [];
  if (lesson.title.trim() === '') faults.push({ code: 'titleMissing' });
  if (lesson.parts.length === 0) faults.push({ code: 'partsMissing' });
  for (const part of lesson.parts) faults.push(...checkPart(part, lengths));
  const ofParts = new Set(lesson.parts.filter(hasMaterial).map((part) => part.materialId));
  if (materialsOf(lesson).some((id) => !lengths.has(id) && !ofParts.has(id))) faults.push({ code: 'recordingMissing' });
  faults.push(...checkPath(lesson), ...checkRules(lesson));
  return faults;
}

function checkPart(part: Part, lengths: MaterialLengths): Fault[] {
  const faults: Fault[] = [];
  if (hasMaterial(part)) {
    const lengthMs = lengths.get(part.materialId);
    if (lengthMs === undefined) faults.push({ code: 'materialMissing', partId: part.id });
    else if (!isWithinFilm(part.outMs, lengthMs)) faults.push({ code: 'windowBeyondEnd', partId: part.id });
  } else if (part.kind === 'lesson') faults.push({ code: 'lessonMissing', partId: part.id });
  else if (part.stops.length === 0) faults.push({ code: 'taskEmpty', partId: part.id });
  for (const stop of stopsInOrder(part.stops)) {
    const place = { partId: part.id, stopId: stop.id };
    if (stop.atMs < part.inMs || stop.atMs > part.outMs) faults.push({ code: 'stopOutsideWindow', ...place });
    faults.push(...checkStop(stop).map((fault) => ({ ...place, ...fault })));
  }
  return faults;
}

function checkFork({ prompt, choices }: Fork): LocalFault[] {
  if (choices.length < 2) return [{ code: 'choicesTooFew' }];
  const isMute = choices.some(({ words }) => words.trim() === '') || prompt.trim() === '';
  return isMute ? [{ code: 'choiceWordsMissing' }] : [];
}

function checkBoard(board: Board): LocalFault[] {
  if (board.tiles.length === 0) return [{ code: 'tilesMissing' }];
  const faults: LocalFault[] = [];
  if (board.tiles.some(({ title }) => title.trim() === '')) faults.push({ code: 'tileTitleMissing' });
  if (!isNeedPossible(board)) faults.push({ code: 'boardImpossible' });
  if (board.tiles.some(({ to }) => to.kind === 'address' && !isWebAddress(to.url)))
    faults.push({ code: 'tileAddressUnusable' });
  return faults;
}

/** Whether an address can be opened from a page: over the web, and of a place. */
const isWebAddress = (address: string): boolean => /^https?:\/\/[^\s/?#]\S*$/i.test(address);

type LocalFault = Omit<Fault, 'partId' | 'stopId'>;

function checkStop(stop: Stop): LocalFault[] {
  if (stop.kind === 'pause') return stop.note.trim() === '' && !stop.voice ? [{ code: 'noteMissing' }] : [];
  if (stop.kind === 'fork') return checkFork(stop);
  if (stop.kind === 'board') return checkBoard(stop);
  if (stop.questions.length === 0) return [{ code: 'questionsMissing' }];
  const tooMany: LocalFault[] =
    stop.pick !== undefined && stop.pick > stop.questions.length ? [{ code: 'pickTooMany' }] : [];
  const ofQuestions = stop.questions.flatMap((question) =>
    questionFaults(question).map((code): LocalFault => ({ code, questionId: question.id })),
  );
  return [...tooMany, ...ofQuestions];
}
