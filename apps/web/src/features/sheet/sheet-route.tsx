import type { Sheet } from '@semita/core/contract';
import {
  needOfStudent,
  needs,
  type SheetOrder,
  type SheetStudent,
  sortSheet,
  stopMarkStates,
} from '@semita/core/sheet';
import { Download, Radio } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useCallback, useEffect, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { pathOf } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { KeyHelp } from '../../ui/key-help.tsx';
import type { KeyGroup } from '../../ui/key-list.tsx';
import { Menu, MenuDownload } from '../../ui/menu.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { LateJoiners } from '../adjusting/late-joiners.tsx';
import { MoreTime } from '../adjusting/more-time.tsx';
import { NewerEdition } from '../adjusting/newer-edition.tsx';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { onlyClassOf } from '../assignment/only-class-of.ts';
import { useLiveSheet } from '../assignment/use-live-sheet.ts';
import { useNextKey } from '../marking/next-unmarked.ts';
import { StudentDrawer } from '../marking/student-drawer.tsx';
import { ChosenStudents } from './chosen-students.tsx';
import { NeedFilter, ScopeFilter, useScope } from './sheet-filters.tsx';
import type { Sorting } from './sheet-head.tsx';
import { SheetTable } from './sheet-table.tsx';
import { WroteBack } from './wrote-back.tsx';
import '../assignment/words.ts';
import { SendStatements } from './send-statements.tsx';
import './words.ts';

const figures = ['need', 'name', 'progress', 'met', 'time', 'points', 'lastSeen'] as const;

/** As it stands in the address: `points`, `points-turned`, `stop-3`. */
function readSorting(text: string | null): Sorting {
  const [name = '', ...rest] = (text ?? 'need').split('-');
  const isTurned = rest.at(-1) === 'turned';
  if (name === 'stop') return { order: { stop: Number(rest[0] ?? 1) - 1 }, isTurned };
  return { order: figures.find((one) => one === name) ?? 'need', isTurned };
}

