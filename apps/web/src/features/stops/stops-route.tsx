import type { Sheet } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { QueryView } from '../../ui/query-view.tsx';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { stopFiguresOptions } from '../assignment/queries.ts';
import { useLiveSheet } from '../assignment/use-live-sheet.ts';
import { StopsView } from './stops-view.tsx';
import '../assignment/words.ts';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <Stops sheet={sheet} />}</AssignmentFrame>;
}

function Stops({ sheet }: { readonly sheet: Sheet }) {
  const assignmentId = sheet.assignment.id;
  useLiveSheet(assignmentId);
  const query = useQuery(stopFiguresOptions(assignmentId));
  return (
    <QueryView query={query}>
      {(told) => <StopsView {...{ assignmentId, told }} runs={sheet.runs} locale={sheet.terms.locale ?? 'en'} />}
    </QueryView>
  );
}
