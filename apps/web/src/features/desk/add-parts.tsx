import type { Material } from '@semita/core/contract';
import { type Lesson, nextPart, type Part, partOverLines } from '@semita/core/lesson';
import type { ScriptLine } from '@semita/core/script';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { TextInput } from '../../ui/field.tsx';
import { MaterialIcon } from '../../ui/material-icon.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { contentOptions, contentScript } from '../reading/content.ts';
import './words.ts';

interface Props {
  readonly lesson: Lesson;
  readonly materials: readonly Material[];
  readonly onAdd: (parts: readonly Part[]) => void;
  readonly onClose: () => void;
}

/** Numbers of the first and last slide or paragraph, from 1; null for all. */
interface Range {
  readonly from: number;
  readonly to: number;
}

/** Takes one material or several into the lesson, whole or a range of each. */
export function AddParts({ lesson, materials, onAdd, onClose }: Props) {
  const queryClient = useQueryClient();
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlyMap<string, Range | null>>(new Map());
  const usable = materials.filter((one) => one.kind !== 'picture' && one.kind !== null && one.lengthMs !== null);
  const shown = usable.filter(({ title }) => title.toLowerCase().includes(text.trim().toLowerCase()));
  const toggle = (id: string) => {
    const next = new Map(chosen);
    if (!next.delete(id)) next.set(id, null);
    setChosen(next);
  };
  const add = () => {
    const parts: Part[] = [];
    for (const [id, range] of chosen) {
      const material = usable.find((one) => one.id === id);
      if (!material || material.kind === null || material.kind === 'picture') continue;
      const { title, kind } = material;
      // A second part of the same material goes on where the first ends.
      const whole = nextPart(
        { ...lesson, parts: [...lesson.parts, ...parts] },
        { id, title, kind, lengthMs: material.lengthMs ?? 0 },
        v7(),
      );
      const content = queryClient.getQueryData(contentOptions(id).queryKey);
      parts.push(range && content ? partOverLines(whole, contentScript(content), range) : whole);
    }
    onAdd(parts);
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={t('addParts.title')}
      description={t('addParts.help')}
    >
      {usable.length === 0 ? (
        <p className="text-quiet">{t('addParts.nothing')}</p>
      ) : (
        <div className="grid gap-3">
          <TextInput
            type="search"
            aria-label={t('addParts.search')}
            placeholder={t('addParts.search')}
            className="h-9 text-14"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <ul className="grid max-h-[50dvh] divide-y divide-line overflow-y-auto rounded-control border border-line">
            {shown.map((material) => (
              <li key={material.id} className="grid gap-2 px-3 py-2">
                <label className="flex items-center gap-3 text-14">
                  <input
                    type="checkbox"
                    className="size-4 shrink-0 accent-main"
                    checked={chosen.has(material.id)}
                    onChange={() => toggle(material.id)}
                  />
                  <MaterialIcon kind={material.kind} />
                  <span className="min-w-0 break-words">{material.title}</span>
                </label>
                {chosen.has(material.id) && (material.kind === 'deck' || material.kind === 'document') && (
                  <RangeFields
                    material={material}
                    range={chosen.get(material.id) ?? null}
                    onChange={(range) => setChosen(new Map(chosen).set(material.id, range))}
                  />
                )}
              </li>
            ))}
          </ul>
          <div>
            <Button look="main" disabled={chosen.size === 0} onClick={add}>
              {t('addParts.add', { count: chosen.size })}
            </Button>
          </div>
        </div>
      )}
    </Dialog>
  );
}

interface RangeProps {
  readonly material: Material;
  readonly range: Range | null;
  readonly onChange: (range: Range) => void;
}

function RangeFields({ material, range, onChange }: RangeProps) {
  const content = useQuery(contentOptions(material.id));
  return (
    <QueryView query={content}>
      {(data) => <RangeOf lines={contentScript(data)} material={material} range={range} onChange={onChange} />}
    </QueryView>
  );
}

function RangeOf({ lines, material, range, onChange }: RangeProps & { readonly lines: readonly ScriptLine[] }) {
  const count = lines.length;
  const { from, to } = range ?? { from: 1, to: count };
  const unit = t(material.kind === 'deck' ? 'addParts.slide' : 'addParts.block');
  const fields = [
    {
      label: 'addParts.rangeFrom',
      value: from,
      set: (next: number) => onChange({ from: next, to: Math.max(next, to) }),
    },
    { label: 'addParts.rangeTo', value: to, set: (next: number) => onChange({ from: Math.min(from, next), to: next }) },
  ] as const;
  return (
    <div className="flex items-center gap-2 pl-7 text-14">
      <span>{t('addParts.range', { unit })}</span>
      {fields.map(({ label, value, set }, index) => (
        <span key={label} className="flex items-center gap-2">
          {index === 1 && <span>{t('addParts.to')}</span>}
          <input
            type="number"
            aria-label={t(label, { unit, title: material.title })}
            className="h-8 w-16 rounded-control border border-edge bg-card px-2 font-mono"
            min={1}
            max={count}
            value={value}
            onChange={(event) => {
              const next = Math.round(event.target.valueAsNumber);
              if (next >= 1 && next <= count) set(next);
            }}
          />
        </span>
      ))}
      <span className="text-quiet">{t('addParts.all', { count })}</span>
    </div>
  );
}
