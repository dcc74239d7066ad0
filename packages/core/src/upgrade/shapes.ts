import { createUpgrader } from './create-upgrader.ts';
import { nameEvent, nameLesson, nameQuestion } from './standard-names.ts';
import type { StoredDocuments } from './stored-documents.ts';

/**
 * What each kind of document has been through. The first shape of a kind is 1, and every step of its list leads from
 * one shape to the next, so that today's shape is one more than the list is long. A step is never changed or taken
 * out once it has landed: documents of its shape lie in somebody's database.
 *
 * What only gains a field that may be absent keeps its shape. What renames, removes or reads anew gains a step, and
 * with it a fixture of the shape before.
 */
export const upgrader = createUpgrader<StoredDocuments>({
  lesson: [nameLesson],
  question: [nameQuestion],
  rubric: [],
  event: [nameEvent],
  mergedDrafts: [],
  terms: [],
  reading: [],
  level: [],
  leftOut: [],
  deck: [],
  madeDeck: [],
  captions: [],
  tags: [],
  meetings: [],
  gradebookRules: [],
  gradebookFrame: [],
  gradebookCells: [],
  lookBack: [],
});
