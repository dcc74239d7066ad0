import { createItem, type Item, type Pair } from '@semita/core/question';
import { TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import type { EditorProps } from './editor-props.ts';
import { SelectInput } from './fields.tsx';
import { ItemRows } from './item-rows.tsx';
import './words.ts';

/** What is to be put in order, in the right order. */
export function OrderEditor({ question, onChange }: EditorProps<'order'>) {
  return (
    <>
      <ItemRows
        legend={t('editor.rightOrder')}
        rowLabel={(number) => t('editor.step', { number })}
        items={question.items}
        min={2}
        isOrdered
        addLabel={t('editor.addStep')}
        onAdd={() => createItem(newItemId)}
        onChange={(items) => onChange({ ...question, items })}
      />
      <div className="w-fit">
        <SelectInput
          label={t('editor.orderScoring')}
          value={question.scoring}
          options={[
            ['exact', t('editor.orderExact')],
            ['pairs', t('editor.orderPairs')],
          ]}
          onChange={(scoring) => onChange({ ...question, scoring })}
        />
      </div>
    </>
  );
}

interface PairRow {
  readonly id: string;
  readonly text: string;
  readonly other: Item;
}

interface PairRowsProps {
  readonly rows: readonly PairRow[];
  readonly onChange: (rows: readonly PairRow[]) => void;
}

/** Pairs side by side, one to a row. */
function PairRows({ rows, onChange }: PairRowsProps) {
  return (
    <ItemRows
      legend={t('editor.pairs')}
      rowLabel={(number) => t('editor.pairFirst', { number })}
      items={rows}
      min={1}
      addLabel={t('editor.addPair')}
      onAdd={() => ({ ...createItem(newItemId), other: createItem(newItemId) })}
      onChange={onChange}
      under={(row, index) => (
        <TextInput
          aria-label={t('editor.pairSecond', { number: index + 1 })}
          placeholder={t('editor.pairSecond', { number: index + 1 })}
          className="h-9 text-14"
          value={row.other.text}
          onChange={(event) =>
            onChange(rows.with(index, { ...row, other: { ...row.other, text: event.target.value } }))
          }
        />
      )}
    />
  );
}

/** Each on the left with the one it belongs to, and some that belong to none. */
export function MatchEditor({ question, onChange }: EditorProps<'match'>) {
  const { sources, targets, pairs } = question;
  const rows = sources.map((item): PairRow => {
    const otherId = pairs.find(([leftId]) => leftId === item.id)?.[1];
    return { ...item, other: targets.find(({ id }) => id === otherId) ?? createItem(() => otherId ?? newItemId()) };
  });
  const paired = new Set(rows.map(({ other }) => other.id));
  const extras = targets.filter(({ id }) => !paired.has(id));
  const rebuild = (nextRows: readonly PairRow[], nextExtras: readonly Item[]) => {
    // One answer can belong to several: it stands in the list once, and is changed everywhere at once.
    const others = new Map(nextRows.map(({ other }) => [other.id, other]));
    onChange({
      ...question,
      sources: nextRows.map(({ id, text }) => ({ id, text })),
      targets: [...others.values(), ...nextExtras],
      pairs: nextRows.map(({ id, other }): Pair => [id, other.id]),
    });
  };
  return (
    <>
      <PairRows rows={rows} onChange={(next) => rebuild(next, extras)} />
      <ItemRows
        legend={t('editor.extraAnswers')}
        rowLabel={(number) => t('editor.extraAnswer', { number })}
        items={extras}
        min={0}
        addLabel={t('editor.addExtraAnswer')}
        onAdd={() => createItem(newItemId)}
        onChange={(next) => rebuild(rows, next)}
      />
    </>
  );
}

/** Pairs without a direction. */
export function AssociateEditor({ question, onChange }: EditorProps<'associate'>) {
  const itemOf = (id: string) => question.items.find((item) => item.id === id) ?? { id, text: '' };
  const rows = question.pairs.map(([a, b]): PairRow => ({ ...itemOf(a), other: itemOf(b) }));
  return (
    <PairRows
      rows={rows}
      onChange={(next) =>
        onChange({
          ...question,
          items: next.flatMap(({ id, text, other }) => [{ id, text }, other]),
          pairs: next.map(({ id, other }): Pair => [id, other.id]),
        })
      }
    />
  );
}
