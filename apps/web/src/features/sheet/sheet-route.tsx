import type { Sheet } from '@semita/core/contract';
import { needOfStudent, needs, type SheetStudent, stopMarkStates } from '@semita/core/sheet';
import { Download, Radio } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { pathOf } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Select } from '../../ui/field.tsx';
import { KeyHelp } from '../../ui/key-help.tsx';
import type { KeyGroup } from '../../ui/key-list.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { LateJoiners } from '../adjusting/late-joiners.tsx';
import { MoreTime } from '../adjusting/more-time.tsx';
import { NewerEdition } from '../adjusting/newer-edition.tsx';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { useLiveSheet } from '../assignment/use-live-sheet.ts';
import { useNextKey } from '../marking/next-unmarked.ts';
import { StudentDrawer } from '../marking/student-drawer.tsx';
import { IntoGroup } from './into-group.tsx';
import { SheetTable } from './sheet-table.tsx';
import '../assignment/words.ts';
import './words.ts';

type Order = 'need' | 'name' | 'progress';

export function Component() {
  const { assignmentId = '' } = useParams();
  const isLive = useLiveSheet(assignmentId);
  return (
    <AssignmentFrame actions={() => <LiveState isLive={isLive} />}>
      {(sheet) => <SheetView sheet={sheet} />}
    </AssignmentFrame>
  );
}

function LiveState({ isLive }: { readonly isLive: boolean }) {
  return (
    <p role="status" className={`flex items-center gap-1.5 text-14 ${isLive ? 'text-spruce' : 'text-quiet'}`}>
      <Radio aria-hidden className="size-4" strokeWidth={1.75} />
      {t(isLive ? 'sheet.live' : 'sheet.notLive')}
    </p>
  );
}

function SheetView({ sheet }: { readonly sheet: Sheet }) {
  const [search, setSearch] = useSearchParams();
  const order = (search.get('sort') ?? 'need') as Order;
  const studentId = search.get('student');
  const students = inOrder(sheet, order);
  const toMark = students.filter((student) => student.row?.marks.some((mark) => mark.state === 'waiting'));
  const set = (changes: Readonly<Record<string, string | null>>) =>
    setSearch((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries({ mark: null, ...changes }))
        if (value === null) next.delete(name);
        else next.set(name, value);
      return next;
    });
  const open = (student: string | null, stop: string | null = null) => set({ student, stop });

  const nextToMark = toMark[toMark.findIndex((student) => student.studentId === studentId) + 1] ?? toMark[0];
  // An open student has the key to itself, for there may be more to mark in the same place.
  useNextKey(studentId === null && nextToMark ? () => open(nextToMark.studentId) : null);

  // "Mark 6 answers" on Today leads straight to the first of them.
  const first = toMark[0]?.studentId;
  const isMarking = search.get('mark') === 'next';
  // biome-ignore lint/correctness/useExhaustiveDependencies: leads once, when the page is opened
  useEffect(() => {
    if (isMarking && first) open(first);
  }, [isMarking]);

  if (students.length === 0)
    return (
      <div className="p-8">
        <EmptyPlace title={t('sheet.empty')} />
      </div>
    );
  const { handedInCount, studentCount } = summaryOf(sheet);
  const stillOpen = students
    .filter(({ row, excused, leftAt }) => row?.handedInAt == null && !excused && leftAt === undefined)
    .map((student) => student.studentId);
  const waiting = toMark.reduce(
    (sum, { row }) => sum + (row?.marks.filter((mark) => mark.state === 'waiting').length ?? 0),
    0,
  );
  return (
    <div className="grid min-h-0 grow content-start gap-4 p-5">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 text-14">
        <p>{t('sheet.handedIn', { count: handedInCount, all: studentCount })}</p>
        {nextToMark && (
          <Button look="main" size="small" onClick={() => open(nextToMark.studentId)}>
            {t('today.mark', { count: waiting })}
          </Button>
        )}
        <span className="grow" />
        <MoreTime
          assignmentId={sheet.assignment.id}
          timeZone={sheet.assignment.timeZone}
          locale={sheet.terms.locale ?? 'en'}
          hasEnd={sheet.assignment.to.some(({ dueAt, closesAt }) => dueAt !== null || closesAt !== null)}
          offers={[
            ...(stillOpen.length > 0 ? [{ kind: 'open' as const, studentIds: stillOpen }] : []),
            { kind: 'all' },
          ]}
        />
        {sheet.runs && <IntoGroup sheet={sheet} />}
        <label className="flex items-center gap-2">
          {t('sheet.sortBy')}
          <Select className="h-8" value={order} onChange={(event) => set({ sort: event.target.value })}>
            <option value="need">{t('sheet.sortNeed')}</option>
            <option value="name">{t('sheet.sortName')}</option>
            <option value="progress">{t('sheet.sortProgress')}</option>
          </Select>
        </label>
        <Legend />
        <KeyHelp groups={sheetKeys()} />
        <a
          className={buttonStyle({ size: 'small' })}
          href={pathOf('exportSheet', { assignmentId: sheet.assignment.id })}
          download
        >
          <Download aria-hidden className="size-4" strokeWidth={1.75} />
          {t('sheet.export')}
        </a>
      </div>
      <LateJoiners sheet={sheet} />
      {sheet.runs && sheet.newer && <NewerEdition sheet={sheet} newer={sheet.newer} />}
      <SheetTable sheet={sheet} students={students} onOpen={open} />
      {sheet.erased && (
        <p className="text-14 text-quiet">
          {t('sheet.erased', { count: sheet.erased.begun, handedIn: sheet.erased.handedIn })}{' '}
          {sheet.erased.handedIn > 0 &&
            t('sheet.erasedMean', {
              earned: formatPoints(sheet.erased.earned),
              possible: formatPoints(sheet.erased.possible),
            })}
        </p>
      )}
      {studentId && (
        <StudentDrawer
          assignmentId={sheet.assignment.id}
          studentId={studentId}
          timeZone={sheet.assignment.timeZone}
          locale={sheet.terms.locale ?? 'en'}
          stopId={search.get('stop')}
          onClose={() => open(null)}
          onNext={nextToMark && nextToMark.studentId !== studentId ? () => open(nextToMark.studentId) : null}
        />
      )}
    </div>
  );
}

