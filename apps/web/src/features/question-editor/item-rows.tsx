import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import type { ComponentProps, ReactNode } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { focusOn, useFocusTarget } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props<T extends { readonly id: string; readonly text: string }> {
  readonly legend: string;
  /** The name of a row, for its label. @param number from 1 */
  readonly rowLabel: (number: number) => string;
  readonly items: readonly T[];
  readonly min: number;
  readonly max?: number;
  /** Rows can be moved up and down. */
  readonly isOrdered?: boolean;
  readonly addLabel?: string;
  readonly onChange: (items: readonly T[]) => void;
  /** Rows that come from elsewhere cannot be added here. */
  readonly onAdd?: () => T;
  /** What stands before and under the words of a row. */
  readonly before?: (item: T, index: number) => ReactNode;
  readonly under?: (item: T, index: number) => ReactNode;
}

/** A list of short texts, edited row by row. Enter in the last row adds another. */
export function ItemRows<T extends { readonly id: string; readonly text: string }>(props: Props<T>) {
  const { legend, rowLabel, items, min, max = 30, isOrdered, addLabel, onChange, onAdd, before, under } = props;
  const focusRow = (item: T | undefined) => item && focusOn(`row:${item.id}`);
  const add = () => {
    if (items.length >= max || !onAdd) return;
    const added = onAdd();
    onChange([...items, added]);
    focusRow(added);
  };
  const remove = (index: number) => {
    onChange(items.toSpliced(index, 1));
    focusRow(items[index + 1] ?? items[index - 1]);
  };
  const move = (from: number, to: number) => {
    const item = items[from] as T;
    onChange(items.toSpliced(from, 1).toSpliced(to, 0, item));
    focusRow(item);
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-14 font-medium">{legend}</legend>
      {items.map((item, index) => (
        <div key={item.id} className="grid grid-cols-[auto_1fr_auto] items-center gap-x-2 gap-y-1">
          {before ? (
            before(item, index)
          ) : (
            <span className="w-5 text-right font-mono text-13 text-quiet">{index + 1}</span>
          )}
          <RowInput
            name={`row:${item.id}`}
            aria-label={rowLabel(index + 1)}
            placeholder={rowLabel(index + 1)}
            className="h-9 text-14"
            value={item.text}
            onChange={(event) => onChange(items.with(index, { ...item, text: event.target.value }))}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && !event.nativeEvent.isComposing) {
                event.preventDefault();
                if (index === items.length - 1) add();
                else focusRow(items[index + 1]);
              } else if (isOrdered && event.altKey && event.key === 'ArrowUp' && index > 0) move(index, index - 1);
              else if (isOrdered && event.altKey && event.key === 'ArrowDown' && index < items.length - 1)
                move(index, index + 1);
            }}
          />
          <span className="flex">
            {isOrdered && (
              <>
                <Button
                  look="quiet"
                  size="small"
                  className="px-1.5"
                  disabled={index === 0}
                  aria-label={t('question.moveUp', { item: item.text || rowLabel(index + 1) })}
                  onClick={() => move(index, index - 1)}
                >
                  <ArrowUp aria-hidden className="size-4" strokeWidth={1.75} />
                </Button>
                <Button
                  look="quiet"
                  size="small"
                  className="px-1.5"
                  disabled={index === items.length - 1}
                  aria-label={t('question.moveDown', { item: item.text || rowLabel(index + 1) })}
                  onClick={() => move(index, index + 1)}
                >
                  <ArrowDown aria-hidden className="size-4" strokeWidth={1.75} />
                </Button>
              </>
            )}
            <Button
              look="quiet"
              size="small"
              disabled={items.length <= min}
              aria-label={t('editor.removeRow', { row: rowLabel(index + 1) })}
              onClick={() => remove(index)}
            >
              <X aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </span>
          {under && <div className="col-start-2">{under(item, index)}</div>}
        </div>
      ))}
      {onAdd && (
        <div>
          <Button size="small" disabled={items.length >= max} onClick={add}>
            <Plus aria-hidden className="size-4" strokeWidth={1.75} />
            {addLabel}
          </Button>
        </div>
      )}
    </fieldset>
  );
}

function RowInput({ name, ...rest }: ComponentProps<typeof TextInput> & { readonly name: string }) {
  return <TextInput ref={useFocusTarget(name)} {...rest} />;
}
