import type { Gradebook, KeptGradebook } from '@semita/core/contract';
import { isWeightless } from '@semita/core/gradebook';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { pathOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Select } from '../../ui/field.tsx';
import { Menu, MenuDownload, MenuItem } from '../../ui/menu.tsx';
import { EmptyPlace, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { OnPaper, useClass } from '../classes/class-frame.tsx';
import { type CountedStudent, countBook } from './counted-book.ts';
import { type GradebookOrder, GradebookTable } from './gradebook-table.tsx';
import { KeepDialog } from './keep-dialog.tsx';
import { gradebookOptions, keptOptions, useRemoveKept } from './queries.ts';
import { RulesDialog } from './rules-dialog.tsx';
import { TotalDrawer } from './total-drawer.tsx';
import './words.ts';

/** What the results of a class come to. */
export function Component() {
  const { id: classId } = useClass();
  return (
    <QueryView query={useQuery(gradebookOptions(classId))}>
      {(book) => <GradebookView classId={classId} book={book} />}
    </QueryView>
  );
}

interface Props {
  readonly classId: string;
  readonly book: Gradebook;
}

function GradebookView({ classId, book }: Props) {
  const [search, setSearch] = useSearchParams();
  const keptId = search.get('as-of');
  const kept = useQuery({ ...keptOptions(classId, keptId ?? ''), enabled: keptId !== null });
  const set = useCallback(
    (changes: Readonly<Record<string, string | null>>) =>
      setSearch((before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(changes))
          if (value === null) next.delete(name);
          else next.set(name, value);
        return next;
      }),
    [setSearch],
  );
  if (book.columns.length === 0)
    return (
      <EmptyPlace title={t('gradebook.empty')}>
        <p className="text-quiet">{t('gradebook.emptyHelp')}</p>
      </EmptyPlace>
    );
  if (book.students.length === 0) return <EmptyPlace title={t('gradebook.noStudents')} />;
  const common = { classId, book, search, set };
  if (keptId === null) return <Shown {...common} kept={null} />;
  return <QueryView query={kept}>{(one) => <Shown {...common} kept={one} />}</QueryView>;
}

interface ShownProps extends Props {
  readonly kept: KeptGradebook | null;
  readonly search: URLSearchParams;
  readonly set: (changes: Readonly<Record<string, string | null>>) => void;
}

