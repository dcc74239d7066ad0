import type { Sheet, WatchingLines } from '@semita/core/contract';
import { hasMaterial } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { watchingOptions } from '../assignment/queries.ts';
import { PartWatching } from './part-watching.tsx';
import '../assignment/words.ts';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <Watching sheet={sheet} />}</AssignmentFrame>;
}

function Watching({ sheet }: { readonly sheet: Sheet }) {
  const assignmentId = sheet.assignment.id;
  const query = useQuery(watchingOptions(assignmentId));
  return (
    <QueryView query={query}>
      {(told) => <WatchingView {...{ assignmentId, told }} lessonId={sheet.lessonId} runs={sheet.runs} />}
    </QueryView>
  );
}

interface ViewProps {
  readonly assignmentId: string;
  readonly lessonId: string;
  readonly told: WatchingLines;
  readonly runs: boolean;
}

/** Part by part: which stretches were met, where many went back, paused or stopped. */
function WatchingView({ assignmentId, lessonId, runs, told: { lesson, students, lines } }: ViewProps) {
  const names = useMemo(() => new Map(students.map(({ id, displayName }) => [id, displayName])), [students]);
  const parts = lesson.parts.filter(hasMaterial);
  if (Object.keys(lines).length === 0 || parts.length === 0)
    return (
      <div className="p-8">
        <EmptyPlace title={t('watching.nothing')}>
          <p>{t('watching.nothingHelp')}</p>
        </EmptyPlace>
      </div>
    );
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] content-start gap-8 p-5">
      {parts.map((part) => (
        <PartWatching
          key={part.id}
          {...{ assignmentId, lessonId, runs, part, names }}
          lines={lines[part.id] ?? noLines}
        />
      ))}
    </div>
  );
}

const noLines: WatchingLines['lines'][string] = [];
