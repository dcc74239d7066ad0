// What a teacher makes: a lesson, changes to it, how long it is.
export { stopTimeMs } from './answer-time.ts';
export {
  type Board,
  type BoardNeed,
  isNeedMet,
  isNeedPossible,
  needDone,
  rowsOf,
  type Tile,
  type TileColour,
  type TileKind,
  type TileTarget,
  tileColours,
  tileKinds,
} from './board.ts';
export { firstWords } from './first-words.ts';
export { groupsOf, partsForSome } from './groups-of.ts';
export {
  type Checkpoint,
  type Fork,
  hasLength,
  hasMaterial,
  type Inset,
  type Lesson,
  type LessonPart,
  type MapPosition,
  type MaterialPart,
  type Narration,
  type Part,
  type PartKind,
  type PartPosition,
  type PartTarget,
  type Pause,
  possiblePoints,
  type Rule,
  type RuleCondition,
  type Stop,
  stopsInOrder,
  type Target,
  type UntimedPart,
  type UntimedPartOf,
  untimedWindow,
} from './lesson.ts';
export { applyChange, applyChanges, changeTarget, type LessonChange } from './lesson-change.ts';
export { type LessonLengths, lessonLengths } from './lesson-lengths.ts';
export { materialsOf, materialsOfQuestion } from './materials-of.ts';
export { refineChange } from './refine-change.ts';
export { lineTitle, splitMaterial, suggestStarts } from './split-material.ts';
export { nextPart, partOverLines, splitChange } from './split-part.ts';
export { isStopEdit } from './stop-edit.ts';
export { type MaterialKind, materialKinds, wholePart } from './whole-part.ts';
export { isWithinFilm } from './within-film.ts';