function Shown({ classId, book, kept, search, set }: ShownProps) {
  const [hidesNames, setHidesNames] = useState(false);
  const [dialog, setDialog] = useState<'rules' | 'keep' | null>(null);
  const { terms, timeZone, runs } = book;
  const term = terms.find(({ firstDay }) => firstDay === search.get('term'));
  const order: GradebookOrder = search.get('sort') === 'total' ? 'total' : 'name';
  const source = kept ?? book;
  const counted = useMemo(() => countBook(source, source.rules, term), [source, term]);
  const students = useMemo(
    () =>
      order === 'name'
        ? counted.students
        : counted.students.toSorted((a, b) => (b.total.percent ?? -1) - (a.total.percent ?? -1)),
    [counted, order],
  );
  // By their places in the list of names, and the same however it is sorted.
  const numberOf = useMemo(
    () => new Map(source.students.map(({ studentId }, index) => [studentId, index + 1])),
    [source],
  );
  const nameOf = (student: CountedStudent) =>
    hidesNames ? t('gradebook.anonymous', { number: numberOf.get(student.studentId) }) : student.displayName;
  const onOpen = useCallback((student: string, of: string | null = null) => set({ student, of }), [set]);
  const opened = students.find(({ studentId }) => studentId === search.get('student'));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <OnPaper title={t('gradebook.title')} />
      <div className="flex flex-wrap items-center gap-2 text-14 print:hidden">
        {terms.length > 0 && (
          <Select
            aria-label={t('gradebook.term')}
            value={term?.firstDay ?? ''}
            onChange={({ target }) => set({ term: target.value || null })}
          >
            <option value="">{t('gradebook.wholeTime')}</option>
            {terms.map(({ title, firstDay }) => (
              <option key={firstDay} value={firstDay}>
                {title}
              </option>
            ))}
          </Select>
        )}
        {book.kept.length > 0 && (
          <Select
            aria-label={t('gradebook.version')}
            className="max-w-72"
            value={kept?.id ?? ''}
            onChange={({ target }) => set({ 'as-of': target.value || null, student: null })}
          >
            <option value="">{t('gradebook.now')}</option>
            {book.kept.map(({ id, note, at }) => (
              <option key={id} value={id}>
                {note === ''
                  ? t('gradebook.asOf', { time: formatInstant(at, timeZone) })
                  : t('gradebook.asOfNote', { time: formatInstant(at, timeZone), note })}
              </option>
            ))}
          </Select>
        )}
        <CheckInput checked={hidesNames} onChange={setHidesNames}>
          {t('gradebook.hideNames')}
        </CheckInput>
        <span className="grow" />
        {runs && kept === null && (
          <>
            <Button size="small" onClick={() => setDialog('rules')}>
              {t('gradebook.rules')}
            </Button>
            <Button size="small" onClick={() => setDialog('keep')}>
              {t('gradebook.keep')}
            </Button>
          </>
        )}
        {kept === null && <SaveMenu classId={classId} />}
      </div>
      {kept && <OldVersion {...{ classId, kept, timeZone, runs }} onRemoved={() => set({ 'as-of': null })} />}
      {isWeightless(counted.rules) && <Notice tone="attention">{t('gradebook.weightless')}</Notice>}
      {counted.columns.length === 0 ? (
        <EmptyPlace title={t('gradebook.termEmpty', { title: term?.title })} />
      ) : (
        <GradebookTable
          {...{ students, nameOf, order, onOpen }}
          book={counted}
          onOrder={(next) => set({ sort: next === 'name' ? null : next })}
        />
      )}
      {opened && (
        <TotalDrawer
          {...{ classId, timeZone, terms }}
          book={counted}
          student={opened}
          name={nameOf(opened)}
          assignmentId={search.get('of')}
          mayChange={runs && kept === null}
          onClose={() => set({ student: null, of: null })}
        />
      )}
      {dialog === 'rules' && <RulesDialog {...{ classId, book }} onClose={() => setDialog(null)} />}
      {dialog === 'keep' && <KeepDialog classId={classId} onClose={() => setDialog(null)} />}
    </div>
  );
}

interface OldVersionProps {
  readonly classId: string;
  readonly kept: KeptGradebook;
  readonly timeZone: string;
  readonly runs: boolean;
  readonly onRemoved: () => void;
}

function OldVersion({ classId, kept, timeZone, runs, onRemoved }: OldVersionProps) {
  const [isSure, setIsSure] = useState(false);
  const remove = useRemoveKept(classId, () => {
    toast(t('gradebook.removed'));
    onRemoved();
  });
  return (
    <Notice>
      <span className="flex flex-wrap items-center gap-3">
        <span className="grow">{t('gradebook.keptBy', { name: kept.by, time: formatInstant(kept.at, timeZone) })}</span>
        {runs && (
          <Button
            size="small"
            disabled={remove.isPending}
            onClick={() => (isSure ? remove.mutate(kept.id) : setIsSure(true))}
          >
            {t(isSure ? 'gradebook.removeSure' : 'gradebook.removeKept')}
          </Button>
        )}
      </span>
    </Notice>
  );
}

const saved = [
  ['exportGradebookWorkbook', 'gradebook.xlsx'],
  ['exportGradebook', 'gradebook.csv'],
  ['exportResults', 'gradebook.results'],
] as const;

function SaveMenu({ classId }: { readonly classId: string }) {
  return (
    <Menu
      label={t('gradebook.save')}
      triggerClassName="h-8 border border-edge bg-card font-medium"
      trigger={
        <>
          <Download aria-hidden className="size-4" strokeWidth={1.75} />
          {t('gradebook.save')}
        </>
      }
    >
      {saved.map(([route, words]) => (
        <MenuDownload key={route} href={pathOf(route, { classId })}>
          {t(words)}
        </MenuDownload>
      ))}
      <MenuItem onSelect={() => window.print()}>{t('gradebook.print')}</MenuItem>
    </Menu>
  );
}
