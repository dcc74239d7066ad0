import { questionsOf } from '@semita/core/analysis';
import type { ClassMastery, StudentMastery } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { knownTargets, masteryOf, masteryRule, type NamedTarget, targetKey, targetsNamed } from '@semita/core/target';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { TargetRepository } from './target-repository.ts';

export type MasteryService = ReturnType<typeof createMasteryService>;

interface Options {
  readonly repository: TargetRepository;
  readonly assignments: Pick<AssignmentRepository, 'listInClasses'>;
  readonly classes: Pick<ClassRepository, 'find' | 'listStudents' | 'isIn'>;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'preload'>;
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
  readonly teaches: (actor: Actor, classId: string) => boolean;
}

const longestStem = 90;

/** How far the students of a class have come with what the questions they were given name. */
export function createMasteryService({ repository, assignments, classes, given, sheets, teaches }: Options) {
  /** What the questions name that a class was given. */
  const readNamed = (actor: Actor, classId: string) => {
    const { timeZone } = found(classes.find(classId));
    const rows = assignments.listInClasses([classId], false);
    given.preload(rows.map(({ id, editionId }) => ({ assignmentId: id, editionId })));
    const listed = repository.list(actor);
    const known = knownTargets(listed);
    const named = new Map<string, NamedTarget>();
    const ofQuestion = new Map<string, readonly NamedTarget[]>();
    const stems: Record<string, string> = {};
    const titles: Record<string, string> = {};
    const counts = new Map<string, number>();
    for (const { id } of rows) {
      const { lesson } = given.getLesson(id);
      titles[id] = lesson.title;
      for (const { question } of questionsOf(lesson)) {
        const targets = targetsNamed(question.target, known);
        if (targets.length === 0) continue;
        ofQuestion.set(`${id} ${question.id}`, targets);
        stems[question.id] = question.stem.slice(0, longestStem);
        for (const target of targets) {
          named.set(target.key, target);
          counts.set(target.key, (counts.get(target.key) ?? 0) + 1);
        }
      }
    }
    // Those of the list in its order, then those in words of their own.
    const placeOf = new Map(listed.map(({ code }, place) => [targetKey(code), place]));
    const targets = [...named.values()]
      .toSorted(
        (a, b) =>
          (placeOf.get(a.key) ?? listed.length) - (placeOf.get(b.key) ?? listed.length) ||
          a.words.localeCompare(b.words),
      )
      .map((target) => ({ ...target, questionCount: counts.get(target.key) ?? 0 }));
    return { timeZone, assignmentIds: rows.map(({ id }) => id), targets, ofQuestion, stems, titles };
  };

  /**
   * The answers that tell of each target, by the student, the latest first.
   * @param studentId of whom alone; of all where absent
   */
  const readEvidence = (
    classId: string,
    { assignmentIds, ofQuestion, stems }: ReturnType<typeof readNamed>,
    studentId?: string,
  ) => {
    const attemptIds = sheets
      .listOutlines(assignmentIds, new Set([classId]))
      .flatMap((one) => (one.counted && (studentId ?? one.studentId) === one.studentId ? [one.counted.attemptId] : []));
    const told = repository
      .listResults(attemptIds, Object.keys(stems))
      .flatMap(({ earned, ...result }) =>
        (ofQuestion.get(`${result.assignmentId} ${result.questionId}`) ?? []).map(({ key }) => ({
          ...{ key, ...result, earned: earned ?? 0 },
        })),
      )
      .filter(({ possible }) => possible > 0);
    const byTarget = groupBy(told, ({ key, studentId: whose }) => `${whose} ${key}`);
    return (whose: string, key: string) =>
      (byTarget.get(`${whose} ${key}`) ?? []).toSorted((a, b) => b.at - a.at).slice(0, masteryRule.maxCount);
  };

  return {
    read(actor: Actor, classId: string): ClassMastery {
      const named = readNamed(actor, classId);
      const { timeZone, targets } = named;
      const evidenceOf = readEvidence(classId, named);
      return {
        ...{ targets, timeZone, runs: teaches(actor, classId) },
        students: classes.listStudents(classId).map(({ id, displayName }) => ({
          ...{ id, displayName },
          mastery: targets.map(({ key }) => masteryOf(evidenceOf(id, key))),
        })),
      };
    },

    /** @throws Refused notFound for whom the class does not have */
    readStudent(actor: Actor, classId: string, studentId: string): StudentMastery {
      if (!classes.isIn(classId, studentId)) throw new Refused('notFound');
      const named = readNamed(actor, classId);
      const { timeZone, targets, stems, titles } = named;
      const evidenceOf = readEvidence(classId, named, studentId);
      return {
        ...{ targets, timeZone, stems, titles },
        mastery: targets.map(({ key }) => {
          const evidence = evidenceOf(studentId, key).map(({ assignmentId, questionId, earned, possible, at }) => ({
            ...{ assignmentId, questionId, earned, possible, at },
          }));
          return { ...masteryOf(evidence), evidence };
        }),
      };
    },
  };
}
