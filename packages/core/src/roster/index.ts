// Classes and who is in them: marks, codes, cards, lists of people.
export { cardWordCount, countCardWords, makeCardWords, readCardWords } from './card-words.ts';
export {
  type ClassColour,
  type ClassMark,
  type ClassShape,
  classColours,
  classShapes,
  type Joining,
  joiningWays,
  letterOfClass,
  nextClassMark,
} from './class-mark.ts';
export { countJoinCodes, joinCodeLength, makeJoinCode, readJoinCode, showJoinCode } from './join-code.ts';
export {
  type OneRoster,
  type RosterClass,
  type RosterFault,
  type RosterFiles,
  type RosterPerson,
  readOneRoster,
} from './one-roster.ts';
export {
  type ListedPerson,
  listPeople,
  type PeopleColumn,
  peopleColumns,
  readingOf,
  type TableReading,
} from './people-table.ts';
export { longestPersonName, looksLikeEmail, nameKey, tidyPersonName } from './person-name.ts';
export { type GroupSizes, randomGroups } from './random-groups.ts';
export {
  type KnownPerson,
  type PlannedRow,
  planRoster,
  type RosterPlan,
  type RowFault,
  type StudentOnRoster,
  type WantedStudent,
} from './roster-plan.ts';
export { isUserName, longestUserName, userNameFor } from './user-name.ts';
export { type RosterOfSchool, type RosterTable, writeOneRoster } from './write-one-roster.ts';
export { type ResultsOfClass, writeResults } from './write-results.ts';
