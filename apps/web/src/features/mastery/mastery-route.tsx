import type { ClassMastery } from '@semita/core/contract';
import { masteryRule } from '@semita/core/target';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { EmptyPlace, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { OnPaper, useClass } from '../classes/class-frame.tsx';
import { masteryOptions } from '../targets/queries.ts';
import { targetName } from './level-mark.tsx';
import { MasteryTable } from './mastery-table.tsx';
import { EvidenceDrawer, TargetDrawer } from './target-drawers.tsx';
import './words.ts';

/** How far the students of a class have come with each target. */
export function Component() {
  const { id: classId } = useClass();
  return (
    <QueryView query={useQuery(masteryOptions(classId))}>
      {(mastery) => <MasteryView {...{ classId, mastery }} />}
    </QueryView>
  );
}

function MasteryView({ classId, mastery }: { readonly classId: string; readonly mastery: ClassMastery }) {
  const [search, setSearch] = useSearchParams();
  const [hidesNames, setHidesNames] = useState(false);
  const { targets } = mastery;
  const open = (target: string | null, student: string | null = null) =>
    setSearch((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries({ target, student }))
        if (value === null) next.delete(name);
        else next.set(name, value);
      return next;
    });
  const list = (
    <Link to="/shelf/targets" className={buttonStyle({ size: 'small' })}>
      {t('mastery.list')}
    </Link>
  );
  if (targets.length === 0)
    return (
      <EmptyPlace title={t('mastery.empty')}>
        <p className="max-w-xl text-quiet">{t('mastery.emptyHelp')}</p>
        {list}
      </EmptyPlace>
    );
  const students = hidesNames
    ? mastery.students.map((student, index) => ({
        ...student,
        displayName: t('mastery.anonymous', { number: index + 1 }),
      }))
    : mastery.students;
  const place = targets.findIndex(({ key }) => key === search.get('target'));
  const target = targets[place];
  const student = students.find(({ id }) => id === search.get('student'));
  const shown = { ...mastery, students };
  const { maxCount, minCount, met, nearly } = masteryRule;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <OnPaper title={t('mastery.title')} />
      <div className="flex flex-wrap items-center gap-3 text-14 print:hidden">
        <CheckInput checked={hidesNames} onChange={setHidesNames}>
          {t('mastery.hideNames')}
        </CheckInput>
        <span className="grow" />
        {list}
      </div>
      <Unmet mastery={mastery} onOpen={open} />
      <MasteryTable {...{ classId }} mastery={shown} onOpen={open} />
      <p className="max-w-3xl text-13 text-quiet">
        {t('mastery.rule', {
          ...{ most: maxCount, least: minCount, met: formatShare(met), nearly: formatShare(nearly) },
        })}
      </p>
      {target &&
        (student ? (
          <EvidenceDrawer {...{ classId, target, student }} onClose={() => open(null)} />
        ) : (
          <TargetDrawer mastery={shown} {...{ target, place }} onClose={() => open(null)} />
        ))}
    </div>
  );
}

/** Targets that nobody has met, though enough was asked. */
function Unmet({
  mastery: { targets, students },
  onOpen,
}: {
  readonly mastery: ClassMastery;
  readonly onOpen: (target: string) => void;
}) {
  const unmet = targets.flatMap((target, place) => {
    const told = students.filter(({ mastery }) => mastery[place]?.level != null);
    const isMet = told.some(({ mastery }) => mastery[place]?.level === 'met');
    return told.length >= masteryRule.minCount && !isMet ? [{ target, count: told.length }] : [];
  });
  if (unmet.length === 0) return null;
  return (
    <Notice tone="attention">
      <ul className="grid gap-1">
        {unmet.map(({ target, count }) => (
          <li key={target.key}>
            <button type="button" className="text-left hover:underline" onClick={() => onOpen(target.key)}>
              {t('mastery.nobody', { target: targetName(target), count })}
            </button>
          </li>
        ))}
      </ul>
    </Notice>
  );
}
