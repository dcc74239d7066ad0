import type { AttemptState, LearnerEventBody, Terms } from '@semita/core/attempt';
import type { SentEvent } from '@semita/core/contract';
import { type Checkpoint, hasLength, isNeedMet, type Lesson, type Stop } from '@semita/core/lesson';
import { correctResponse, markResponse } from '@semita/core/marking';
import { createContext } from '@semita/core/own-lesson';
import type { Question, Response } from '@semita/core/question';
import { takeIn } from '@semita/core/reducer';
import { findOpenStop, isAtEnd, nextPartOf, nextUnsettledStop, partStateOf, type WalkPart } from '@semita/core/walk';
import { v7 } from 'uuid';
import { writtenAnswers } from './bridge-lesson.ts';
import type { Random } from './seeded-random.ts';
import { goodDrawing, respondWrongly } from './wrong-response.ts';

/** How a student goes about it. */
export interface Manner {
  /** When the walk begins, epoch ms. */
  readonly startAt: number;
  /** Chance of a right answer. */
  readonly skill: number;
  readonly rate: number;
  /** Chance of playing the last stretch before a stop once more. */
  readonly rewatches: number;
  /** Stops after which the student leaves; all of them when more than there are. */
  readonly leavesAfterStops: number;
  /** Stays at the stop at which they leave, writing and deleting, for this long. */
  readonly ponders?: number;
  readonly handsIn: boolean;
  /** What they give whatever chance would have them give, by the question. */
  readonly takes?: Readonly<Record<string, Response>>;
  /** Before they answer there, they hear the film again from here on. */
  readonly goesBack?: { readonly stopId: string; readonly toMs: number };
  /** The share of the usual time they take over everything but the film. */
  readonly hurry?: number;
}

/** Events that a browser would send together, and when the server gets them. */
export interface Batch {
  readonly receivedAt: number;
  readonly events: readonly SentEvent[];
}

const stretchMs = 5_000;

/** What a walk of a student of the demo begins from. */
export interface WalkStart {
  readonly lesson: Lesson;
  readonly terms: Terms;
  readonly state: AttemptState;
}

