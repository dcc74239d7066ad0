import type { ClassMastery } from '@semita/core/contract';
import { memo } from 'react';
import { type Slot, slotKey } from '../../ui/big-table/slots.ts';
import { BigTableRows, useBigTable } from '../../ui/big-table/use-big-table.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { LevelMark, levelOf, masteryWords, type ShownTarget, targetName } from './level-mark.tsx';
import './words.ts';

interface Props {
  readonly mastery: ClassMastery;
  readonly onOpen: (targetKey: string, studentId?: string) => void;
}

const nameWidth = 216;
const columnWidthOf = (count: number) => (count <= 5 ? 172 : 112);
const rowHeightPx = 36;
const headHeightPx = 128;
const headCell = 'border-b border-line bg-card px-2 py-2 text-left align-bottom text-13 font-medium text-quiet';

/** Students × targets; of many, those in sight. */
export function MasteryTable({ mastery: { targets, students }, onOpen }: Props) {
  const columnWidth = columnWidthOf(targets.length);
  const { scroller, table, onKeyDown, onFocus, slots, rowItems, heightPx } = useBigTable({
    ...{ rows: students.length, columns: targets.length, rowHeightPx, headHeightPx, columnWidthPx: columnWidth },
    ...{ stickyPx: nameWidth, leadPx: 0 },
  });
  return (
    <section
      ref={scroller}
      aria-label={t('mastery.title')}
      style={{ scrollPadding: `${headHeightPx}px 0 0 ${nameWidth}px` }}
      className="max-h-[max(20rem,calc(100dvh-18rem))] overflow-auto rounded-card border border-line bg-card [overflow-anchor:none] print:max-h-none print:overflow-visible"
    >
      <table
        ref={table}
        aria-rowcount={students.length + 2}
        style={{ width: nameWidth + targets.length * columnWidth }}
        className="table-fixed border-separate border-spacing-0 text-14"
        onKeyDown={onKeyDown}
        onFocus={onFocus}
      >
        <colgroup>
          <col style={{ width: nameWidth }} />
          {slots.map((slot, index) => (
            <col
              key={slotKey(slot, index)}
              style={{ width: slot.kind === 'column' ? columnWidth : slot.columns * columnWidth }}
            />
          ))}
        </colgroup>
        <thead className="sticky top-0 z-20 print:static">
          <tr>
            <th scope="col" className={joinClasses(headCell, 'sticky left-0 z-10 pl-4')}>
              {t('mastery.student')}
            </th>
            {slots.map((slot, index) => {
              const target = slot.kind === 'column' ? targets[slot.column] : undefined;
              return target ? (
                <TargetHead key={slotKey(slot, index)} target={target} onOpen={onOpen} />
              ) : (
                <td key={slotKey(slot, index)} aria-hidden className={headCell} />
              );
            })}
          </tr>
          <tr>
            <th
              scope="row"
              title={t('mastery.metByTitle')}
              className={joinClasses(headCell, 'sticky left-0 z-10 py-1 pl-4')}
            >
              {t('mastery.classRow')}
            </th>
            {slots.map((slot, index) =>
              slot.kind === 'gap' ? (
                <td key={slotKey(slot, index)} aria-hidden className={headCell} />
              ) : (
                <td
                  key={slotKey(slot, index)}
                  className={joinClasses(headCell, 'border-l py-1 font-mono text-ink')}
                  title={t('mastery.metByTitle')}
                >
                  {metWords(students, slot.column)}
                </td>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          <BigTableRows items={rowItems} heightPx={heightPx}>
            {(index) => {
              const student = students[index];
              return (
                student && {
                  key: student.id,
                  row: <StudentRow {...{ student, targets, slots, index, onOpen }} />,
                }
              );
            }}
          </BigTableRows>
        </tbody>
      </table>
    </section>
  );
}

function metWords(students: ClassMastery['students'], place: number): string {
  const told = students.filter(({ mastery }) => mastery[place]?.level != null);
  if (told.length === 0) return t('mastery.nothing');
  const met = told.filter(({ mastery }) => mastery[place]?.level === 'met').length;
  return t('mastery.metBy', { count: told.length, met });
}

interface HeadProps extends Pick<Props, 'onOpen'> {
  readonly target: ShownTarget;
}

const TargetHead = memo(function TargetHead({ target, onOpen }: HeadProps) {
  const { key, code, words, questionCount } = target;
  return (
    <th scope="col" className={joinClasses(headCell, 'border-l font-normal')}>
      <button
        type="button"
        title={targetName(target)}
        onClick={() => onOpen(key)}
        className="grid w-full rounded-control text-left hover:underline"
      >
        {code !== '' && <span className="truncate font-mono text-ink">{code}</span>}
        <span className={joinClasses('line-clamp-3 break-words', code === '' && 'text-ink')}>{words}</span>
        <span className="truncate">{t('mastery.questions', { count: questionCount })}</span>
      </button>
    </th>
  );
});

interface RowProps extends Pick<Props, 'onOpen'> {
  readonly student: ClassMastery['students'][number];
  readonly targets: readonly ShownTarget[];
  readonly slots: readonly Slot[];
  readonly index: number;
}

const StudentRow = memo(function StudentRow({ student, targets, slots, index, onOpen }: RowProps) {
  const { id, displayName, mastery } = student;
  return (
    <tr style={{ height: rowHeightPx }} className="group hover:bg-main-tint">
      <th
        scope="row"
        className="sticky left-0 z-10 truncate bg-card pr-2 pl-4 text-left font-medium group-hover:bg-main-tint"
      >
        {displayName}
      </th>
      {slots.map((slot, place) => {
        if (slot.kind === 'gap') return <td key={slotKey(slot, place)} aria-hidden />;
        const target = targets[slot.column] as ShownTarget;
        const own = mastery[slot.column];
        return (
          <td key={slotKey(slot, place)} className="border-l border-line px-1">
            <button
              type="button"
              data-cell={`${index}:${slot.column + 1}`}
              tabIndex={index === 0 && slot.column === 0 ? 0 : -1}
              aria-label={t('mastery.cell', {
                ...{ name: displayName, target: targetName(target), words: masteryWords(own) },
              })}
              onClick={() => onOpen(target.key, id)}
              className="flex min-h-8 w-full items-center gap-1.5 rounded-control px-1 text-13 hover:underline"
            >
              <LevelMark level={levelOf(own)} />
              {own?.share != null && <span className="font-mono">{formatShare(own.share)}</span>}
            </button>
          </td>
        );
      })}
    </tr>
  );
});
