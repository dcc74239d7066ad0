// What students learn, and how far they have come.
export {
  type Evidence,
  type Mastery,
  type MasteryLevel,
  masteryLevels,
  masteryOf,
  masteryRule,
} from './mastery.ts';
export {
  type ReadTarget,
  type ReadTargets,
  readCasePackage,
  readTargetTable,
  type TargetFault,
} from './read-targets.ts';
export {
  knownTargets,
  type LearningTarget,
  longestCode,
  longestWords,
  type NamedTarget,
  targetKey,
  targetsNamed,
} from './target.ts';
