import { Temporal } from 'temporal-polyfill';
import { givenAnswersSince } from '../analysis/given-answers.ts';
import { type AttemptEvent, teacherSittingId } from '../attempt/attempt-event.ts';
import { type AttemptState, type Beginning, beginAttempt } from '../attempt/attempt-state.ts';
import { metShare } from '../coverage/coverage.ts';
import { hasLength, type Lesson, type Part } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';
import { takeIn } from '../reducer/take-in.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { interactionOf, responseText, words } from './interaction.ts';
import { nameUuid } from './name-uuid.ts';
import type { Activity, Actor, Context, Extensions, Result, Statement } from './statement.ts';
import { activityTypes, verbs, videoCategory, videoExtensions } from './vocabulary.ts';

export interface StatementScope {
  readonly actor: Actor;
  /** UUID of the attempt. */
  readonly registration: string;
  /** IRI of the lesson; its parts and questions stand below it. */
  readonly lessonIri: string;
  /** When they are written, epoch ms: a sitting that may still go on has not ended. */
  readonly now: number;
}

/** A film counts as watched once this much of it was met; whoever looks away for a moment has seen it. Our own choice. */
export const completionThreshold = 0.98;
/** A sitting of which nothing came for so long is over. */
const sittingEndsAfterMs = 30 * 60_000;
/** What begins this close to where the last stretch ended is the same playing on. */
const joinMs = 500;

interface Playing {
  readonly part: Part;
  readonly fromMs: number;
  readonly toMs: number;
  readonly at: number;
}

interface Sitting {
  readonly first: AttemptEvent;
  last: AttemptEvent;
  /** As it was played, by the part: nothing merged. */
  readonly segments: Map<string, (readonly [fromMs: number, toMs: number])[]>;
  /** How much of each part had been met when the sitting last played it: others may go on with it later. */
  readonly progress: Map<string, number>;
  /** It ended with the lesson handed in. */
  isHandedIn: boolean;
  playing: Playing | null;
}

/**
 * What a student did in one attempt as statements of xAPI 1.0.3: films by the Video Profile 1.0, everything else by
 * verbs of the ADL vocabulary.
 * @param context with the keys, as the attempt is walked
 * @param log all events of the attempt in the order of the log
 * @returns by their times
 */
