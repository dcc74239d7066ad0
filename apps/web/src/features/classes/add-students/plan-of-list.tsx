import type { FirstSignIn, OutputOf, routes } from '@semita/core/contract';
import type { ListedPerson } from '@semita/core/roster';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { ApiError } from '../../../api/api-error.ts';
import { call } from '../../../api/client.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckInput } from '../../../ui/check-input.tsx';
import { joinClasses } from '../../../ui/join-classes.ts';
import { ErrorNotice } from '../../../ui/notice.tsx';
import { QueryView } from '../../../ui/query-view.tsx';
import { t } from '../../../words/words.ts';
import { useClassChange } from '../queries.ts';
import '../words.ts';

type Plan = OutputOf<(typeof routes)['planRoster']>;
type PlannedRow = Plan['rows'][number];

interface Props {
  readonly classId: string;
  readonly people: readonly ListedPerson[];
  readonly onBack: () => void;
  readonly onDone: (firsts: readonly FirstSignIn[]) => void;
}

const toWanted = ({ displayName, userName, groups }: ListedPerson) => ({
  displayName: displayName.slice(0, 400),
  userName: userName.slice(0, 200),
  groups: groups.slice(0, 20).map((name) => name.slice(0, 80)),
});

/** What a list comes to for the class, row by row; nothing is written before it is said. */
export function PlanOfList({ classId, people, onBack, onDone }: Props) {
  const wanted = people.map(toWanted);
  const query = useQuery({
    queryKey: ['roster-plan', classId, wanted],
    queryFn: () => call('planRoster', { params: { classId }, body: { people: wanted } }),
    // The class may change while somebody looks.
    staleTime: 0,
    gcTime: 0,
  });
  const [leftOut, setLeftOut] = useState<ReadonlySet<number>>(new Set());
  const [removed, setRemoved] = useState<ReadonlySet<string>>(new Set());
  const isTaken = (row: PlannedRow, index: number) => row.kind !== 'fault' && !leftOut.has(index);
  const take = useClassChange(
    ({ version, rows }: Plan) =>
      call('changeRoster', {
        params: { classId },
        body: {
          version,
          people: wanted.filter((_, index) => isTaken(rows[index] as PlannedRow, index)),
          remove: [...removed],
        },
      }),
    (firsts) => {
      toast(firsts.length > 0 ? t('classes.done', { count: firsts.length }) : t('classes.doneOthers'));
      onDone(firsts);
    },
    { isToldInPlace: true },
  );
  return (
    <QueryView query={query}>
      {(plan) => {
        const { rows, missing } = plan;
        const count = (...kinds: PlannedRow['kind'][]) => rows.filter(({ kind }) => kinds.includes(kind)).length;
        const taking = rows.filter((row, index) => isTaken(row, index) && row.kind !== 'same').length;
        return (
          <>
            <section className="grid gap-2">
              <div className="flex flex-wrap items-baseline gap-x-4">
                <h3 className="grow text-16">{t('classes.plan')}</h3>
                <p className="text-14 text-quiet" role="status">
                  {[
                    [count('add', 'bringIn'), 'classes.summaryAdd'] as const,
                    [count('update'), 'classes.summaryUpdate'] as const,
                    [count('same'), 'classes.summarySame'] as const,
                    [count('fault'), 'classes.summaryFault'] as const,
                  ]
                    .filter(([many]) => many > 0)
                    .map(([many, key]) => t(key, { count: many }))
                    .join(', ')}
                </p>
              </div>
              <ul className="max-h-[40dvh] divide-y divide-line overflow-y-auto rounded-card border border-line text-14">
                {rows.map((row, index) => (
                  <Row
                    key={people[index]?.row}
                    row={row}
                    person={people[index] as ListedPerson}
                    isTaken={isTaken(row, index)}
                    onToggle={() => setLeftOut(toggled(leftOut, index))}
                  />
                ))}
              </ul>
            </section>
            {missing.length > 0 && (
              <details>
                <summary className="cursor-pointer text-14">
                  <span className="font-medium">{t('classes.missingTitle', { count: missing.length })}</span>{' '}
                  <span className="text-quiet">{t('classes.missingHelp')}</span>
                </summary>
                <div className="mt-2 grid max-h-40 grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-5 gap-y-1 overflow-y-auto">
                  {missing.map(({ id, displayName: name }) => (
                    <CheckInput
                      key={id}
                      label={t('classes.takeOutOf', { name })}
                      checked={removed.has(id)}
                      onChange={() => setRemoved(toggled(removed, id))}
                    >
                      {name}
                    </CheckInput>
                  ))}
                </div>
              </details>
            )}
            {take.isError && <ErrorNotice error={take.error} />}
            <div className="sticky -bottom-4 -mx-5 -mb-4 flex flex-wrap gap-3 rounded-b-card border-t border-line bg-card px-5 py-3">
              {take.error instanceof ApiError && take.error.code === 'rosterMoved' ? (
                <Button
                  look="main"
                  onClick={() => {
                    take.reset();
                    void query.refetch();
                  }}
                >
                  {t('classes.goOn')}
                </Button>
              ) : (
                <Button
                  look="main"
                  disabled={take.isPending || (taking === 0 && removed.size === 0)}
                  onClick={() => take.mutate(plan)}
                >
                  {taking > 0
                    ? t('classes.takeThem', { count: taking })
                    : removed.size > 0
                      ? t('classes.takeOutOnly', { count: removed.size })
                      : t('classes.takeNobody')}
                </Button>
              )}
              <Button onClick={onBack}>{t('classes.back')}</Button>
            </div>
          </>
        );
      }}
    </QueryView>
  );
}

