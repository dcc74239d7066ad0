import type { CategoryTotal, GradebookCell, GradebookColumn, Term, UsedCell } from '@semita/core/gradebook';
import { totalsOfTerms, wholeOf } from '@semita/core/gradebook';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { NumberInput } from '../../ui/number-input.tsx';
import { formatInstant, formatNumber, formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import type { CountedBook, CountedStudent } from './counted-book.ts';
import { totalWords } from './grade-words.ts';
import { overridesOptions, useOverride } from './queries.ts';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly timeZone: string;
  readonly book: CountedBook;
  readonly student: CountedStudent;
  readonly name: string;
  readonly terms: readonly Term[];
  /** Which cell was pressed. */
  readonly assignmentId: string | null;
  /** What was kept, and who stands in, changes nothing. */
  readonly mayChange: boolean;
  readonly onClose: () => void;
}

/** How a student's total comes about, step by step; and numbers given by hand. */
export function TotalDrawer(props: Props) {
  const { book, student, name, terms, onClose } = props;
  const { rules } = book;
  const { total, cells } = student;
  const ofTerms = totalsOfTerms(cells, book.columns, rules, terms);
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      place="side"
      title={name}
      description={t('counting.description', { total: totalWords(total) })}
    >
      <div className="grid gap-5">
        {total.categories.map((category, index) => (
          <CategorySteps key={category.name} {...props} category={category} number={index + 1} />
        ))}
        <Conclusion {...{ student, book }} number={total.categories.length + 1} />
        {ofTerms.length > 0 && (
          <section className="grid gap-1">
            <h3 className="text-16">{t('counting.inTerms')}</h3>
            <ul className="text-14">
              {ofTerms.map((one, index) => (
                <li key={terms[index]?.firstDay}>
                  {t('counting.inTerm', { title: terms[index]?.title, total: totalWords(one) })}
                </li>
              ))}
            </ul>
          </section>
        )}
        <History {...props} />
      </div>
    </Dialog>
  );
}

const shareOf = (earned: number, possible: number): string =>
  t('gradebook.percent', { percent: formatNumber(Math.round((earned / possible) * 10_000) / 100) });

function CategorySteps({
  category,
  number,
  ...props
}: Props & { readonly category: CategoryTotal; readonly number: number }) {
  const { book, student } = props;
  const { name, weight, earned, possible, cells } = category;
  const title = name || t('gradebook.other');
  const heading = book.rules.byWeight ? t('gradebook.weight', { name: title, weight: weight / 100 }) : title;
  return (
    <section className="grid gap-2">
      <h3 className="text-16">{t('counting.step', { number, name: heading })}</h3>
      <ul className="divide-y divide-line rounded-card border border-line">
        {cells.map((used) => {
          const column = book.columns[used.index];
          const cell = student.cells[used.index];
          return column && cell ? <CellStep key={column.assignmentId} {...props} {...{ used, column, cell }} /> : null;
        })}
      </ul>
      <p className="text-14">
        {possible > 0
          ? t('counting.sum', {
              ...{ earned: formatPoints(earned), possible: formatPoints(possible) },
              share: shareOf(earned, possible),
            })
          : t('counting.nothing')}
      </p>
    </section>
  );
}

interface CellStepProps extends Props {
  readonly used: UsedCell;
  readonly column: GradebookColumn;
  readonly cell: GradebookCell;
}

function usedWords({ use }: UsedCell, { state }: GradebookCell): string {
  if (use === 'dropped') return t('counting.droppedUse');
  if (use === 'missingAsZero' && state === 'underWay') return t('counting.missingPart');
  return t(`counting.${use}`);
}

function CellStep({ used, column, cell, ...props }: CellStepProps) {
  const { assignmentId, timeZone, mayChange } = props;
  const isMeant = assignmentId === column.assignmentId;
  const [isGiving, setIsGiving] = useState(false);
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isMeant) line.current?.scrollIntoView?.({ block: 'center' });
  }, [isMeant]);
  const { override, latePercent, isLate } = cell;
  const isCounted = used.use === 'counted' || used.use === 'missingAsZero' || used.use === 'onTop';
  const hasPoints = override !== undefined || cell.state !== 'notBegun' || used.use === 'missingAsZero';
  return (
    <li ref={line} className={joinClasses('grid gap-1 px-3 py-2 text-14', isMeant && 'bg-main-tint')}>
      <div className="flex items-baseline gap-3">
        <Link
          to={`/assignments/${column.assignmentId}?student=${encodeURIComponent(props.student.studentId)}`}
          className="min-w-0 grow font-medium [overflow-wrap:anywhere] hover:underline"
        >
          {column.title}
        </Link>
        <span className={joinClasses('shrink-0 font-mono text-13', !isCounted && 'text-quiet')}>
          {hasPoints && t('stop.points', { earned: formatPoints(used.earned), possible: formatPoints(used.possible) })}
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-13 text-quiet">
        <span className="grow">
          {[
            usedWords(used, cell),
            ...(cell.waiting && cell.possible > 0 && !override
              ? [t('counting.waitingPart', { count: cell.waiting })]
              : []),
            ...(latePercent
              ? [t('gradebook.lateLess', { percent: latePercent })]
              : isLate
                ? [t('gradebook.late')]
                : []),
            ...(cell.attempts ? [t('gradebook.attempts', { count: cell.attempts })] : []),
          ].join(' · ')}
        </span>
        {mayChange && !isGiving && (
          <Button size="small" look="quiet" onClick={() => setIsGiving(true)}>
            {t(override ? 'counting.change' : 'counting.give')}
          </Button>
        )}
      </div>
      {override && (
        <p className="text-13">
          {t('counting.givenByHand', {
            ...{ points: formatPoints(override.earned), earned: formatPoints(cell.earned), reason: override.reason },
            ...{ name: override.by, time: formatInstant(override.at, timeZone) },
          })}
        </p>
      )}
      {isGiving && <GiveByHand {...props} {...{ column, cell }} onDone={() => setIsGiving(false)} />}
    </li>
  );
}

