import { askWorker } from '../../../api/ask-worker.ts';
import type { PeopleSource, PeopleTable } from './people-table.ts';

/** Rows and cells of a list of people, read beside the page. @returns null where there is no text in it */
export const readPeopleTable = (source: PeopleSource): Promise<PeopleTable | null> =>
  askWorker(new Worker(new URL('./people-table-worker.ts', import.meta.url), { type: 'module' }), source);
