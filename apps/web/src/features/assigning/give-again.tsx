import { movedAhead } from '@semita/core/assignment';
import { localDay, type SchoolDays, toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions } from '../materials/queries.ts';
import { schoolDaysOptions } from '../week/queries.ts';
import { AssignDialog, type AssignedBefore } from './assign-dialog.tsx';
import './words.ts';

/** The same lesson, note and terms once more, with the dates moved ahead; for who has the lesson on their shelf. */
export function GiveAgain({ sheet }: { readonly sheet: Sheet }) {
  const lessons = useQuery(lessonsOptions());
  const schoolDays = useQuery(schoolDaysOptions());
  const [isOpen, setIsOpen] = useState(false);
  const lesson = lessons.data?.find(({ id }) => id === sheet.lessonId);
  if (!lesson?.editionNumber) return null;
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('terms.again')}</h2>
      <p className="text-14 text-quiet">{t('terms.againHelp')}</p>
      <div>
        <Button onClick={() => setIsOpen(true)}>{t('terms.giveIt')}</Button>
      </div>
      {isOpen && (
        <AssignDialog
          lessonId={lesson.id}
          title={lesson.title}
          editionNumber={lesson.editionNumber}
          before={asBefore(sheet, schoolDays.data ?? [])}
          onClose={() => setIsOpen(false)}
        />
      )}
    </section>
  );
}

function asBefore({ assignment, terms, note }: Sheet, schoolDays: readonly SchoolDays[]): AssignedBefore {
  const { timeZone, opensAt, dueAt, closesAt } = assignment;
  const local = (ms: number | null) => (ms === null ? null : toLocal(ms, timeZone));
  const before = { opensAt: local(opensAt), dueAt: local(dueAt), closesAt: local(closesAt) };
  const moved = movedAhead(before, localDay(Date.now(), timeZone), schoolDays);
  return {
    terms,
    note,
    window: { opensAt: moved.opensAt ?? '', dueAt: moved.dueAt ?? '', closesAt: moved.closesAt ?? '' },
  };
}
