import { type Account, type AccountEntry, accountOf, markedPoints } from '@semita/core/analysis';
import type { AssignmentSummary, StudentLines } from '@semita/core/contract';
import { isLate, needOfStudent, readSheetLine } from '@semita/core/sheet';
import { Printer } from 'lucide-react';
import { lazy, type ReactNode, Suspense } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { formatDay, formatInstant, formatMinutes, formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import '../sheet/words.ts';
import './words.ts';

const ShareChart = lazy(() => import('../../ui/charts/share-chart.tsx'));

interface Props {
  readonly className: string;
  readonly told: StudentLines;
  /** What the teacher's classes were ever given. */
  readonly given: readonly AssignmentSummary[];
  /** What stands between the sentences and what they are told from. */
  readonly children?: ReactNode;
}

/** One student's work in a class, on one page that can be read with their parents. */
export function AccountView({ className, told: { student, now, lines }, given, children }: Props) {
  const summaryOf = new Map(given.map((one) => [one.id, one]));
  const entries = lines
    .flatMap(({ assignmentId, isExtra, line }) => {
      const summary = summaryOf.get(assignmentId);
      // What is not open yet is owed by nobody.
      if (!summary || (summary.opensAt !== null && summary.opensAt > now)) return [];
      const entry: AccountEntry = { assignmentId, isExtra, givenAt: summary.givenAt, student: readSheetLine(line) };
      return [{ ...entry, summary }];
    })
    .toSorted((a, b) => a.givenAt - b.givenAt);
  const account = accountOf(entries, now);
  const actions = (
    <Button className="print:hidden" onClick={() => window.print()}>
      <Printer aria-hidden className="size-4" strokeWidth={1.75} />
      {t('account.print')}
    </Button>
  );
  if (entries.length === 0)
    return (
      <Page title={student.displayName}>
        <EmptyPlace title={t('account.nothing')} />
      </Page>
    );
  return (
    <Page title={student.displayName} actions={actions}>
      <p className="-mt-4 text-quiet">
        {t('account.ofClass', { className })} · {t('account.asOf', { date: formatDay(now) })}
      </p>
      <InWords account={account} name={student.displayName} />
      {children}
      <Trend {...{ entries, account }} />
      <EntryTable {...{ entries, now }} />
    </Page>
  );
}

interface EntriesProps {
  readonly entries: readonly (AccountEntry & { readonly summary: AssignmentSummary })[];
  readonly now: number;
}

/** What it comes to, in sentences that need no explaining. */
function InWords({ account, name }: { readonly account: Account; readonly name: string }) {
  const { given, handedIn, late, overdue, excused, extras, waiting, earned, possible } = account;
  const { metShare, timeSpentMs } = account;
  const sentences = [
    t('account.handedIn', { count: given, handedIn, name }),
    ...(late > 0 ? [t('account.late', { count: late })] : []),
    ...(overdue > 0 ? [t('account.overdue', { count: overdue })] : []),
    ...(excused > 0 ? [t('account.excused', { count: excused, name })] : []),
    ...(extras > 0 ? [t('account.extras', { count: extras })] : []),
    ...(possible > 0
      ? [
          t('account.points', {
            ...{ name, earned: formatPoints(earned), possible: formatPoints(possible) },
            share: formatShare(earned / possible),
          }),
        ]
      : []),
    ...(waiting > 0 ? [t('account.waiting', { count: waiting })] : []),
    ...(metShare === null
      ? []
      : [t('account.met', { share: formatShare(metShare), time: formatMinutes(timeSpentMs) })]),
  ];
  return (
    <ul className="grid max-w-3xl gap-1 text-18">
      {sentences.map((sentence) => (
        <li key={sentence}>{sentence}</li>
      ))}
    </ul>
  );
}

function Trend({ entries, account: { trend } }: Pick<EntriesProps, 'entries'> & { readonly account: Account }) {
  const titleOf = new Map(entries.map(({ assignmentId, summary }) => [assignmentId, summary.title]));
  const [first, last] = [trend[0], trend.at(-1)];
  // One lesson is no trend.
  if (!first || !last || trend.length < 2) return null;
  return (
    <figure className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-2 rounded-card border border-line bg-card p-4">
      <figcaption className="font-medium">
        {t('account.trendTitle', { first: formatShare(first.share), last: formatShare(last.share) })}
        <span className="block text-14 font-normal text-quiet">{t('account.trend')}</span>
      </figcaption>
      <Suspense fallback={<div className="h-48" />}>
        <ShareChart
          points={trend.map(({ assignmentId, share }) => ({ words: titleOf.get(assignmentId) ?? '', share }))}
        />
      </Suspense>
    </figure>
  );
}

const head = 'border-b border-line px-3 py-2 text-left text-13 font-medium text-quiet';

function EntryTable({ entries, now }: EntriesProps) {
  return (
    <div className="overflow-x-auto rounded-card border border-line bg-card">
      <table className="w-full text-14">
        <thead>
          <tr>
            {(['lesson', 'due', 'state', 'handedInAt'] as const).map((name) => (
              <th key={name} scope="col" className={head}>
                {t(`account.${name}`)}
              </th>
            ))}
            {[t('account.pointsOf'), t('sheet.met'), t('account.time')].map((label) => (
              <th key={label} scope="col" className={`${head} text-right`}>
                {label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-y divide-line">
          {entries.map((entry) => (
            <Entry key={entry.assignmentId} entry={entry} now={now} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Entry({ entry, now }: { readonly entry: EntriesProps['entries'][number]; readonly now: number }) {
  const { assignmentId, isExtra, student, summary } = entry;
  const { row, dueAt, studentId } = student;
  const { timeZone, title } = summary;
  const none = t('account.never');
  // The same as in the sentences: what waits for a mark is in neither.
  const { earned, possible } = markedPoints(student);
  return (
    <tr>
      <th scope="row" className="px-3 py-2 text-left font-medium">
        <Link to={`/assignments/${assignmentId}?student=${encodeURIComponent(studentId)}`} className="hover:underline">
          {title}
        </Link>
        {isExtra && <span className="ml-1.5 text-13 font-normal text-quiet">{t('account.extra')}</span>}
      </th>
      <td className="px-3 whitespace-nowrap print:whitespace-normal">
        {dueAt === null ? none : formatInstant(dueAt, timeZone)}
      </td>
      <td className="px-3 whitespace-nowrap print:whitespace-normal">
        {t(`need.${needOfStudent(student, { now, terms: isExtra ? { isExtra } : {} })}`)}
        {isLate(row, dueAt) && <span className="ml-1.5 text-brick">{t('sheet.late')}</span>}
      </td>
      <td className="px-3 whitespace-nowrap print:whitespace-normal">
        {row?.handedInAt == null ? none : formatInstant(row.handedInAt, timeZone)}
      </td>
      <td className="px-3 text-right font-mono text-13 whitespace-nowrap">
        {possible > 0 ? t('stop.points', { earned: formatPoints(earned), possible: formatPoints(possible) }) : none}
      </td>
      <td className="px-3 text-right font-mono text-13">{row ? formatShare(row.metShare) : none}</td>
      <td className="px-3 text-right font-mono text-13 whitespace-nowrap">
        {row ? formatMinutes(row.timeSpentMs) : none}
      </td>
    </tr>
  );
}
