import { type PeopleColumn, peopleColumns, type TableReading } from '@semita/core/roster';
import { CheckInput } from '../../../ui/check-input.tsx';
import { Select } from '../../../ui/field.tsx';
import { joinClasses } from '../../../ui/join-classes.ts';
import { t } from '../../../words/words.ts';
import type { PeopleTable } from './people-table.ts';
import '../words.ts';

interface Props {
  readonly table: PeopleTable;
  readonly reading: TableReading;
  readonly onChange: (reading: TableReading) => void;
}

/** What the columns of a list hold, as it was found out, and as it can be put right. A list of names alone needs none of it. */
export function ColumnsOfTable({ table, reading, onChange }: Props) {
  const { columns, hasHeader } = reading;
  if (columns.length === 1 && !hasHeader) return null;
  const shown = table.rows.slice(0, 3);
  const set = (index: number, column: PeopleColumn) =>
    onChange({ ...reading, columns: columns.map((one, at) => (at === index ? column : one)) });
  return (
    <section className="grid gap-2">
      <div className="flex flex-wrap items-center gap-4">
        <h3 className="grow text-16">{t('classes.whatIsWhat')}</h3>
        <CheckInput checked={hasHeader} onChange={(next) => onChange({ ...reading, hasHeader: next })}>
          {t('classes.firstIsHeader')}
        </CheckInput>
      </div>
      <div className="overflow-x-auto rounded-card border border-line">
        <table className="w-full text-13">
          <thead>
            <tr className="border-b border-line text-left">
              {columns.map((column, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <th key={index} className="p-2">
                  <Select
                    aria-label={t('classes.column', { number: index + 1 })}
                    className="h-8 w-full min-w-28"
                    value={column}
                    onChange={(event) => set(index, event.target.value as PeopleColumn)}
                  >
                    {peopleColumns.map((one) => (
                      <option key={one} value={one}>
                        {t(`classes.columns.${one}`)}
                      </option>
                    ))}
                  </Select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((row, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
              <Row key={index} row={row} columns={columns} isHeader={hasHeader && index === 0} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

interface RowProps {
  readonly row: readonly string[];
  readonly columns: readonly PeopleColumn[];
  readonly isHeader: boolean;
}

function Row({ row, columns, isHeader }: RowProps) {
  return (
    <tr className={isHeader ? 'font-medium text-quiet' : ''}>
      {columns.map((column, index) => (
        <td
          // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
          key={index}
          className={joinClasses('max-w-48 truncate px-3 py-1', column === 'other' && 'text-quiet line-through')}
        >
          {row[index]}
        </td>
      ))}
    </tr>
  );
}
