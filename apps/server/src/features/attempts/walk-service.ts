import { randomBytes } from 'node:crypto';
import {
  type AssignmentWindow,
  allShown,
  numberInSeries,
  type Shown,
  seriesProgress,
  shownNow,
  windowPhase,
} from '@semita/core/assignment';
import {
  type Answer,
  type AttemptEvent,
  type AttemptState,
  beginAttempt,
  eventTraits,
  type TeacherEventBody,
  teacherSittingId,
} from '@semita/core/attempt';
import type { FeedbackItem, IntakeAnswer, SentEvent, TodoItem, Walk } from '@semita/core/contract';
import { type LearnerView, learnerView } from '@semita/core/learner';
import { hasMaterial, type Lesson } from '@semita/core/lesson';
import type { Outcome } from '@semita/core/reducer';
import { type AttemptOutline, returnedAnswers, sheetRowOf } from '@semita/core/sheet';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons, WalkedBy } from '../assignments/assigned-lessons.ts';
import type { Received, ReceivedAssignments } from '../assignments/received-assignments.ts';
import type { SeriesGate } from '../assignments/series-gate.ts';
import type { SheetRepository, StoredOutline } from '../assignments/sheet-repository.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { AnswerFileService } from './answer-files.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type WalkService = ReturnType<typeof createWalkService>;

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly given: AssignedLessons;
  readonly received: ReceivedAssignments;
  readonly sheets: SheetRepository;
  readonly attempts: AttemptRepository;
  readonly intake: EventIntake;
  /** Of the live channel, before anything is read. */
  readonly versionNow: () => string;
  readonly classes: Pick<ClassRepository, 'findPlace'>;
  readonly answerFiles: Pick<AnswerFileService, 'areOwn'>;
  readonly seriesGate: SeriesGate;
}

/** Far more than anybody does in one lesson; a program that sends without end is stopped here. */
const maxEvents = 200_000;