export function statementsOf(
  lesson: Lesson,
  context: WalkContext,
  beginning: Beginning,
  log: readonly AttemptEvent[],
  scope: StatementScope,
): Statement[] {
  const made: Statement[] = [];
  const { lessonIri } = scope;
  const partOf = new Map(lesson.parts.map((part) => [part.id, part]));
  const questionOf = new Map(
    lesson.parts.flatMap(({ stops }) =>
      stops.flatMap((stop) =>
        stop.kind === 'checkpoint' ? stop.questions.map((question) => [question.id, question] as const) : [],
      ),
    ),
  );
  const whole: Activity = {
    ...{ objectType: 'Activity', id: lessonIri },
    definition: { type: activityTypes.lesson, name: words(lesson.title) },
  };
  const partActivity = (part: Part): Activity => ({
    ...{ objectType: 'Activity', id: `${lessonIri}/parts/${encodeURIComponent(part.id)}` },
    definition: { type: typeOfPart(part), name: words(part.title || lesson.title) },
  });
  const questionActivity = (question: Question): Activity => ({
    ...{ objectType: 'Activity', id: `${lessonIri}/questions/${encodeURIComponent(question.id)}` },
    definition: interactionOf(question),
  });

  const make = (
    eventId: string,
    verb: keyof typeof verbs,
    object: Activity,
    at: number,
    { result, extensions, isVideo = false }: { result?: Result; extensions?: Extensions; isVideo?: boolean } = {},
  ): void => {
    const contextOf: Context = {
      ...{ registration: scope.registration, platform: 'Semita' },
      contextActivities: {
        ...(object === whole ? {} : { parent: [whole] }),
        ...(isVideo ? { category: [videoCategory] } : {}),
      },
      ...(extensions ? { extensions } : {}),
    };
    made.push({
      id: nameUuid(`${scope.registration} ${eventId} ${verb} ${object.id}`),
      ...{ actor: scope.actor, verb: verbs[verb], object },
      ...(result ? { result } : {}),
      ...{ context: contextOf, timestamp: timestampOf(at) },
    });
  };

  let state = beginAttempt({ ...beginning, admittedUntil: lastAdmission(log) });
  const sittings = new Map<string, Sitting>();
  const begunParts = new Set<string>();
  const doneParts = new Set<string>();

  const seconds = (part: Part, atMs: number) => round3((atMs - part.inMs) / 1_000);
  const playedIn = (sitting: Sitting, part: Part): string =>
    (sitting.segments.get(part.id) ?? [])
      .map(([fromMs, toMs]) => `${fixed(seconds(part, fromMs))}[.]${fixed(seconds(part, toMs))}`)
      .join('[,]');
  const progressOf = (part: Part): number =>
    round3(metShare(state.parts[part.id]?.coverage ?? [], { fromMs: part.inMs, toMs: part.outMs }));
  const session = (sitting: Sitting, part: Part): Extensions => ({
    [videoExtensions.sessionId]: sitting.first.sittingId,
    [videoExtensions.length]: round3((part.outMs - part.inMs) / 1_000),
    [videoExtensions.threshold]: completionThreshold,
  });
  const reached = (sitting: Sitting, part: Part, atMs: number): Extensions => ({
    [videoExtensions.time]: seconds(part, atMs),
    [videoExtensions.progress]: sitting.progress.get(part.id) ?? 0,
    [videoExtensions.playedSegments]: playedIn(sitting, part),
  });

  const stopPlaying = (sitting: Sitting, eventId: string): void => {
    const { playing } = sitting;
    if (!playing) return;
    sitting.playing = null;
    const { part, toMs, at } = playing;
    make(eventId, 'paused', partActivity(part), at, {
      ...{ result: { extensions: reached(sitting, part, toMs) }, extensions: session(sitting, part), isVideo: true },
    });
  };

  const endSitting = (sitting: Sitting): void => {
    const { id, at } = sitting.last;
    stopPlaying(sitting, id);
    for (const [partId, segments] of sitting.segments) {
      const part = partOf.get(partId) as Part;
      make(id, 'terminated', partActivity(part), at, {
        result: {
          extensions: reached(sitting, part, segments.at(-1)?.[1] ?? part.inMs),
          duration: duration(at - sitting.first.at),
        },
        ...{ extensions: session(sitting, part), isVideo: true },
      });
    }
    make(id, sitting.isHandedIn ? 'terminated' : 'suspended', whole, at, {
      result: { duration: duration(at - sitting.first.at) },
    });
  };

  const watch = (sitting: Sitting, event: Extract<AttemptEvent, { type: 'met' }>, cutMs: number): void => {
    const part = partOf.get(event.partId);
    if (!part) return;
    const toMs = Math.max(event.fromMs, event.toMs - cutMs);
    if (part.kind !== 'clip') {
      if (!begunParts.has(part.id)) make(event.id, 'experienced', partActivity(part), event.at);
      begunParts.add(part.id);
      return;
    }
    const { playing } = sitting;
    const goesOn = playing?.part === part && Math.abs(event.fromMs - playing.toMs) <= joinMs;
    if (!goesOn) {
      stopPlaying(sitting, event.id);
      const began = event.at - (event.toMs - event.fromMs) / event.rate;
      if (!sitting.segments.has(part.id)) {
        sitting.segments.set(part.id, []);
        make(event.id, 'initialized', partActivity(part), began, {
          ...{ extensions: { ...session(sitting, part), [videoExtensions.speed]: `${event.rate}x` }, isVideo: true },
        });
      }
      make(event.id, 'played', partActivity(part), began, {
        result: { extensions: { [videoExtensions.time]: seconds(part, event.fromMs) } },
        ...{ extensions: session(sitting, part), isVideo: true },
      });
    }
    sitting.progress.set(part.id, progressOf(part));
    const segments = sitting.segments.get(part.id) ?? [];
    const last = segments.at(-1);
    if (goesOn && last) segments[segments.length - 1] = [last[0], toMs];
    else segments.push([event.fromMs, toMs]);
    sitting.playing = { part, fromMs: event.fromMs, toMs, at: event.at };
  };

  const complete = (sitting: Sitting, eventId: string, partId: string, at: number): void => {
    const part = partOf.get(partId);
    if (!part || !hasLength(part) || doneParts.has(partId) || progressOf(part) < completionThreshold) return;
    doneParts.add(partId);
    const isVideo = part.kind === 'clip';
    const toMs = sitting.playing?.toMs ?? part.outMs;
    make(eventId, 'completed', partActivity(part), at, {
      result: {
        ...{ completion: true, duration: duration(state.timeSpentMs) },
        ...(isVideo ? { extensions: reached(sitting, part, toMs) } : {}),
      },
      ...(isVideo ? { extensions: session(sitting, part), isVideo } : {}),
    });
  };

  const tellAnswers = (before: AttemptState, event: AttemptEvent): void => {
    const answersBefore = (stopId: string, questionId: string) => before.stops[stopId]?.answers[questionId];
    for (const [stopId, answers] of givenAnswersSince(
      context.own?.(context.lesson, state) ?? context.lesson,
      before,
      state,
    ))
      for (const { questionId, points, possible } of answers) {
        const answer = state.stops[stopId]?.answers[questionId];
        const question = questionOf.get(questionId);
        const was = answersBefore(stopId, questionId);
        if (!answer || !question || was === answer) continue;
        const score = points === null || possible === 0 ? undefined : scoreOf(points, possible);
        const isGiven = was?.response !== answer.response;
        // Marked later, by a teacher or by a key that was put right.
        if (!isGiven && (points === null || was?.points === points)) continue;
        const response = responseText(question, answer.response);
        make(event.id, isGiven ? 'answered' : 'scored', questionActivity(question), event.at, {
          result: {
            ...(isGiven && response !== null ? { response } : {}),
            ...(score ? { score, ...(isGiven ? { success: points === possible } : {}) } : {}),
            ...(answer.response.confidence === undefined || !isGiven
              ? {}
              : { extensions: { [`${lessonIri}/confidence`]: answer.response.confidence } }),
          },
        });
      }
  };

  for (const event of log) {
    const before = state;
    const taken = takeIn(context, state, event);
    state = taken.state;
    if (taken.outcome.kind !== 'taken' && taken.outcome.kind !== 'held') continue;
    if (event.sittingId === teacherSittingId) {
      tellAnswers(before, event);
      continue;
    }
    const known = sittings.get(event.sittingId);
    const sitting: Sitting = known ?? {
      first: event,
      last: event,
      segments: new Map(),
      progress: new Map(),
      playing: null,
      isHandedIn: false,
    };
    if (!known) {
      make(event.id, sittings.size === 0 ? 'initialized' : 'resumed', whole, event.at);
      sittings.set(event.sittingId, sitting);
    }
    sitting.last = event;
    sitting.isHandedIn = state.handedInAt !== null;
    if (event.type === 'met') {
      watch(sitting, event, state.discrepancies.cutMs - before.discrepancies.cutMs);
      complete(sitting, event.id, event.partId, event.at);
    } else if (event.type !== 'draftSaved') stopPlaying(sitting, event.id);
    const sought = event.type === 'sought' ? partOf.get(event.partId) : undefined;
    if (event.type === 'sought' && sought?.kind === 'clip' && sitting.segments.has(sought.id))
      make(event.id, 'seeked', partActivity(sought), event.at, {
        result: {
          extensions: {
            [videoExtensions.timeFrom]: seconds(sought, event.fromMs),
            [videoExtensions.timeTo]: seconds(sought, event.toMs),
          },
        },
        ...{ extensions: session(sitting, sought), isVideo: true },
      });
    if (before.stops !== state.stops) tellAnswers(before, event);
    if (before.handedInAt === null && state.handedInAt !== null) {
      const { earned, possible } = totalOf(lesson, state);
      make(event.id, 'completed', whole, event.at, {
        result: {
          ...{ completion: true, duration: duration(state.timeSpentMs) },
          ...(possible > 0 ? { score: scoreOf(earned, possible) } : {}),
        },
      });
    }
  }
  for (const sitting of sittings.values()) if (scope.now - sitting.last.at > sittingEndsAfterMs) endSitting(sitting);
  return made.toSorted((a, b) => (a.timestamp < b.timestamp ? -1 : a.timestamp > b.timestamp ? 1 : 0));
}

