import { questionsOf } from '@semita/core/analysis';
import {
  type AttemptEvent,
  type AttemptState,
  beginAttempt,
  type TeacherEventBody,
  teacherSittingId,
} from '@semita/core/attempt';
import { questionFaults } from '@semita/core/checks';
import type {
  AttemptDetail,
  MarkChange,
  MarkInput,
  MarkingQuestion,
  MarkMove,
  QuestionAnswers,
} from '@semita/core/contract';
import { showsTheSame } from '@semita/core/learner';
import type { Lesson } from '@semita/core/lesson';
import { isFittingRubric, markResponse } from '@semita/core/marking';
import { ownLesson } from '@semita/core/own-lesson';
import type { Question } from '@semita/core/question';
import { takeIn } from '@semita/core/reducer';
import { type SheetLine, shownAnswer, shownStateOf } from '@semita/core/sheet';
import { certainAhead, findStop, type WalkContext } from '@semita/core/walk';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { NoticeRepository } from '../notices/notice-repository.ts';
import type { AnswerFileService } from './answer-files.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';
import type { ReadStates } from './read-states.ts';

export type MarkingService = ReturnType<typeof createMarkingService>;

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly given: AssignedLessons;
  readonly sheetOf: Pick<AssignmentService, 'readStudent'>;
  readonly readStates: ReadStates;
  readonly attempts: AttemptRepository;
  readonly intake: EventIntake;
  readonly answerFiles: Pick<AnswerFileService, 'isOf'>;
  readonly security: Pick<SecurityLog, 'record'>;
  readonly notices: Pick<NoticeRepository, 'add'>;
  /** Names of teachers, by id. */
  readonly nameOf: (userId: string) => string;
}

export interface KeyInput {
  readonly question: Question;
  /** Off: only tells whose marks would move. */
  readonly confirms: boolean;
}

