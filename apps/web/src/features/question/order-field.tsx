import { move } from '@dnd-kit/helpers';
import { DragDropProvider, PointerSensor } from '@dnd-kit/react';
import { useSortable } from '@dnd-kit/react/sortable';
import type { Item } from '@semita/core/question';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { focusOn, useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import { RichText } from './rich-text.tsx';
import './words.ts';

/** Things to put in order: dragged by their handles, or moved up and down by their buttons. */
export function OrderField({ question, response, onChange, labelledBy }: FieldProps<'order'>) {
  const order = response?.kind === 'order' ? response.itemIds : question.items.map(({ id }) => id);
  const items = order.flatMap((id) => question.items.find((item) => item.id === id) ?? []);
  const moveTo = (from: number, to: number) => {
    const id = order[from] as string;
    onChange({ kind: 'order', itemIds: order.toSpliced(from, 1).toSpliced(to, 0, id) });
    const way = to < from ? 'up' : 'down';
    // At either end there is only the way back.
    const open = to === 0 ? 'down' : to === order.length - 1 ? 'up' : way;
    focusOn(`order:${question.id} ${id} ${open}`);
  };
  return (
    <DragDropProvider
      sensors={[PointerSensor]}
      onDragEnd={(event) => {
        if (!event.canceled) onChange({ kind: 'order', itemIds: move([...order], event) });
      }}
    >
      <ol aria-labelledby={labelledBy} className="grid gap-2">
        {items.map((item, index) => (
          <OrderRow
            key={item.id}
            questionId={question.id}
            item={item}
            index={index}
            count={items.length}
            onMove={(to) => moveTo(index, to)}
          />
        ))}
      </ol>
      {response?.kind !== 'order' && (
        <div>
          <Button size="small" onClick={() => onChange({ kind: 'order', itemIds: order })}>
            {t('question.orderStands')}
          </Button>
        </div>
      )}
      <p className="text-14 text-quiet">{t('question.orderHelp')}</p>
    </DragDropProvider>
  );
}

interface RowProps {
  readonly questionId: string;
  readonly item: Item;
  readonly index: number;
  readonly count: number;
  readonly onMove: (to: number) => void;
}

function OrderRow({ questionId, item, index, count, onMove }: RowProps) {
  const { ref, handleRef, isDragging } = useSortable({ id: item.id, index });
  return (
    <li
      ref={ref}
      className={joinClasses(
        'flex min-h-11 items-center gap-2 rounded-control border border-edge bg-card py-1 pr-1 pl-2',
        isDragging && 'shadow-float',
      )}
    >
      <button
        ref={handleRef}
        type="button"
        tabIndex={-1}
        aria-label={t('question.drag', { item: item.text })}
        className="cursor-grab touch-none py-2 text-quiet"
      >
        <GripVertical aria-hidden className="size-5" strokeWidth={1.75} />
      </button>
      <span aria-hidden className="w-5 text-right font-mono text-14 text-quiet">
        {index + 1}
      </span>
      <RichText text={item.text} className="min-w-0 grow" />
      {(['up', 'down'] as const).map((way) => (
        <WayButton key={way} {...{ way, questionId, item, index, count, onMove }} />
      ))}
    </li>
  );
}

function WayButton({ way, questionId, item, index, count, onMove }: RowProps & { readonly way: 'up' | 'down' }) {
  const Icon = way === 'up' ? ArrowUp : ArrowDown;
  return (
    <Button
      ref={useFocusTarget(`order:${questionId} ${item.id} ${way}`)}
      look="quiet"
      size="roomy"
      className="px-3"
      disabled={way === 'up' ? index === 0 : index === count - 1}
      aria-label={t(way === 'up' ? 'question.moveUp' : 'question.moveDown', { item: item.text })}
      onClick={() => onMove(way === 'up' ? index - 1 : index + 1)}
    >
      <Icon aria-hidden className="size-4" strokeWidth={1.75} />
    </Button>
  );
}
