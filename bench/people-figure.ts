import { listPeople, readingOf } from '@semita/core/roster';
import { tableOf } from '../apps/web/src/features/classes/add-students/people-table.ts';
import { type Figure, median, timeOf } from './compare.ts';

const count = 5_000;

/**
 * A list of five thousand people in an old encoding, as far as it is shown before anything is written. In milliseconds
 * of its worker, as what is waited for is time and not a share of something else.
 */
export function measurePeople(): Figure[] {
  const lines = Array.from({ length: count }, (_, i) => `Åsa Märta ${i};Öberg-Lindqvist;asa.oberg${i}`);
  const bytes = new Uint8Array(Buffer.from(`Förnamn;Efternamn;Användare\r\n${lines.join('\r\n')}`, 'latin1'))
    .buffer as ArrayBuffer;
  const preview = () => {
    const table = tableOf({ bytes });
    const people = table && listPeople(table.rows, readingOf(table.rows, table.areOneName));
    if (people?.length !== count) throw new Error(`${people?.length} people were read.`);
  };
  const ratio = median(Array.from({ length: 5 }, () => timeOf(preview)));
  return [{ name: 'A CSV of 5,000 people into a preview, in ms', ratio, goal: 300, better: 'lower' }];
}
