import { questionsOf } from '@semita/core/analysis';
import { groupBy } from '@semita/core/elements';
import type { Question } from '@semita/core/question';
import { type Evidence, knownTargets, type NamedTarget, targetKey, targetsNamed } from '@semita/core/target';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { SheetRepository, StoredOutline } from '../assignments/sheet-repository.ts';
import type { TargetRepository } from './target-repository.ts';

export type TargetEvidence = ReturnType<typeof createTargetEvidence>;

/** What the questions name that a class was given. */
export interface NamedInClass {
  readonly timeZone: string;
  readonly assignmentIds: readonly string[];
  /** What the school's list has, in its order, then what is in words of its own. */
  readonly targets: readonly (NamedTarget & { readonly questionCount: number })[];
  /** Which questions name which, by the key of each target. */
  readonly asked: readonly { readonly assignmentId: string; readonly question: Question; readonly keys: string[] }[];
  readonly titles: Readonly<Record<string, string>>;
  /** What a question outside these lessons names. */
  readonly namesOf: (question: Question) => readonly NamedTarget[];
}

/** One answer in a lesson, and what it says of a target. */
export interface LessonEvidence extends Evidence {
  readonly key: string;
  readonly studentId: string;
  readonly assignmentId: string;
  readonly questionId: string;
}

interface Options {
  readonly repository: TargetRepository;
  readonly assignments: Pick<AssignmentRepository, 'listInClasses'>;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'preload'>;
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
}

/** What the answers of a class tell of its targets. */
export function createTargetEvidence({ repository, assignments, given, sheets }: Options) {
  return {
    readNamed(
      actor: Pick<Actor, 'id' | 'schoolId'>,
      { classId, timeZone }: { readonly classId: string; readonly timeZone: string },
    ): NamedInClass {
      const rows = assignments.listInClasses([classId], false);
      given.preload(rows.map(({ id, editionId }) => ({ assignmentId: id, editionId })));
      const listed = repository.list(actor);
      const known = knownTargets(listed);
      const named = new Map<string, NamedTarget>();
      const counts = new Map<string, number>();
      const titles: Record<string, string> = {};
      const asked = rows.flatMap(({ id }) => {
        const { lesson } = given.getLesson(id);
        titles[id] = lesson.title;
        return questionsOf(lesson).flatMap(({ question }) => {
          const targets = targetsNamed(question.target, known);
          for (const target of targets) {
            named.set(target.key, target);
            counts.set(target.key, (counts.get(target.key) ?? 0) + 1);
          }
          const keys = targets.map(({ key }) => key);
          return keys.length > 0 ? [{ assignmentId: id, question, keys }] : [];
        });
      });
      const placeOf = new Map(listed.map(({ code }, place) => [targetKey(code), place]));
      const targets = [...named.values()]
        .toSorted(
          (a, b) =>
            (placeOf.get(a.key) ?? listed.length) - (placeOf.get(b.key) ?? listed.length) ||
            a.words.localeCompare(b.words),
        )
        .map((target) => ({ ...target, questionCount: counts.get(target.key) ?? 0 }));
      const namesOf = (question: Question) => targetsNamed(question.target, known);
      return { timeZone, assignmentIds: rows.map(({ id }) => id), targets, asked, titles, namesOf };
    },

    /**
     * The answers that tell of each target, by the student and the target.
     * @param own outlines of one student, of whom alone; of all where absent
     */
    readEvidence(
      classId: string,
      { assignmentIds, asked }: NamedInClass,
      own?: readonly StoredOutline[],
    ): (studentId: string, key: string) => readonly LessonEvidence[] {
      const isOfClass = new Set(assignmentIds);
      const outlines =
        own?.filter(({ assignmentId }) => isOfClass.has(assignmentId)) ??
        sheets.listOutlines(assignmentIds, new Set([classId]));
      const attemptIds = outlines.flatMap(({ counted }) => (counted ? [counted.attemptId] : []));
      const keysOf = new Map(asked.map((one) => [`${one.assignmentId} ${one.question.id}`, one.keys]));
      const told = repository
        .listResults(attemptIds, new Set(asked.map(({ question }) => question.id)))
        .flatMap(({ earned, ...result }) =>
          (keysOf.get(`${result.assignmentId} ${result.questionId}`) ?? []).map((key) => ({
            ...{ key, ...result, earned: earned ?? 0 },
          })),
        )
        .filter(({ possible }) => possible > 0);
      const byTarget = groupBy(told, (one) => `${one.studentId} ${one.key}`);
      return (whose, key) => byTarget.get(`${whose} ${key}`) ?? [];
    },
  };
}