function toggled<Value>(set: ReadonlySet<Value>, value: Value): ReadonlySet<Value> {
  const next = new Set(set);
  if (!next.delete(value)) next.add(value);
  return next;
}

interface RowProps {
  readonly row: PlannedRow;
  readonly person: ListedPerson;
  readonly isTaken: boolean;
  readonly onToggle: () => void;
}

const toneOf: Readonly<Record<PlannedRow['kind'], string>> = {
  add: 'text-spruce',
  bringIn: 'text-spruce',
  update: 'text-slate',
  same: 'text-quiet',
  fault: 'text-brick',
};

function Row({ row, person, isTaken, onToggle }: RowProps) {
  const remark =
    row.kind === 'update' && row.was !== person.displayName
      ? t('classes.was', { name: row.was })
      : row.kind === 'add' && row.hasNamesake
        ? t('classes.namesake')
        : row.kind === 'fault'
          ? t(`classes.fault.${row.fault}`)
          : '';
  return (
    <li className="grid grid-cols-[auto_3rem_minmax(8rem,1fr)_minmax(7rem,1fr)_10rem] items-center gap-x-3 px-3 py-1.5 max-sm:grid-cols-[auto_1fr_auto]">
      <input
        type="checkbox"
        className="size-4 accent-main"
        aria-label={t('classes.take', { row: person.row })}
        checked={isTaken}
        disabled={row.kind === 'fault'}
        onChange={onToggle}
      />
      <span className="font-mono text-13 text-quiet max-sm:hidden">{person.row}</span>
      <span className="font-medium [overflow-wrap:anywhere]">
        {person.displayName || '—'}
        {person.groups.length > 0 && <span className="font-normal text-quiet"> ({person.groups.join(', ')})</span>}
      </span>
      <span className="font-mono [overflow-wrap:anywhere] max-sm:hidden">
        {row.kind === 'fault' ? person.userName : row.userName}
      </span>
      <span className={joinClasses('text-right', toneOf[row.kind])}>
        {t(`classes.does.${row.kind}`)}
        {remark && <span className="block text-13 text-quiet">{remark}</span>}
      </span>
    </li>
  );
}
