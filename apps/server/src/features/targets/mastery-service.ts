import type { ClassMastery, StudentMastery } from '@semita/core/contract';
import { masteryOf, masteryRule } from '@semita/core/target';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { ReviewRepository } from '../reviews/review-repository.ts';
import type { EvidenceOf, NamedInClass, TargetEvidence } from './target-evidence.ts';

export type MasteryService = ReturnType<typeof createMasteryService>;

interface Options {
  readonly evidence: TargetEvidence;
  readonly classes: Pick<ClassRepository, 'findTaught' | 'listStudents' | 'isIn'>;
  /** Answers to what came back, in classes where they tell of targets. */
  readonly listCounted: ReviewRepository['listCounted'];
  readonly sheets: Pick<SheetRepository, 'listOutlines' | 'listOutlinesOf'>;
}

const longestStem = 90;

/** How far the students of a class have come with what the questions they were given name. */
export function createMasteryService({ evidence, classes, listCounted, sheets }: Options) {
  return {
    read(actor: Actor, classId: string): ClassMastery {
      const { timeZone, runs } = found(classes.findTaught(classId, actor.id));
      const [named] = evidence.readNamed(actor, [{ classId, timeZone }]) as [NamedInClass];
      const { targets, assignmentIds } = named;
      const outlines = sheets.listOutlines(assignmentIds, new Set([classId]));
      const [inLessons] = evidence.readEvidence([named], outlines) as [EvidenceOf];
      const inReviews = listCounted(classId);
      return {
        ...{ targets: targets.map((target) => ({ ...target })), timeZone, runs },
        students: classes.listStudents(classId).map(({ id, displayName }) => ({
          ...{ id, displayName },
          mastery: targets.map(({ key }) => masteryOf([...inLessons(id, key), ...inReviews(id, key)])),
        })),
      };
    },

    /** @throws Refused notFound for whom the class does not have */
    readStudent(actor: Actor, classId: string, studentId: string): StudentMastery {
      if (!classes.isIn(classId, studentId)) throw new Refused('notFound');
      const { timeZone } = found(classes.findTaught(classId, actor.id));
      const [named] = evidence.readNamed(actor, [{ classId, timeZone }]) as [NamedInClass];
      const { targets, titles } = named;
      const outlines = [...sheets.listOutlinesOf(studentId).values()];
      const [inLessons] = evidence.readEvidence([named], outlines) as [EvidenceOf];
      const inReviews = listCounted(classId, studentId);
      const stems: Record<string, string> = {};
      for (const { question } of named.asked) stems[question.id] = question.stem.slice(0, longestStem);
      return {
        ...{ targets: targets.map((target) => ({ ...target })), timeZone, titles: { ...titles } },
        mastery: targets.map(({ key }) => {
          const reviewed = inReviews(studentId, key);
          for (const { questionId, words } of reviewed) stems[questionId] = words;
          const latest = [...inLessons(studentId, key), ...reviewed]
            .toSorted((a, b) => b.at - a.at)
            .slice(0, masteryRule.maxCount)
            .map((one) => ({
              assignmentId: 'assignmentId' in one ? one.assignmentId : null,
              ...{ questionId: one.questionId, earned: one.earned, possible: one.possible, at: one.at },
            }));
          return { ...masteryOf(latest), evidence: latest };
        }),
        stems,
      };
    },
  };
}