const sheetKeys = (): KeyGroup[] => [
  {
    title: t('sheetKeys.sheet'),
    keys: [
      ['← ↑ ↓ →', t('sheetKeys.cells')],
      ['Enter', t('sheetKeys.open')],
      ['Shift N', t('sheetKeys.next')],
    ],
  },
  {
    title: t('sheetKeys.marking'),
    keys: [
      ['0–9', t('sheetKeys.points')],
      ['Enter', t('sheetKeys.save')],
      ['Shift N', t('sheetKeys.next')],
      ['Esc', t('sheetKeys.close')],
    ],
  },
];

function summaryOf({ students }: Sheet) {
  const here = students.filter(({ leftAt, isGuest }) => leftAt === undefined && !isGuest);
  return {
    studentCount: here.length,
    handedInCount: here.filter((student) => student.row?.handedInAt != null).length,
  };
}

function inOrder(sheet: Sheet, order: Order): SheetStudent[] {
  const rank = (student: SheetStudent) => needs.indexOf(needOfStudent(student, sheet));
  const progress = ({ row }: SheetStudent) => row?.progress ?? -1;
  const byName = (a: SheetStudent, b: SheetStudent) => a.displayName.localeCompare(b.displayName);
  if (order === 'name') return sheet.students.toSorted(byName);
  if (order === 'progress') return sheet.students.toSorted((a, b) => progress(b) - progress(a) || byName(a, b));
  const stuckMs = ({ row }: SheetStudent) => row?.atOpenStopMs ?? 0;
  return sheet.students.toSorted((a, b) => rank(a) - rank(b) || stuckMs(b) - stuckMs(a) || byName(a, b));
}

function Legend() {
  return (
    <Popover.Root>
      <Popover.Trigger className={buttonStyle({ look: 'quiet', size: 'small' })}>{t('sheet.legend')}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t('sheet.legend')}
          align="end"
          sideOffset={6}
          className="z-30 rounded-card border border-line bg-card p-4 text-ink shadow-float"
        >
          <ul className="grid gap-2 text-14">
            {stopMarkStates.map((state) => (
              <li key={state} className="flex items-center gap-3">
                <StateMark mark={state === 'partial' ? { state, earned: 1, possible: 2 } : { state }} />
                {t(`state.${state}`)}
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
