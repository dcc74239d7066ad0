import type { PathFaultCode } from '@semita/core/checks';
import type { Part } from '@semita/core/lesson';
import { Handle, type Node, type NodeProps, Position } from '@xyflow/react';
import { Split, TriangleAlert, Undo2 } from 'lucide-react';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { PartIcon } from '../lesson-parts/part-icon.tsx';
import { beginId, endId, endSize } from './map-layout.ts';
import './words.ts';

export type CardNode = Node<
  {
    readonly part: Part;
    readonly figures: string;
    readonly number: number;
    readonly faults: readonly PathFaultCode[];
    readonly isSelected: boolean;
    readonly isDimmed: boolean;
    readonly isEdited: boolean;
    readonly note: string | null;
    readonly onSelect: (partId: string) => void;
    /** The card was reached by keys. */
    readonly onReach: (partId: string) => void;
    readonly onKey: (event: React.KeyboardEvent, partId: string) => void;
  },
  'card'
>;
export type PlaceNode = Node<{ readonly words: string }, 'place'>;

/** A part on the map: its name, its figures, and the first of its faults or what leads from it. */
export function Card({ data, id }: NodeProps<CardNode>) {
  const { part, figures, number, faults, isSelected, isDimmed, isEdited, note, onSelect, onReach, onKey } = data;
  const forks = part.stops.filter(({ kind }) => kind === 'fork').length;
  const isAside = part.next?.kind === 'back';
  return (
    <div
      className={joinClasses(
        'flex h-full flex-col rounded-card border text-left',
        !isDimmed && 'bg-card',
        faults.length > 0 ? 'border-2 border-brick' : isSelected ? 'border-2 border-main' : 'border-edge',
        isAside && 'border-dashed',
        isDimmed && 'border-line bg-paper text-quiet',
      )}
    >
      <Handle type="target" position={Position.Left} isConnectable={isEdited} />
      <button
        ref={useFocusTarget(`card:${id}`)}
        type="button"
        aria-pressed={isSelected}
        aria-label={t('path.card', { number, title: part.title || t('path.untitled'), figures })}
        onClick={(event) => {
          event.stopPropagation();
          onSelect(id);
        }}
        onFocus={({ currentTarget }) => currentTarget.matches(':focus-visible') && onReach(id)}
        onKeyDown={(event) => onKey(event, id)}
        className="flex min-h-0 grow flex-col gap-0.5 rounded-card px-2.5 py-2 text-left"
      >
        <span className="flex items-start gap-1.5">
          <PartIcon kind={part.kind} className="mt-0.5" />
          <span className="line-clamp-2 text-14 leading-tight font-medium">{part.title || t('path.untitled')}</span>
        </span>
        <span className="line-clamp-2 text-13 leading-tight text-quiet">{figures}</span>
        <span className="mt-auto flex items-center gap-2 text-13">
          {faults.length > 0 ? (
            <span className="flex min-w-0 items-center gap-1 text-brick">
              <TriangleAlert aria-hidden className="size-3.5 shrink-0" strokeWidth={1.75} />
              <span className="truncate">{t(`path.fault.${faults[0] as PathFaultCode}`)}</span>
            </span>
          ) : note !== null ? (
            <span className="text-quiet">{note}</span>
          ) : (
            <>
              {forks > 0 && (
                <span className="flex items-center gap-1 text-marigold-ink">
                  <Split aria-hidden className="size-3.5" strokeWidth={1.75} />
                  {t('path.forks', { count: forks })}
                </span>
              )}
              {isAside && (
                <span className="flex items-center gap-1 text-slate">
                  <Undo2 aria-hidden className="size-3.5" strokeWidth={1.75} />
                  {t('path.leadsBack')}
                </span>
              )}
            </>
          )}
        </span>
      </button>
      <Handle type="source" position={Position.Right} isConnectable={isEdited} />
    </div>
  );
}

/** Where the path begins and where it ends. */
export function PlaceMark({ id, data }: NodeProps<PlaceNode>) {
  return (
    <div
      style={endSize}
      className="flex items-center justify-center rounded-full border border-edge bg-paper text-14 text-quiet"
    >
      {id === endId && <Handle type="target" position={Position.Left} />}
      {data.words}
      {id === beginId && <Handle type="source" position={Position.Right} isConnectable={false} />}
    </div>
  );
}