/** The teacher's side of attempts: reading them and marking them. */
export function createMarkingService(options: Options) {
  const { clock, newId, given, sheetOf, readStates, attempts, intake, answerFiles, security, notices, nameOf } =
    options;

  const readAttempt = (actor: Actor, assignmentId: string, studentId: string): AttemptDetail => {
    const { line, counted } = sheetOf.readStudent(actor, assignmentId, studentId);
    const state = counted ? intake.readState(counted.attemptId) : null;
    const { lesson } = given.getLesson(assignmentId, counted?.editionId);
    const own = state ? ownLesson(lesson, state) : lesson;
    const { partIds } = certainAhead(own, state ?? beginAttempt({ begunAt: clock(), secret: '' }));
    return { student: line, lesson: own, state: state && shownStateOf(state), aheadPartIds: [...partIds] };
  };

  /** The attempt that counts. @throws Refused notFound where the student has not begun */
  const getCounted = (actor: Actor, assignmentId: string, studentId: string) =>
    found(sheetOf.readStudent(actor, assignmentId, studentId).counted);

  const teacherEvents = (bodies: readonly TeacherEventBody[], at: number) => (current: AttemptState) =>
    bodies.map((body, index): AttemptEvent => {
      const n = (current.intake.sittings[teacherSittingId]?.next ?? 0) + index;
      return { ...body, id: newId(), sittingId: teacherSittingId, n, at, receivedAt: at };
    });

  const mark = async (actor: Actor, assignmentId: string, studentId: string, input: MarkInput): Promise<void> => {
    const { state, lesson } = readAttempt(actor, assignmentId, studentId);
    const attempt = getCounted(actor, assignmentId, studentId);
    const { stopId, questionId, points, comment, rubric, voice, drawn } = input;
    const answer = state?.stops[stopId]?.answers[questionId];
    if (!answer) throw new Refused('answerMissing');
    // Before anything is written: points and comment are taken together or not at all.
    const question = findQuestion(lesson, stopId, questionId);
    if (points !== null && points > (question?.points ?? 0)) throw new Refused('pointsOutOfRange');
    if (rubric && !isFittingRubric(question?.rubric, rubric)) throw new Refused('inputInvalid', { fields: ['rubric'] });
    if (voice && !answerFiles.isOf(attempt.attemptId, voice)) throw new Refused('inputInvalid', { fields: ['voice'] });
    const on = { stopId, questionId, by: actor.id };
    const bodies: TeacherEventBody[] = [];
    if (points !== null) bodies.push({ type: 'marked', ...on, points, ...(rubric ? { rubric } : {}) });
    const says = comment !== (answer.comment ?? '') || voice !== undefined || drawn !== undefined;
    if (says)
      bodies.push({
        ...{ type: 'commented', ...on, text: comment },
        ...(voice === undefined ? {} : { voice }),
        ...(drawn === undefined ? {} : { drawn }),
      });
    if (input.returns) bodies.push({ type: 'returned', ...on });
    const { outcomes } = await intake.take(attempt, teacherEvents(bodies, clock()));
    if (outcomes.some((outcome) => outcome.kind === 'refused')) throw new Refused('answerMissing');
    security.record('marked', studentId, assignmentId, actor.id);
    tell(assignmentId, studentId, input.returns ? { attempt, questionId } : null);
  };

  /** Once a day that something was marked, and each thing that came back; nothing of what is not shown yet. */
  const tell = (
    assignmentId: string,
    studentId: string,
    returned: { readonly attempt: AttemptKey; readonly questionId: string } | null,
  ): void => {
    const day = Math.floor(clock() / 86_400_000);
    const about = null;
    if (returned) {
      const key = `returned ${returned.attempt.attemptId} ${returned.questionId} ${day}`;
      notices.add(studentId, assignmentId, { kind: 'returned', key, about });
      return;
    }
    const { terms, releasedAt } = given.givenOf(assignmentId);
    const { points = 'atOnce', feedback = 'atOnce' } = terms.shown ?? {};
    if (releasedAt === null && (points !== 'atOnce' || feedback !== 'atOnce')) return;
    notices.add(studentId, assignmentId, { kind: 'marked', key: `marked ${assignmentId} ${day}`, about });
  };

  return {
    readAttempt,

    /**
     * Gives points and a comment to one answer, gives it back, or says something to it; all of it goes into the log.
     * An empty comment takes the old one away.
     * @throws Refused answerMissing when there is nothing to mark, pointsOutOfRange
     */
    async mark(actor: Actor, assignmentId: string, studentId: string, input: MarkInput): Promise<AttemptDetail> {
      await mark(actor, assignmentId, studentId, input);
      return readAttempt(actor, assignmentId, studentId);
    },

    /**
     * Lets count what came in after closing, as if it had come in time.
     * @throws Refused notFound when nothing waits
     */
    async admitLate(actor: Actor, assignmentId: string, studentId: string): Promise<AttemptDetail> {
      const attempt = getCounted(actor, assignmentId, studentId);
      found(intake.readState(attempt.attemptId).afterClosing);
      const until = clock();
      await intake.take(attempt, teacherEvents([{ type: 'admitted', until, by: actor.id }], until));
      return readAttempt(actor, assignmentId, studentId);
    },

    /** The same mark for answers of several students. What was marked before one failed stays marked. */
    async markMany(actor: Actor, assignmentId: string, studentIds: readonly string[], input: MarkInput) {
      for (const studentId of studentIds) await mark(actor, assignmentId, studentId, input);
    },

    listMarking(actor: Actor, assignmentId: string): MarkingQuestion[] {
      const states = readStates(actor, assignmentId).map(({ state }) => state);
      return questionsOf(given.getLesson(assignmentId).lesson).map(({ stopId, question }) => {
        const answers = states.flatMap((state) => state.stops[stopId]?.answers[question.id] ?? []);
        const waiting = answers.filter(({ points }) => points === null).length;
        return { stopId, questionId: question.id, stem: question.stem, answered: answers.length, waiting };
      });
    },

    /** @throws Refused notFound when the lesson has no such question */
    readAnswers(actor: Actor, assignmentId: string, questionId: string): QuestionAnswers {
      const states = readStates(actor, assignmentId);
      const { stopId, question } = found(
        questionsOf(given.getLesson(assignmentId).lesson).find((one) => one.question.id === questionId),
      );
      const answers = states.flatMap(({ student: { studentId, displayName }, state }) => {
        const answer = state.stops[stopId]?.answers[questionId];
        if (!answer) return [];
        const before = Object.values(state.stops).flatMap(
          ({ answers: given }) => given[question.comparedWith ?? '']?.response ?? [],
        )[0];
        return [{ studentId, displayName, answer: shownAnswer(answer), before: before ?? null }];
      });
      return { stopId, question, answers };
    },

    /**
     * Puts the key of a question right and marks anew what the program marked; or only tells whose marks would move.
     * @throws Refused changeImpossible when students would see another question
     */
    async changeKey(actor: Actor, place: { assignmentId: string; questionId: string }, input: KeyInput) {
      const { assignmentId, questionId } = place;
      const { question, confirms } = input;
      const states = readStates(actor, assignmentId);
      const { lesson, terms } = given.getLesson(assignmentId);
      const old = found(questionsOf(lesson).find((one) => one.question.id === questionId));
      const isPossible = question.id === questionId && showsTheSame(old.question, question);
      if (!isPossible || questionFaults(question).length > 0) throw new Refused('changeImpossible');
      const at = clock();
      // What is answered from now on is marked by the new key; what was answered before, by an event.
      if (confirms) {
        given.addKeyChange({ id: newId(), assignmentId, question, at, by: actor.id });
        security.record('keyChanged', null, assignmentId, actor.id);
      }
      const remarkOf = (state: AttemptState) => {
        const answer = state.stops[old.stopId]?.answers[questionId];
        if (!answer || answer.points === null) return null;
        const earned = markResponse(question, answer.response, terms.locale);
        if (earned === null) return null;
        const earlier = (answer.earlier ?? []).map(
          ({ response, points }) => markResponse(question, response, terms.locale) ?? points ?? 0,
        );
        const body = { type: 'remarked', stopId: old.stopId, questionId, earned, earlier, by: actor.id } as const;
        return { body, before: answer.points, byHand: answer.markedBy !== 'program' };
      };
      const moves = states.flatMap(({ student, attempt, state }): MarkMove[] => {
        const remark = remarkOf(state);
        if (!remark) return [];
        const { body, before, byHand } = remark;
        const after = pointsAfter(given.contextOf(attempt), state, body);
        return after !== before || byHand ? [{ ...named(student), before, after, byHand }] : [];
      });
      if (!confirms) return moves;
      // A key is the assignment's: attempts that do not count, and students of other teachers, are marked by it too.
      for (const attempt of attempts.listIn(assignmentId)) {
        const remark = remarkOf(intake.readState(attempt.attemptId));
        if (remark) await intake.take(attempt, teacherEvents([remark.body], at));
      }
      return moves;
    },

    /** Who changed which mark when; the latest first. */
    readHistory(actor: Actor, assignmentId: string, studentId: string): MarkChange[] {
      const { counted } = sheetOf.readStudent(actor, assignmentId, studentId);
      if (!counted) return [];
      return attempts
        .readLog(counted.attemptId)
        .flatMap((event): MarkChange[] => {
          if (event.type !== 'marked' && event.type !== 'commented' && event.type !== 'returned') return [];
          return [
            {
              questionId: event.questionId,
              at: event.receivedAt,
              by: nameOf(event.by),
              points: event.type === 'marked' ? event.points : null,
              comment: event.type === 'commented' ? event.text : null,
              returned: event.type === 'returned',
            },
          ];
        })
        .toReversed();
    },
  };
}

const named = ({ studentId, displayName }: SheetLine) => ({ studentId, displayName });

/** What an answer would be worth after an event, by the one reducer. */
function pointsAfter(
  context: WalkContext,
  state: AttemptState,
  body: Extract<TeacherEventBody, { type: 'remarked' }>,
): number {
  const n = state.intake.sittings[teacherSittingId]?.next ?? 0;
  const event = { ...body, id: '', sittingId: teacherSittingId, n, at: 0, receivedAt: 0 };
  return takeIn(context, state, event).state.stops[body.stopId]?.answers[body.questionId]?.points ?? 0;
}

function findQuestion(lesson: Lesson, stopId: string, questionId: string): Question | undefined {
  const found = findStop(lesson, stopId);
  return found ? questionsOf(lesson).find(({ question }) => question.id === questionId)?.question : undefined;
}
