import type { ClassMastery } from '@semita/core/contract';
import { memo } from 'react';
import { Link } from 'react-router';
import { BigTable, headCellStyle, SlotCells } from '../../ui/big-table/big-table.tsx';
import type { Slot } from '../../ui/big-table/slots.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { LevelMark, levelOf, masteryWords, type ShownTarget, targetName } from './level-mark.tsx';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly mastery: ClassMastery;
  readonly onOpen: (targetKey: string, studentId?: string) => void;
}

const nameWidth = 216;
const columnWidthOf = (count: number) => (count <= 5 ? 172 : 112);
const rowHeightPx = 36;
const headHeightPx = 128;

/** Students × targets; of many, those in sight. */
export function MasteryTable({ classId, mastery: { targets, students }, onOpen }: Props) {
  return (
    <BigTable
      label={t('mastery.title')}
      className="max-h-[max(20rem,calc(100dvh-18rem))]"
      {...{ rowHeightPx, headHeightPx }}
      rows={students.length}
      columns={targets.length}
      columnWidthPx={columnWidthOf(targets.length)}
      headRows={2}
      sticky={[nameWidth]}
      head={(slots) => (
        <thead className="sticky top-0 z-20 print:static">
          <tr>
            <th scope="col" className={joinClasses(headCellStyle, 'sticky left-0 z-10 pl-4')}>
              {t('mastery.student')}
            </th>
            <SlotCells slots={slots} gapClassName={headCellStyle}>
              {(column) => <TargetHead target={targets[column] as ShownTarget} onOpen={onOpen} />}
            </SlotCells>
          </tr>
          <tr>
            <th
              scope="row"
              title={t('mastery.metByTitle')}
              className={joinClasses(headCellStyle, 'sticky left-0 z-10 py-1 pl-4')}
            >
              {t('mastery.classRow')}
            </th>
            <SlotCells slots={slots} gapClassName={headCellStyle}>
              {(column) => (
                <td
                  className={joinClasses(headCellStyle, 'border-l py-1 font-mono text-ink')}
                  title={t('mastery.metByTitle')}
                >
                  {metWords(students, column)}
                </td>
              )}
            </SlotCells>
          </tr>
        </thead>
      )}
      row={(index, slots) => {
        const student = students[index];
        return (
          student && { key: student.id, row: <StudentRow {...{ classId, student, targets, slots, index, onOpen }} /> }
        );
      }}
    />
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
    <th scope="col" className={joinClasses(headCellStyle, 'border-l font-normal')}>
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

interface RowProps extends Pick<Props, 'classId' | 'onOpen'> {
  readonly student: ClassMastery['students'][number];
  readonly targets: readonly ShownTarget[];
  readonly slots: readonly Slot[];
  readonly index: number;
}

const StudentRow = memo(function StudentRow({ classId, student, targets, slots, index, onOpen }: RowProps) {
  const { id, displayName, mastery } = student;
  return (
    <tr style={{ height: rowHeightPx }} className="group hover:bg-main-tint">
      <th
        scope="row"
        className="sticky left-0 z-10 truncate bg-card pr-2 pl-4 text-left font-medium group-hover:bg-main-tint"
      >
        <Link
          to={`/classes/${classId}/students/${id}`}
          data-cell={`${index}:0`}
          className="rounded-control hover:underline"
        >
          {displayName}
        </Link>
      </th>
      <SlotCells slots={slots}>
        {(column) => {
          const target = targets[column] as ShownTarget;
          const own = mastery[column];
          return (
            <td className="border-l border-line px-1">
              <button
                type="button"
                data-cell={`${index}:${column + 1}`}
                tabIndex={-1}
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
        }}
      </SlotCells>
    </tr>
  );
});