/** The student's side: what there is to do, and walking it. */
export function createWalkService(options: Options) {
  const { clock, newId, given, received, sheets, attempts, intake, classes, answerFiles, seriesGate, versionNow } =
    options;
  const assertOpen = (window: AssignmentWindow) => {
    const phase = windowPhase(window, clock());
    if (phase === 'notYetOpen') throw new Refused('windowNotOpen');
    if (phase === 'closed') throw new Refused('windowClosed');
  };

  const beginAttemptOf = async (actor: Actor, { assignment, classId, terms }: Received, number: number) => {
    assertOpen(terms.window);
    if (seriesGate.waitsFor(actor.id, assignment.id) !== null) throw new Refused('stepNotOpen');
    const { editionId } = terms;
    const { context } = given.getLesson(assignment.id, editionId);
    const beginning = { begunAt: clock(), secret: randomBytes(16).toString('hex') };
    const state = beginAttempt(beginning);
    const row = sheetRowOf(context.lesson, state);
    const key = { assignmentId: assignment.id, studentId: actor.id, number, editionId };
    attempts.insert({ attemptId: newId(), ...key, ...beginning, state, row });
    // Another tab may have been first.
    const attempt = found(attempts.findLatest(assignment.id, actor.id));
    const { extraTime, groups } = classes.findPlace(classId, actor.id);
    const bodies: TeacherEventBody[] = [];
    if (extraTime !== 1) bodies.push({ type: 'extended', extraTime, by: 'class' });
    if (groups.length > 0) bodies.push({ type: 'grouped', groups, by: 'class' });
    if (bodies.length > 0) await intake.take(attempt, ofClass(bodies));
    return attempt;
  };

  /** In the log like all else, so that the state can be computed from it. */
  const ofClass = (bodies: readonly TeacherEventBody[]) => (state: AttemptState) => {
    const at = clock();
    const next = state.intake.sittings[teacherSittingId]?.next ?? 0;
    return bodies.map(
      (body, index): AttemptEvent => ({
        ...body,
        ...{ id: newId(), sittingId: teacherSittingId, n: next + index, at, receivedAt: at },
      }),
    );
  };

  /** Where the links at the ends of readings lead this student: to the newest assignment of each lesson. */
  const nextLessonsOf = (actor: Actor, lesson: Lesson): Walk['nextLessons'] => {
    const wanted = new Set(lesson.parts.filter(hasMaterial).flatMap(({ nextLessonId }) => nextLessonId ?? []));
    if (wanted.size === 0) return [];
    const all = received.list(actor.id).toSorted((a, b) => b.assignment.createdAt - a.assignment.createdAt);
    const figures = given.figuresOf(all.map(({ assignment }) => assignment));
    return [...wanted].flatMap((lessonId) => {
      const next = all.find((one) => one.lessonId === lessonId && one.terms.leftAt === null);
      if (!next || windowPhase(next.terms.window, clock()) === 'notYetOpen') return [];
      if (seriesGate.waitsFor(actor.id, next.assignment.id) !== null) return [];
      const { id, editionId } = next.assignment;
      return [{ lessonId, assignmentId: id, title: figures.get(editionId)?.title ?? '' }];
    });
  };

  /**
   * Nothing is written of what can only be refused: work that was itself done outside the window. What was done in time
   * is for the reducer to judge, however late it comes in.
   */
  const assertWorthTaking = (attemptId: string, window: AssignmentWindow, events: readonly SentEvent[]) => {
    const phase = windowPhase(window, clock());
    if (phase === 'notYetOpen') throw new Refused('windowNotOpen');
    const { closesAt } = window;
    const isAllLate = phase === 'closed' && events.every(({ at }) => closesAt !== null && at > closesAt);
    if (isAllLate && !isGivenBack(intake.readState(attemptId))) throw new Refused('windowClosed');
    if (intake.readState(attemptId).version > maxEvents) throw new Refused('tooManyRequests');
  };

  /** What a student is shown of how an attempt went; only asked of the record where the terms hold something back. */
  const shownOf = ({ assignmentId, studentId }: Omit<WalkedBy, 'editionId'>, handedInAt: number | null): Shown => {
    const { terms, releasedAt } = given.givenOf(assignmentId);
    if (!terms.shown) return allShown;
    const dueAt = received.termsOf(studentId, assignmentId)?.window.dueAt ?? null;
    return shownNow(terms.shown, { handedInAt, dueAt, releasedAt, now: clock() });
  };

  const viewOf = (walked: WalkedBy, state: AttemptState): LearnerView => {
    const { lesson, terms } = given.getLesson(walked.assignmentId, walked.editionId);
    return learnerView(lesson, state, terms, shownOf(walked, state.handedInAt));
  };

  const isOlder = ({ assignmentId, studentId, attemptId }: AttemptKey): boolean =>
    attempts.findLatest(assignmentId, studentId)?.attemptId !== attemptId;

  const getReceived = (actor: Actor, assignmentId: string): Received => found(received.find(actor.id, assignmentId));

  const walkOf = (actor: Actor, { assignment, terms: effective }: Received, attempt: AttemptKey): Walk => {
    const version = versionNow();
    const { lesson, terms } = given.getLesson(assignment.id, attempt.editionId);
    return {
      ...{ attemptId: attempt.attemptId, assignmentId: assignment.id, timeZone: assignment.timeZone },
      ...effective.window,
      terms: terms as Walk['terms'],
      view: viewOf(attempt, intake.readState(attempt.attemptId)),
      nextLessons: nextLessonsOf(actor, lesson),
      now: clock(),
      version,
    };
  };

  /** Whether a student may begin once more: what was begun is handed in, and attempts and time are left. */
  const mayBeginAgain = (
    { terms: { attempts: allowed, excused, window } }: Received,
    { attempts: begun }: StoredOutline,
  ) => {
    const phase = windowPhase(window, clock());
    const isOpen = phase === 'open' || phase === 'pastDue';
    return isOpen && !excused && begun.length < allowed && begun.at(-1)?.outline.handedInAt != null;
  };

  /** What a student is told of what it came to. */
  const resultOf = (
    { assignment: { id }, terms: { window } }: Received,
    { counted, result }: StoredOutline,
    outline: AttemptOutline | null,
  ): Pick<TodoItem, 'earned' | 'latePercent' | 'isWithheld'> => {
    const { terms, releasedAt } = given.givenOf(id);
    const moment = { handedInAt: outline?.handedInAt ?? null, dueAt: window.dueAt, releasedAt, now: clock() };
    if (!shownNow(terms.shown, moment).points) return { earned: 0, latePercent: 0, isWithheld: true };
    const isCounted = outline !== null && outline === counted?.outline;
    const { earned, latePercent } = isCounted && result ? result : { earned: outline?.earned ?? 0, latePercent: 0 };
    return { earned, latePercent, isWithheld: false };
  };

  /** Of a step of a series: where it stands there, and what keeps it closed. */
  const seriesOf = (
    own: ReadonlyMap<string, StoredOutline>,
    assignmentId: string,
    titleOf: (assignmentId: string) => string,
  ): Pick<TodoItem, 'series' | 'waitsFor'> => {
    const { series } = given.givenOf(assignmentId);
    if (series === null) return {};
    const steps = seriesGate.stepsAmong(series.id, own);
    const first = seriesGate.firstToDo(own, assignmentId);
    return {
      series: {
        title: series.title,
        number: numberInSeries(steps, assignmentId),
        ...seriesProgress(steps, seriesGate.standingIn(own)),
      },
      ...(first === null ? {} : { waitsFor: { title: titleOf(first), percent: series.afterPercent ?? 0 } }),
    };
  };

  const givenBackIn = (attemptId: string): TodoItem['givenBack'] => {
    const answers = returnedAnswers(intake.readState(attemptId));
    return { count: answers.length, says: answers.flatMap(({ comment }) => comment ?? []) };
  };

  return {
    listTodo(actor: Actor): { items: TodoItem[]; now: number; version: string } {
      const version = versionNow();
      const outlines = sheets.listOutlinesOf(actor.id);
      const all = received.list(actor.id, outlines);
      const figures = given.figuresOf(all.map(({ assignment }) => assignment));
      const titleOf = (assignmentId: string) => figures.get(given.givenOf(assignmentId).editionId)?.title ?? '';
      const items = all.flatMap((one): TodoItem[] => {
        const { assignment, className, teacherName, terms } = one;
        const { id, editionId, timeZone, note } = assignment;
        const ofLesson = figures.get(editionId);
        const own = outlines.get(id);
        if (!ofLesson || !own || (one.isHidden && own.attempts.length === 0)) return [];
        // What somebody has left is done, as far as they came; what they had not begun is nobody's.
        if (terms.leftAt !== null && own.attempts.length === 0) return [];
        const latest = own.attempts.at(-1);
        // What is under way is to be done, whatever an earlier attempt came to.
        const shown = latest?.outline.handedInAt === null ? latest : own.counted;
        const outline = shown?.outline ?? null;
        const { late, worth, isExtra = false, category } = given.givenOf(id).terms;
        // With the class, what was to be done there is put away; what was done stays.
        if (one.isPutAway && outline?.handedInAt == null) return [];
        return [
          {
            ...{ assignmentId: id, className, timeZone, teacherName, note, ...terms.window },
            ...ofLesson,
            excused: terms.excused,
            progress: outline?.progress ?? 0,
            begun: outline !== null,
            attempts: { begun: own.attempts.length, mayBegin: mayBeginAgain(one, own) },
            handedInAt: outline?.handedInAt ?? null,
            ...resultOf(one, own, outline),
            possible: outline?.possible ?? ofLesson.possible,
            waiting: outline !== null && outline.toMark > 0,
            ...{ isExtra, late, worth, category },
            ...seriesOf(outlines, id, titleOf),
            givenBack: shown?.outline.returned ? givenBackIn(shown.attemptId) : { count: 0, says: [] },
          },
        ];
      });
      return { items, now: clock(), version };
    },

    /** Answers that a teacher has marked, said something about, or given back, as soon as that is shown. */
    listFeedback(actor: Actor): GivenFeedback[] {
      const outlines = sheets.listOutlinesOf(actor.id);
      const begun = received
        .list(actor.id, outlines)
        .flatMap(({ assignment }) => outlines.get(assignment.id)?.counted ?? []);
      given.preload(begun);
      const states = intake.readStates(begun.map(({ attemptId }) => attemptId));
      return begun.flatMap((attempt) => {
        const whole = states.get(attempt.attemptId);
        if (!whole) return [];
        const { assignmentId } = attempt;
        const shown = shownOf(attempt, whole.handedInAt);
        // What is held back is nothing yet, but for what came back to be worked on.
        const isHeldBack = !shown.points && !shown.feedback;
        const { lesson, results, state } = viewOf(attempt, whole);
        return lesson.parts
          .flatMap((part) => part.stops)
          .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stop, question })) : []))
          .flatMap(({ stop, question }) => {
            const result = results[question.id];
            const answer = state.stops[stop.id]?.answers[question.id];
            const own = whole.stops[stop.id]?.answers[question.id];
            if (!result || !answer || !own || !isByTeacher(answer)) return [];
            if (isHeldBack && !own.returned) return [];
            const told = { assignmentId, title: lesson.title, question, response: answer.response, result };
            return [{ ...told, answer: own, isShown: shown.feedback }];
          });
      });
    },

    /**
     * Opens the walk, beginning an attempt where there is none. What was begun can be looked at for ever.
     * @throws Refused windowNotOpen, stepNotOpen, windowClosed when nothing was begun in time
     */
    async begin(actor: Actor, assignmentId: string): Promise<Walk> {
      const place = getReceived(actor, assignmentId);
      if (windowPhase(place.terms.window, clock()) === 'notYetOpen') throw new Refused('windowNotOpen');
      const begun = attempts.findLatest(assignmentId, actor.id);
      return walkOf(actor, place, begun ?? (await beginAttemptOf(actor, place, 1)));
    },

    /**
     * Begins another attempt.
     * @throws Refused noAttemptLeft when the one before is not handed in, or all are used; windowNotOpen, windowClosed
     */
    async beginAgain(actor: Actor, assignmentId: string): Promise<Walk> {
      const place = getReceived(actor, assignmentId);
      assertOpen(place.terms.window);
      const own = found(sheets.listOutlinesOf(actor.id).get(assignmentId));
      if (!mayBeginAgain(place, own)) throw new Refused('noAttemptLeft');
      return walkOf(actor, place, await beginAttemptOf(actor, place, own.attempts.length + 1));
    },

    /**
     * Takes in what a browser sends for its own attempt; answers once it is on disk.
     * @throws Refused notFound for another student's attempt, windowNotOpen, windowClosed, newerAttempt
     */
    async takeInEvents(actor: Actor, attemptId: string, events: readonly SentEvent[]): Promise<IntakeAnswer> {
      const attempt = found(attempts.findOwn(actor.id, attemptId));
      const { window } = found(received.termsOf(actor.id, attempt.assignmentId));
      assertWorthTaking(attemptId, window, events);
      // Else there would be two at once.
      if (events.some(({ type }) => type === 'withdrawn') && isOlder(attempt)) throw new Refused('newerAttempt');
      if (!answerFiles.areOwn(attemptId, events)) throw new Refused('inputInvalid', { fields: ['files'] });
      const receivedAt = clock();
      const taken = await intake.take(attempt, () => events.map((event) => ({ ...event, receivedAt })));
      const { state, outcomes, isRouteMoved } = taken;
      const { questionsWhenReached } = given.getLesson(attempt.assignmentId, attempt.editionId).terms;
      const showsMore =
        isRouteMoved ||
        events.some(({ type }) => eventTraits[type].showsMore || (questionsWhenReached && type === 'reachedStop')) ||
        outcomes.some(({ kind }) => kind === 'refused' || kind === 'afterClosing');
      return {
        outcomes: outcomes.map((outcome, index) => toAnswer(events[index] as SentEvent, outcome)),
        version: state.version,
        now: receivedAt,
        ...(showsMore ? { view: viewOf(attempt, state) } : {}),
      };
    },
  };
}

/** What was said to an answer, with the answer as it is kept. */
export interface GivenFeedback extends FeedbackItem {
  readonly answer: Answer;
  /** Whether words are shown to its student. */
  readonly isShown: boolean;
}

/** Whether some answer came back to be worked on again; then its student may, whenever that is. */
function isGivenBack({ stops }: AttemptState): boolean {
  return Object.values(stops).some(({ answers }) =>
    Object.values(answers).some(
      ({ returned, earlier }) => returned || earlier?.some(({ because }) => because === 'returned'),
    ),
  );
}

function isByTeacher({ markedBy, comment, returned, voice, drawn }: Answer): boolean {
  return (markedBy !== null && markedBy !== 'program') || comment !== null || !!returned || !!voice || !!drawn;
}

function toAnswer(event: SentEvent, outcome: Outcome): IntakeAnswer['outcomes'][0] {
  return { id: event.id, ...outcome };
}
