import { randomBytes } from 'node:crypto';
import { type AssignmentWindow, windowPhase } from '@semita/core/assignment';
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
import { returnedAnswers, sheetRowOf } from '@semita/core/sheet';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { AnswerFileService } from './answer-files.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type WalkService = ReturnType<typeof createWalkService>;

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly assignments: AssignmentRepository;
  readonly sheets: SheetRepository;
  readonly attempts: AttemptRepository;
  readonly intake: EventIntake;
  readonly classes: Pick<ClassRepository, 'findPlace'>;
  readonly answerFiles: Pick<AnswerFileService, 'areOwn'>;
}

/** Far more than anybody does in one lesson; a program that sends without end is stopped here. */
const mostEvents = 200_000;

/** The student's side: what there is to do, and walking it. */
export function createWalkService(options: Options) {
  const { clock, newId, assignments, sheets, attempts, intake, classes, answerFiles } = options;
  const assertOpen = (window: AssignmentWindow) => {
    const phase = windowPhase(window, clock());
    if (phase === 'notYetOpen') throw new Refused('windowNotOpen');
    if (phase === 'closed') throw new Refused('windowClosed');
  };

  const findOrBegin = async (actor: Actor, assignmentId: string, window: AssignmentWindow & { classId: string }) => {
    const begun = attempts.findByStudent(assignmentId, actor.id);
    if (begun) return begun;
    assertOpen(window);
    const { context } = assignments.getLesson(assignmentId);
    const beginning = { begunAt: clock(), secret: randomBytes(16).toString('hex') };
    const state = beginAttempt(beginning);
    const row = sheetRowOf(context.lesson, state);
    attempts.insert({ attemptId: newId(), assignmentId, studentId: actor.id, ...beginning, state, row });
    const attempt = found(attempts.findByStudent(assignmentId, actor.id));
    const { extraTime, groups } = classes.findPlace(window.classId, actor.id);
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
    const received = assignments
      .listReceived(actor.id)
      .toSorted((a, b) => b.assignment.createdAt - a.assignment.createdAt);
    const figures = assignments.figuresOf(received.map(({ assignment }) => assignment));
    return [...wanted].flatMap((lessonId) => {
      const next = received.find((one) => one.lessonId === lessonId)?.assignment;
      if (!next || windowPhase(next, clock()) === 'notYetOpen') return [];
      return [{ lessonId, assignmentId: next.id, title: figures.get(next.editionId)?.title ?? '' }];
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
    if (intake.readState(attemptId).version > mostEvents) throw new Refused('tooManyRequests');
  };

  const viewOf = (assignmentId: string, state: AttemptState): LearnerView => {
    const { lesson, terms } = assignments.getLesson(assignmentId);
    return learnerView(lesson, state, terms);
  };

  const givenBackIn = (attemptId: string): TodoItem['givenBack'] => {
    const answers = returnedAnswers(intake.readState(attemptId));
    return { count: answers.length, says: answers.flatMap(({ comment }) => comment ?? []) };
  };

  return {
    listTodo(actor: Actor): { items: TodoItem[]; now: number } {
      const received = assignments.listReceived(actor.id);
      const outlines = sheets.listOutlinesOf(actor.id);
      const figures = assignments.figuresOf(received.map(({ assignment }) => assignment));
      const items = received.flatMap(({ assignment, className, timeZone, teacherName }): TodoItem[] => {
        const { id, editionId, opensAt, dueAt, closesAt } = assignment;
        const ofLesson = figures.get(editionId);
        const own = outlines.get(id);
        if (!ofLesson || !own) return [];
        const { outline, excused, attemptId } = own;
        return [
          {
            ...{ assignmentId: id, className, timeZone, teacherName, opensAt, dueAt, closesAt },
            ...ofLesson,
            excused,
            progress: outline?.progress ?? 0,
            begun: outline !== null,
            handedInAt: outline?.handedInAt ?? null,
            earned: outline?.earned ?? 0,
            possible: outline?.possible ?? ofLesson.possible,
            waiting: outline !== null && outline.toMark > 0,
            givenBack: attemptId && outline?.returned ? givenBackIn(attemptId) : { count: 0, says: [] },
          },
        ];
      });
      return { items, now: clock() };
    },

    /** Answers that a teacher has marked, said something about, or given back. */
    listFeedback(actor: Actor): FeedbackItem[] {
      const received = assignments.listReceived(actor.id);
      const outlines = sheets.listOutlinesOf(actor.id);
      const begun = [...outlines.values()].flatMap(({ assignmentId, attemptId }) =>
        attemptId === null ? [] : [{ assignmentId, attemptId }],
      );
      assignments.preloadLessons(begun.map(({ assignmentId }) => assignmentId));
      const states = intake.readStates(begun.map(({ attemptId }) => attemptId));
      return received.flatMap(({ assignment }) => {
        const whole = states.get(outlines.get(assignment.id)?.attemptId ?? '');
        if (!whole) return [];
        const { lesson, results, state } = viewOf(assignment.id, whole);
        return lesson.parts
          .flatMap((part) => part.stops)
          .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stop, question })) : []))
          .flatMap(({ stop, question }) => {
            const result = results[question.id];
            const answer = state.stops[stop.id]?.answers[question.id];
            if (!result || !answer || !isByTeacher(answer)) return [];
            return [{ assignmentId: assignment.id, title: lesson.title, question, response: answer.response, result }];
          });
      });
    },

    /**
     * Opens the walk, beginning an attempt where there is none. What was begun can be looked at for ever.
     * @throws Refused windowNotOpen, windowClosed when nothing was begun in time
     */
    async begin(actor: Actor, assignmentId: string): Promise<Walk> {
      const { assignment, timeZone } = found(assignments.findReceived(actor.id, assignmentId));
      if (windowPhase(assignment, clock()) === 'notYetOpen') throw new Refused('windowNotOpen');
      const { attemptId } = await findOrBegin(actor, assignmentId, assignment);
      const { lesson, terms } = assignments.getLesson(assignmentId);
      return {
        attemptId,
        assignmentId,
        timeZone,
        opensAt: assignment.opensAt,
        dueAt: assignment.dueAt,
        closesAt: assignment.closesAt,
        terms: terms as Walk['terms'],
        view: viewOf(assignmentId, intake.readState(attemptId)),
        nextLessons: nextLessonsOf(actor, lesson),
        now: clock(),
      };
    },

    /**
     * Takes in what a browser sends for its own attempt; answers once it is on disk.
     * @throws Refused notFound for another student's attempt, windowNotOpen, windowClosed
     */
    async takeInEvents(actor: Actor, attemptId: string, events: readonly SentEvent[]): Promise<IntakeAnswer> {
      const attempt = found(attempts.findOwn(actor.id, attemptId));
      assertWorthTaking(attemptId, attempt, events);
      if (!answerFiles.areOwn(attemptId, events)) throw new Refused('inputInvalid', { fields: ['files'] });
      const receivedAt = clock();
      const taken = await intake.take(attempt, () => events.map((event) => ({ ...event, receivedAt })));
      const { state, outcomes, isRouteMoved } = taken;
      const { questionsWhenReached } = assignments.getLesson(attempt.assignmentId).terms;
      const showsMore =
        isRouteMoved ||
        events.some(({ type }) => eventTraits[type].showsMore || (questionsWhenReached && type === 'reachedStop')) ||
        outcomes.some(({ kind }) => kind === 'refused' || kind === 'afterClosing');
      return {
        outcomes: outcomes.map((outcome, index) => toAnswer(events[index] as SentEvent, outcome)),
        version: state.version,
        now: receivedAt,
        ...(showsMore ? { view: viewOf(attempt.assignmentId, state) } : {}),
      };
    },
  };
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
