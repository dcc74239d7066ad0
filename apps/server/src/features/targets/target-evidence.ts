import { questionsOf } from '@semita/core/analysis';
import { groupBy } from '@semita/core/elements';
import type { Question } from '@semita/core/question';
import { type Evidence, knownTargets, type NamedTarget, targetKey, targetsNamed } from '@semita/core/target';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { StoredOutline } from '../assignments/sheet-repository.ts';
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

export type EvidenceOf = (studentId: string, key: string) => readonly LessonEvidence[];

interface Place {
  readonly classId: string;
  readonly timeZone: string;
}

interface Options {
  readonly repository: TargetRepository;
  readonly assignments: Pick<AssignmentRepository, 'listInClasses'>;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'preload' | 'classIdsOf'>;
}

/** What the answers of classes tell of their targets. */
export function createTargetEvidence({ repository, assignments, given }: Options) {
  return {
    /** Of some classes at once, in their order: no class takes a statement more. */
    readNamed(actor: Pick<Actor, 'id' | 'schoolId'>, places: readonly Place[]): NamedInClass[] {
      const rows = assignments.listInClasses(
        places.map(({ classId }) => classId),
        false,
      );
      given.preload(rows.map(({ id, editionId }) => ({ assignmentId: id, editionId })));
      const listed = repository.list(actor);
      const known = knownTargets(listed);
      const placeOf = new Map(listed.map(({ code }, place) => [targetKey(code), place]));
      const namesOf = (question: Question) => targetsNamed(question.target, known);
      return places.map(({ classId, timeZone }) => {
        const own = rows.filter(({ id }) => given.classIdsOf(id).includes(classId));
        const named = new Map<string, NamedTarget>();
        const counts = new Map<string, number>();
        const titles: Record<string, string> = {};
        const asked = own.flatMap(({ id }) => {
          const { lesson } = given.getLesson(id);
          titles[id] = lesson.title;
          return questionsOf(lesson).flatMap(({ question }) => {
            const targets = namesOf(question);
            for (const target of targets) {
              named.set(target.key, target);
              counts.set(target.key, (counts.get(target.key) ?? 0) + 1);
            }
            const keys = targets.map(({ key }) => key);
            return keys.length > 0 ? [{ assignmentId: id, question, keys }] : [];
          });
        });
        const targets = [...named.values()]
          .toSorted(
            (a, b) =>
              (placeOf.get(a.key) ?? listed.length) - (placeOf.get(b.key) ?? listed.length) ||
              a.words.localeCompare(b.words),
          )
          .map((target) => ({ ...target, questionCount: counts.get(target.key) ?? 0 }));
        return { timeZone, assignmentIds: own.map(({ id }) => id), targets, asked, titles, namesOf };
      });
    },

    /**
     * The answers that tell of each target of some classes; for each of these, by the student and the target.
     * @param outlines of the students whose answers are looked for
     */
    readEvidence(
      named: readonly NamedInClass[],
      outlines: readonly Pick<StoredOutline, 'assignmentId' | 'counted'>[],
    ): EvidenceOf[] {
      const isAsked = new Set(named.flatMap(({ assignmentIds }) => assignmentIds));
      const attemptIds = outlines.flatMap(({ assignmentId, counted }) =>
        counted && isAsked.has(assignmentId) ? [counted.attemptId] : [],
      );
      const asked = named.flatMap((one) => one.asked);
      const keysOf = new Map(asked.map((one) => [`${one.assignmentId} ${one.question.id}`, one.keys]));
      const told = repository
        .listResults(attemptIds, new Set(asked.map(({ question }) => question.id)))
        .flatMap(({ earned, ...result }) =>
          (keysOf.get(`${result.assignmentId} ${result.questionId}`) ?? []).map((key) => ({
            ...{ key, ...result, earned: earned ?? 0 },
          })),
        )
        .filter(({ possible }) => possible > 0);
      return named.map(({ assignmentIds }) => {
        const isOwn = new Set(assignmentIds);
        const own = told.filter(({ assignmentId }) => isOwn.has(assignmentId));
        const byTarget = groupBy(own, (one) => `${one.studentId} ${one.key}`);
        return (studentId, key) => byTarget.get(`${studentId} ${key}`) ?? [];
      });
    },
  };
}
