import { questionsOf } from '@semita/core/analysis';
import type { ClassMastery } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { knownTargets, masteryOf, masteryRule, type NamedTarget, targetKey, targetsNamed } from '@semita/core/target';
import { found } from '../../http/refused.ts';
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
  readonly classes: Pick<ClassRepository, 'find' | 'listStudents'>;
  readonly given: Pick<AssignedLessons, 'getLesson' | 'preload'>;
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
  readonly teaches: (actor: Actor, classId: string) => boolean;
}

const longestStem = 90;

/** How far the students of a class have come with what the questions they were given name. */
export function createMasteryService({ repository, assignments, classes, given, sheets, teaches }: Options) {
  return {
    read(actor: Actor, classId: string): ClassMastery {
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
      const targets = [...named.values()].toSorted(
        (a, b) =>
          (placeOf.get(a.key) ?? listed.length) - (placeOf.get(b.key) ?? listed.length) ||
          a.words.localeCompare(b.words),
      );
      const attemptIds = sheets
        .listOutlines(
          rows.map(({ id }) => id),
          new Set([classId]),
        )
        .flatMap(({ counted }) => counted?.attemptId ?? []);
      const results = repository.listResults(attemptIds, Object.keys(stems));
      const evidence = groupBy(
        results.flatMap((result) =>
          (ofQuestion.get(`${result.assignmentId} ${result.questionId}`) ?? []).map(({ key }) => ({ key, result })),
        ),
        ({ key, result }) => `${result.studentId} ${key}`,
      );
      return {
        ...{ titles, stems, timeZone, runs: teaches(actor, classId) },
        targets: targets.map((target) => ({ ...target, questionCount: counts.get(target.key) ?? 0 })),
        students: classes.listStudents(classId).map(({ id, displayName }) => ({
          ...{ id, displayName },
          mastery: targets.map(({ key }) => {
            const own = (evidence.get(`${id} ${key}`) ?? [])
              .map(({ result: { assignmentId, questionId, earned, possible, at } }) => ({
                ...{ assignmentId, questionId, earned: earned ?? 0, possible, at },
              }))
              .filter(({ possible }) => possible > 0)
              .toSorted((a, b) => b.at - a.at)
              .slice(0, masteryRule.maxCount);
            return { ...masteryOf(own), evidence: own };
          }),
        })),
      };
    },
  };
}