function typeOfPart({ kind }: Part): string {
  if (kind === 'clip') return activityTypes.video;
  return hasLength({ kind }) ? activityTypes.media : activityTypes.module;
}

function lastAdmission(log: readonly AttemptEvent[]): number | undefined {
  const admitted = log.flatMap((event) => (event.type === 'admitted' ? [event.until] : []));
  return admitted.length > 0 ? Math.max(...admitted) : undefined;
}

/** What was answered, as far as it is marked. */
function totalOf(lesson: Lesson, { stops }: AttemptState): { earned: number; possible: number } {
  let [earned, possible] = [0, 0];
  for (const stop of lesson.parts.flatMap((part) => (part.practice ? [] : part.stops)))
    if (stop.kind === 'checkpoint')
      for (const question of stop.questions) {
        const points = stops[stop.id]?.answers[question.id]?.points;
        if (points == null) continue;
        earned += points;
        possible += question.points;
      }
  return { earned, possible };
}

const scoreOf = (points: number, possible: number) => ({
  scaled: Math.min(1, Math.max(-1, Math.round((points / possible) * 10_000) / 10_000)),
  ...{ raw: points / 100, min: Math.min(0, points / 100), max: possible / 100 },
});

/** ISO 8601, always with thousandths, so that texts are in the order of times. */
const timestampOf = (at: number): string =>
  Temporal.Instant.fromEpochMilliseconds(Math.round(at)).toString({ smallestUnit: 'millisecond' });

/** ISO 8601, in seconds with two decimals, as SCORM 2004 and xAPI compare them. */
const duration = (ms: number): string => `PT${(Math.max(0, ms) / 1_000).toFixed(2)}S`;
const round3 = (value: number): number => Math.round(value * 1_000) / 1_000;
const fixed = (value: number): string => value.toFixed(3);
