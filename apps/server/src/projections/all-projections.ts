import type { Db } from '../db/open.ts';
import { createBankResults } from './bank-results.ts';
import { createPartWatching } from './part-watching.ts';
import type { Projection } from './projection.ts';
import { createQuestionResults } from './question-results.ts';

/** All that is kept of attempts beside their rows. A new one is added here, and filled by `npm run rebuild`. */
export const createProjections = (deps: { readonly db: Db }): readonly Projection[] => [
  createBankResults(deps),
  createQuestionResults(deps),
  createPartWatching(deps),
];