function writeSorting({ order, isTurned }: Sorting): string {
  const name = typeof order === 'object' ? `stop-${order.stop + 1}` : order;
  return isTurned ? `${name}-turned` : name;
}

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
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set());
  const [hidesNames, setHidesNames] = useState(false);
  const sorting = readSorting(search.get('sort'));
  const studentId = search.get('student');
  const shownNeeds = new Set(needs.filter((need) => search.get('needs')?.split(',').includes(need)));
  const scope = search.get('of');
  const inScope = useScope(scope);
  const set = (changes: Readonly<Record<string, string | null>>) =>
    setSearch((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries({ mark: null, ...changes }))
        if (value === null) next.delete(name);
        else next.set(name, value);
      return next;
    });
  const open = useCallback(
    (student: string | null, stop: string | null = null) =>
      setSearch((before) => {
        const next = new URLSearchParams(before);
        next.delete('mark');
        for (const [name, value] of [
          ['student', student],
          ['stop', stop],
        ] as const)
          if (value === null) next.delete(name);
          else next.set(name, value);
        return next;
      }),
    [setSearch],
  );
  const choose = useCallback(
    (ids: readonly string[], isOn: boolean) =>
      setChosenIds((before) => {
        const next = new Set(before);
        for (const id of ids)
          if (isOn) next.add(id);
          else next.delete(id);
        return next;
      }),
    [],
  );
  const scoped = inScope ? sheet.students.filter((one) => inScope.has(one.studentId)) : sheet.students;
  const sorted = sortSheet(scoped, sheet, sorting.order, sorting.isTurned);
  const students =
    shownNeeds.size === 0 ? sorted : sorted.filter((student) => shownNeeds.has(needOfStudent(student, sheet)));
  const chosen = students.filter((one) => chosenIds.has(one.studentId));
  // By their places in the list of names, and the same however it is sorted.
  const numberOf = new Map(sheet.students.map((one, index) => [one.studentId, index + 1]));
  const nameOf = (student: SheetStudent) =>
    hidesNames ? t('sheet.anonymous', { number: numberOf.get(student.studentId) }) : student.displayName;
  const onSort = (order: SheetOrder) => {
    const isSame = JSON.stringify(order) === JSON.stringify(sorting.order);
    set({ sort: writeSorting({ order, isTurned: isSame && !sorting.isTurned }) });
  };
  const toMark = sorted.filter((student) => student.row?.marks.some((mark) => mark.state === 'waiting'));
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

  if (sheet.students.length === 0)
    return (
      <div className="p-8">
        <EmptyPlace title={t('sheet.empty')} />
      </div>
    );
  const { handedInCount, studentCount } = summaryOf(sheet);
  const stillOpen = sheet.students
    .filter(({ row, excused, leftAt }) => row?.handedInAt == null && !excused && leftAt === undefined)
    .map((student) => student.studentId);
  const waiting = toMark.reduce(
    (sum, { row }) => sum + (row?.marks.filter((mark) => mark.state === 'waiting').length ?? 0),
    0,
  );
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] content-start gap-3 p-5">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 text-14">
        <p>{t('sheet.handedIn', { count: handedInCount, all: studentCount })}</p>
        {nextToMark && (
          <Button look="main" size="small" onClick={() => open(nextToMark.studentId)}>
            {t('today.mark', { count: waiting })}
          </Button>
        )}
        <span className="grow" />
        {chosen.length === 0 && (
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
        )}
        <Legend />
        <KeyHelp groups={sheetKeys()} />
        <SaveMenu assignmentId={sheet.assignment.id} />
      </div>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 text-14">
        <NeedFilter
          sheet={sheet}
          students={scoped}
          chosen={shownNeeds}
          onChange={(next) => set({ needs: next.size === 0 ? null : [...next].join() })}
        />
        <span className="grow" />
        <CheckInput checked={hidesNames} onChange={setHidesNames}>
          {t('sheet.hideNames')}
        </CheckInput>
        <ScopeFilter {...{ sheet, scope }} onChange={(next) => set({ of: next })} />
      </div>
      <WroteBack
        assignmentId={sheet.assignment.id}
        nameOf={(id) => {
          const student = sheet.students.find((one) => one.studentId === id);
          return student ? nameOf(student) : '';
        }}
        onOpen={open}
      />
      <LateJoiners sheet={sheet} />
      {sheet.runs && sheet.newer && <NewerEdition sheet={sheet} newer={sheet.newer} />}
      {chosen.length > 0 && (
        <ChosenStudents {...{ sheet, nameOf }} students={chosen} onClear={() => setChosenIds(new Set())} />
      )}
      {students.length === 0 ? (
        <EmptyPlace title={t('sheet.nobodyHere')}>
          <Button onClick={() => set({ needs: null, of: null })}>{t('sheet.showAll')}</Button>
        </EmptyPlace>
      ) : (
        <SheetTable {...{ sheet, students, nameOf, sorting, onSort, chosenIds }} onChoose={choose} onOpen={open} />
      )}
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
          classId={onlyClassOf(sheet.assignment)}
          stopId={search.get('stop')}
          onClose={() => open(null)}
          onNext={nextToMark && nextToMark.studentId !== studentId ? () => open(nextToMark.studentId) : null}
        />
      )}
    </div>
  );
}

const saved = [
  ['exportSheetWorkbook', 'sheet.sheetXlsx'],
  ['exportSheet', 'sheet.sheetCsv'],
  ['exportAnswersWorkbook', 'sheet.answersXlsx'],
  ['exportAnswers', 'sheet.answersCsv'],
  ['exportStatements', 'sheet.statements'],
] as const;

function SaveMenu({ assignmentId }: { readonly assignmentId: string }) {
  return (
    <Menu
      label={t('sheet.save')}
      triggerClassName="h-8 border border-edge bg-card font-medium"
      trigger={
        <>
          <Download aria-hidden className="size-4" strokeWidth={1.75} />
          {t('sheet.save')}
        </>
      }
    >
      {saved.map(([route, words]) => (
        <MenuDownload key={route} href={pathOf(route, { assignmentId })}>
          {t(words)}
        </MenuDownload>
      ))}
      <SendStatements assignmentId={assignmentId} />
    </Menu>
  );
}

const sheetKeys = (): KeyGroup[] => [
  {
    title: t('sheetKeys.sheet'),
    keys: [
      ['← ↑ ↓ →', t('sheetKeys.cells')],
      ['Page, Home, End', t('sheetKeys.far')],
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