/** Plays out one sitting through a lesson, whatever ways it has, as the batches that a browser would send. */
export function simulateWalk(start: WalkStart, manner: Manner, random: Random): Batch[] {
  const context = createContext(start.lesson, start.terms);
  const sittingId = v7();
  const batches: Batch[] = [];
  let { state } = start;
  let waiting: SentEvent[] = [];
  let n = 0;
  let now = manner.startAt;
  const happen = (body: LearnerEventBody) => {
    const event = { ...body, id: v7(), sittingId, n: n++, at: now };
    waiting.push(event);
    ({ state } = takeIn(context, state, { ...event, receivedAt: now }));
  };
  const send = () => {
    if (waiting.length > 0) batches.push({ receivedAt: now + Math.round(random.between(40, 400)), events: waiting });
    waiting = [];
  };
  const play = (part: WalkPart, fromMs: number, toMs: number) => {
    for (let at = fromMs; at < toMs; at += stretchMs * manner.rate) {
      const end = Math.min(at + stretchMs * manner.rate, toMs);
      now += Math.round((end - at) / manner.rate);
      happen({ type: 'met', partId: part.id, fromMs: Math.round(at), toMs: Math.round(end), rate: manner.rate });
      if (waiting.length >= 3) send();
    }
  };
  const wait = (lowMs: number, highMs: number) => {
    now += Math.round(random.between(lowMs, highMs) * (manner.hurry ?? 1));
  };

  happen({ type: 'opened' });
  let part = context.lesson.parts[0] as WalkPart;
  for (let stopCount = 0; !isAtEnd(context.lesson, state); ) {
    const open = findOpenStop(context.lesson, state);
    if (open) {
      send();
      if (stopCount++ >= manner.leavesAfterStops) {
        ponder(open.stop as Stop);
        happen({ type: 'hidden' });
        send();
        return batches;
      }
      if (hasLength(open.part) && random.chance(manner.rewatches)) {
        const backMs = Math.max(open.part.inMs, open.stop.atMs - Math.round(random.between(8_000, 25_000)));
        happen({ type: 'sought', partId: open.part.id, fromMs: open.stop.atMs, toMs: backMs });
        play(open.part, backMs, open.stop.atMs);
      }
      const again = manner.goesBack;
      if (again?.stopId === open.stop.id) {
        happen({ type: 'sought', partId: open.part.id, fromMs: open.stop.atMs, toMs: again.toMs });
        play(open.part, again.toMs, open.stop.atMs);
      }
      settle(open.stop as Stop);
      send();
      continue;
    }
    const leg = state.route?.legs.at(-1);
    part = context.lesson.parts.find(({ id }) => id === leg?.partId) ?? nextPartOf(context, state, part) ?? part;
    const next = nextUnsettledStop(part, state);
    play(part, partStateOf(state, part).furthestMs, next?.atMs ?? part.outMs);
    if (next) happen({ type: 'reachedStop', stopId: next.id });
  }
  if (manner.handsIn) {
    wait(2_000, 20_000);
    happen({ type: 'handedIn' });
  } else happen({ type: 'hidden' });
  send();
  return batches;

  function settle(stop: Stop) {
    if (stop.kind === 'fork') {
      wait(3_000, 12_000);
      happen({ type: 'chose', stopId: stop.id, choiceId: random.pick(stop.choices).id });
      return;
    }
    if (stop.kind === 'board') {
      const done = new Set(
        Object.entries(state.stops[stop.id]?.tiles ?? {}).flatMap(([id, as]) => (as === 'done' ? id : [])),
      );
      const left = stop.tiles.filter(({ id, to }) => !done.has(id) && to.kind === 'part');
      const isMet = isNeedMet(stop, done);
      wait(6_000, 30_000);
      // Many take what stands first.
      const next = random.chance(0.6) ? left[0] : random.pick(left);
      if (!next || (isMet && random.chance(0.8))) happen({ type: 'acknowledged', stopId: stop.id });
      else happen({ type: 'openedTile', stopId: stop.id, tileId: next.id });
      return;
    }
    if (stop.kind === 'pause') {
      wait(4_000, 20_000);
      happen({ type: 'acknowledged', stopId: stop.id });
      return;
    }
    if (!stop.required && random.chance(0.3)) {
      wait(2_000, 8_000);
      happen({ type: 'passedStop', stopId: stop.id });
      return;
    }
    const responses = Object.fromEntries(stop.questions.map((question) => [question.id, respond(question)]));
    for (const [questionId, response] of Object.entries(responses)) {
      wait(8_000, response.kind === 'extendedText' ? 80_000 : 25_000);
      happen({ type: 'draftSaved', stopId: stop.id, questionId, response });
    }
    wait(1_000, 6_000);
    happen({ type: 'answered', stopId: stop.id, responses });
    tryAgain(stop, responses);
  }

  /** What is not right yet and may be tried again is tried again, or left at that. */
  function tryAgain(stop: Checkpoint, responses: Record<string, Response>) {
    const isOff = (question: Question) =>
      question.tries !== undefined &&
      (markResponse(question, responses[question.id] as Response) ?? question.points) < question.points;
    const off = stop.questions.filter(isOff);
    if (off.length === 0) return;
    send();
    wait(5_000, 20_000);
    if (random.chance(0.7)) {
      const again = Object.fromEntries(
        off.flatMap((question) => [[question.id, correctResponse(question) as Response]]),
      );
      happen({ type: 'answered', stopId: stop.id, responses: again });
    } else happen({ type: 'kept', stopId: stop.id });
  }

  function ponder(stop: Stop) {
    const until = now + (manner.ponders ?? 0);
    const question = stop.kind === 'checkpoint' ? stop.questions[0] : undefined;
    while (now < until && question) {
      wait(50_000, 90_000);
      happen({ type: 'draftSaved', stopId: stop.id, questionId: question.id, response: beginning(question) });
      send();
    }
  }

  function beginning(question: Question): Response {
    if (question.kind !== 'extendedText') return respondWrongly(question, random);
    return {
      kind: 'extendedText',
      text: random.pick(['the cable', 'The cable pulls', 'It goes from the deck to', 'I think']),
    };
  }

  function respond(question: Question): Response {
    const drawn = draw(question);
    return manner.takes?.[question.id] ?? drawn;
  }

  function draw(question: Question): Response {
    if (question.kind === 'drawing' && random.chance(manner.skill)) return { kind: 'drawing', drawing: goodDrawing };
    if (question.kind === 'extendedText') {
      const answers = writtenAnswers[question.id] ?? ['I do not know.'];
      const place = Math.floor((1 - manner.skill) * random.between(0.4, 1.6) * answers.length);
      return { kind: 'extendedText', text: answers[Math.min(place, answers.length - 1)] as string };
    }
    const right = correctResponse(question);
    const response = right && random.chance(manner.skill) ? right : respondWrongly(question, random);
    return question.asksConfidence ? { ...response, confidence: random.chance(manner.skill) ? 4 : 2 } : response;
  }
}
