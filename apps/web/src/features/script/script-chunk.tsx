import type { Fault } from '@semita/core/checks';
import type { Slide } from '@semita/core/deck';
import type { PartKind } from '@semita/core/lesson';
import type { ScriptLine } from '@semita/core/script';
import { memo } from 'react';
import type { LineSurvey } from '../film-survey/line-survey.tsx';
import type { ScriptActions } from './script-actions.ts';
import { ScriptRow } from './script-row.tsx';
import type { RowContent } from './script-rows.ts';

/** Rows that are drawn, or passed over, together. */
export const chunkLength = 60;

interface Props {
  /** The first gap of the chunk. */
  readonly from: number;
  /** All rows, lines and surveys of the script. */
  readonly rows: readonly RowContent[];
  readonly lines: readonly ScriptLine[];
  readonly surveys: readonly LineSurvey[] | undefined;
  readonly slides: readonly Slide[] | undefined;
  readonly kind: PartKind;
  /** The gap behind the cursor's line, and the one that the Tab key leads to; null in other chunks. */
  readonly currentGap: number | null;
  readonly reachableGap: number | null;
  readonly dropGap: number | null;
  /** Null where it stands in another chunk. */
  readonly openStopId: string | null;
  readonly faults: readonly Fault[];
  readonly actions: ScriptActions;
}

/**
 * A long script in pieces: those out of sight are neither laid out nor painted, and those in which nothing changed are
 * not drawn again. One by one, thousands of lines would cost the browser more to watch than to draw.
 */
export const ScriptChunk = memo(function ScriptChunk(props: Props) {
  const { from, rows, lines, surveys, slides, kind, currentGap, reachableGap, dropGap, openStopId, faults, actions } =
    props;
  return (
    <div className="-mx-1 px-1 [contain-intrinsic-size:auto_140rem] [content-visibility:auto]">
      {rows.slice(from, from + chunkLength).map((row, place) => {
        const gap = from + place;
        return (
          <ScriptRow
            key={lines[gap - 1]?.id ?? 'start'}
            {...{ gap, row, kind, openStopId, faults, actions }}
            line={lines[gap - 1]}
            survey={surveys?.[gap - 1]}
            slide={slides?.[gap - 1]}
            isCurrent={gap === currentGap}
            isReachable={gap === reachableGap}
            isDropTarget={gap === dropGap}
          />
        );
      })}
    </div>
  );
}, isSame);

function isSame(before: Props, after: Props): boolean {
  const { rows, surveys, ...rest } = after;
  if (Object.entries(rest).some(([name, value]) => before[name as keyof Props] !== value)) return false;
  for (let gap = after.from; gap < after.from + chunkLength; gap++)
    if (before.rows[gap] !== rows[gap] || before.surveys?.[gap - 1] !== surveys?.[gap - 1]) return false;
  return true;
}