interface GiveByHandProps extends Props {
  readonly column: GradebookColumn;
  readonly cell: GradebookCell;
  readonly onDone: () => void;
}

function GiveByHand({ classId, student, column, cell, onDone }: GiveByHandProps) {
  const [points, setPoints] = useState<number | null>((cell.override?.earned ?? cell.earned) / 100);
  const [reason, setReason] = useState('');
  const give = useOverride(classId, () => {
    toast(t('counting.done'));
    onDone();
  });
  const takeBack = useOverride(classId, () => {
    toast(t('counting.undone'));
    onDone();
  });
  const about = { assignmentId: column.assignmentId, studentId: student.studentId };
  return (
    <form
      className="grid gap-3 rounded-control bg-page p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (points !== null) give.mutate({ ...about, earned: Math.round(points * 100), reason: reason.trim() });
      }}
    >
      <div className="grid gap-3 sm:grid-cols-[9rem_1fr]">
        <Field label={t('counting.number', { possible: formatPoints(wholeOf(cell)) })}>
          {(ids) => (
            <NumberInput
              {...ids}
              required
              autoFocus
              min={0}
              max={10_000}
              step={0.01}
              value={points}
              onNumber={setPoints}
            />
          )}
        </Field>
        <Field label={t('counting.why')} help={t('counting.whyHelp')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              maxLength={500}
              value={reason}
              onChange={({ target }) => setReason(target.value)}
            />
          )}
        </Field>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main" size="small" disabled={give.isPending || reason.trim() === ''}>
          {t('counting.giveIt')}
        </Button>
        {cell.override && (
          <Button
            size="small"
            disabled={takeBack.isPending}
            onClick={() =>
              takeBack.mutate({ ...about, earned: null, reason: reason.trim() || t('counting.takenBack') })
            }
          >
            {t('counting.takeBack')}
          </Button>
        )}
        <Button size="small" look="quiet" onClick={onDone}>
          {t('gradebook.cancel')}
        </Button>
      </div>
    </form>
  );
}

/** From the categories to the total, and to what it is called. */
function Conclusion({ student, book, number }: Pick<Props, 'student' | 'book'> & { readonly number: number }) {
  const { rules } = book;
  const { categories, weightSum, percent, name } = student.total;
  if (percent === null)
    return (
      <p className="font-medium">
        {t(
          rules.byWeight && weightSum === 0 && categories.some(({ possible }) => possible > 0)
            ? 'gradebook.weightless'
            : 'counting.nothing',
        )}
      </p>
    );
  const counting = categories.filter(({ possible, weight }) => possible > 0 && (!rules.byWeight || weight > 0));
  const sumOf = (which: 'earned' | 'possible') => categories.reduce((sum, one) => sum + one[which], 0);
  const shown = t('gradebook.percent', { percent });
  return (
    <section className="grid gap-1">
      <h3 className="text-16">{t('counting.step', { number, name: t('gradebook.total') })}</h3>
      <p className="font-medium">
        {rules.byWeight
          ? t('counting.weighted', {
              sum: t('counting.ofWeights', {
                sum: counting
                  .map(({ earned, possible, weight }) =>
                    t('counting.weightedStep', { share: shareOf(earned, possible), weight: weight / 100 }),
                  )
                  .join(' + '),
                weights: weightSum / 100,
              }),
              percent: shown,
            })
          : t('counting.allPoints', {
              ...{ earned: formatPoints(sumOf('earned')), possible: formatPoints(sumOf('possible')), percent: shown },
            })}
      </p>
      {rules.scale.kind !== 'percent' && (
        <p>{name === null ? t('counting.uncalled') : t('counting.called', { name })}</p>
      )}
    </section>
  );
}

function History({ classId, student, book, timeZone, mayChange }: Props) {
  const { data } = useQuery({ ...overridesOptions(classId, student.studentId), enabled: mayChange });
  if (!data || data.length === 0) return null;
  const titleOf = new Map(book.columns.map(({ assignmentId, title }) => [assignmentId, title]));
  return (
    <section className="grid gap-1">
      <h3 className="text-16">{t('counting.history')}</h3>
      <ul className="grid gap-1 text-13 text-quiet">
        {data.map(({ assignmentId, earned, reason, by, at }) => (
          <li key={`${assignmentId} ${at}`}>
            {t(earned === null ? 'counting.historyTaken' : 'counting.historyGiven', {
              ...{ title: titleOf.get(assignmentId) ?? '', points: earned === null ? '' : formatPoints(earned) },
              ...{ reason, name: by, time: formatInstant(at, timeZone) },
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}
