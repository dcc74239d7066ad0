import {
  type Answer,
  type AssignmentWindow,
  type AttemptEvent,
  type AttemptState,
  beginAttempt,
  decodeSheetRow,
  encodeSheetRow,
  hasMaterial,
  type Lesson,
  learnerView,
  lessonLengths,
  type Outcome,
  pathFigures,
  sheetRowOf,
  type TeacherEventBody,
  teacherSittingId,
  windowPhase,
} from '@semita/core';
import type { FeedbackItem, IntakeAnswer, SentEvent, TodoItem, Walk } from '@semita/core/contract';
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

/** Events after which the browser is sent a new view: something may have been earned, or ended. */
const earningTypes = new Set<SentEvent['type']>([
  'answered',
  'kept',
  'hintTaken',
  'revised',
  'handedIn',
  'withdrawn',
  'chose',
  'openedTile',
  'didTile',
]);

/** Events that change nothing about what a student has earned, and the one that works on an answer given back. */
const harmlessTypes = new Set<SentEvent['type']>([
  'opened',
  'hidden',
  'shown',
  'paused',
  'sought',
  'met',
  'draftSaved',
  'revised',
]);

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
    const begunAt = clock();
    const state = beginAttempt(begunAt, context.terms.maxRate);
    const sheetRow = encodeSheetRow(sheetRowOf(context.lesson, state));
    attempts.insert({ attemptId: newId(), assignmentId, studentId: actor.id, begunAt, state, sheetRow });
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
    const next = state.intake.next[teacherSittingId] ?? 0;
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
    return [...wanted].flatMap((lessonId) => {
      const next = received.find(({ assignment }) => assignments.getLesson(assignment.id).lessonId === lessonId);
      if (!next || windowPhase(next.assignment, clock()) === 'notYetOpen') return [];
      const assignmentId = next.assignment.id;
      return [{ lessonId, assignmentId, title: assignments.getLesson(assignmentId).lesson.title }];
    });
  };

  /** What was given back may be worked on whenever it comes back, and nothing else then. */
  const isWorkedOnAgain = (attemptId: string, events: readonly SentEvent[]): boolean =>
    events.every(({ type }) => harmlessTypes.has(type)) &&
    Object.values(intake.readState(attemptId).stops).some(({ answers }) =>
      Object.values(answers).some(
        (answer) => answer.returned || answer.earlier?.some((one) => one.because === 'returned'),
      ),
    );

  return {
    listTodo(actor: Actor): { items: TodoItem[]; now: number } {
      const items = assignments
        .listReceived(actor.id)
        .map(({ assignment, className, timeZone, teacherName }): TodoItem => {
          const { id, opensAt, dueAt, closesAt } = assignment;
          const { lesson } = assignments.getLesson(id);
          const stored = sheets.find(id, actor.id);
          const row = stored?.sheetRow ? decodeSheetRow(stored.sheetRow) : null;
          const stops = lesson.parts.flatMap((part) => part.stops);
          return {
            assignmentId: id,
            title: lesson.title,
            className,
            timeZone,
            teacherName,
            opensAt,
            dueAt,
            closesAt,
            ...lessonLengths(lesson.parts),
            stopCount: stops.length,
            excused: stored?.excused === 1,
            progress: row?.progress ?? 0,
            begun: row !== null,
            handedInAt: row?.handedInAt ?? null,
            earned: row?.earned ?? 0,
            possible: row?.possible ?? countedPossible(lesson),
            waiting: row?.marks.some((mark) => mark.state === 'waiting') ?? false,
          };
        });
      return { items, now: clock() };
    },

    /** Answers that a teacher has marked, said something about, or given back. */
    listFeedback(actor: Actor): FeedbackItem[] {
      return assignments.listReceived(actor.id).flatMap(({ assignment }) => {
        const attempt = attempts.findByStudent(assignment.id, actor.id);
        if (!attempt) return [];
        const stored = assignments.getLesson(assignment.id).lesson;
        const { lesson, results, state } = learnerView(stored, intake.readState(attempt.attemptId));
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
        view: learnerView(lesson, intake.readState(attemptId)),
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
      if (!isWorkedOnAgain(attemptId, events)) assertOpen(attempt);
      if (!answerFiles.areOwn(attemptId, events)) throw new Refused('inputInvalid', { fields: ['files'] });
      // What was handed in is settled once it was due.
      const isDue = attempt.dueAt !== null && clock() > attempt.dueAt;
      if (isDue && events.some(({ type }) => type === 'withdrawn')) throw new Refused('windowClosed');
      const receivedAt = clock();
      const { state, outcomes } = await intake.take(attempt, () => events.map((event) => ({ ...event, receivedAt })));
      const showsMore =
        events.some((event) => earningTypes.has(event.type)) || outcomes.some((outcome) => outcome.kind === 'refused');
      return {
        outcomes: outcomes.map((outcome, index) => toAnswer(events[index] as SentEvent, outcome)),
        version: state.version,
        now: receivedAt,
        ...(showsMore ? { view: learnerView(assignments.getLesson(attempt.assignmentId).lesson, state) } : {}),
      };
    },
  };
}

function isByTeacher({ markedBy, comment, returned, voice, drawn }: Answer): boolean {
  return (markedBy !== null && markedBy !== 'program') || comment !== null || !!returned || !!voice || !!drawn;
}

/** The most that can be earned by who has not begun, on the way that carries most; practice counts for nothing. */
const countedPossible = (lesson: Lesson): number => pathFigures(lesson)?.points.most ?? 0;

function toAnswer(event: SentEvent, outcome: Outcome): IntakeAnswer['outcomes'][0] {
  return { id: event.id, ...outcome };
}
