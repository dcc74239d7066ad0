import type { Item, Question } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly question: Question;
  /** The picks of each answer: pairs as `one other`. */
  readonly picks: readonly (readonly string[])[];
}

/** What can be put together in a question, by rows and columns; null where it is nothing of the kind. */
function sidesOf(question: Question): { readonly rows: readonly Item[]; readonly columns: readonly Item[] } | null {
  switch (question.kind) {
    case 'match':
      return { rows: question.sources, columns: question.targets };
    case 'associate':
      return { rows: question.items, columns: question.items };
    case 'graphicGapMatch':
      return {
        rows: question.areas.map(({ id, label }, index) => ({
          id,
          text: label || t('pairs.place', { number: index + 1 }),
        })),
        columns: question.words,
      };
    default:
      return null;
  }
}

/** How many put what together with what, as a small table; the more, the darker. */
export function PairMatrix({ question, picks }: Props) {
  const sides = sidesOf(question);
  if (!sides || picks.length === 0) return null;
  const isOneList = question.kind === 'associate';
  const counts = new Map<string, number>();
  for (const pick of picks.flat()) counts.set(pick, (counts.get(pick) ?? 0) + 1);
  const countOf = (row: string, column: string) =>
    (counts.get(`${row} ${column}`) ?? 0) + (isOneList ? (counts.get(`${column} ${row}`) ?? 0) : 0);
  const most = Math.max(1, ...counts.values());
  return (
    <section className="grid gap-2">
      <h3 className="text-16">{t('pairs.title')}</h3>
      <div className="overflow-x-auto">
        <table className="text-13">
          <thead>
            <tr>
              <td />
              {sides.columns.map(({ id, text }) => (
                <th key={id} scope="col" className="max-w-28 px-2 pb-1 text-left align-bottom font-medium text-quiet">
                  {plainWords(text)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sides.rows.map((row, index) => (
              <tr key={row.id}>
                <th scope="row" className="max-w-40 py-1 pr-3 text-left font-medium text-quiet">
                  {plainWords(row.text)}
                </th>
                {sides.columns.map((column, at) => {
                  // Pairs without direction are told once.
                  if (isOneList && at <= index) return <td key={column.id} />;
                  const count = countOf(row.id, column.id);
                  return (
                    <td key={column.id} className="p-0.5">
                      <span
                        style={{
                          backgroundColor: `color-mix(in oklab, var(--color-slate) ${(count / most) * 45}%, transparent)`,
                        }}
                        className="grid h-8 min-w-12 place-items-center rounded-control border border-line font-mono text-ink"
                      >
                        {count}
                      </span>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
