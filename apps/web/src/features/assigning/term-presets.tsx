import type { Terms } from '@semita/core/attempt';
import type { BodyOf, OutputOf, routes } from '@semita/core/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

export type SentTerms = BodyOf<(typeof routes)['keepTermPreset']>['terms'];
export type Presets = OutputOf<(typeof routes)['listTermPresets']>;

export const termPresetsOptions = () =>
  queryOptions({ queryKey: ['term-presets'], queryFn: () => call('listTermPresets', {}) });

interface Props {
  readonly presets: Presets;
  readonly usual: Terms;
  readonly terms: Terms;
  readonly onChoose: (terms: Terms) => void;
}

/** Terms to begin with: those of the last time, the usual ones, and those a teacher keeps under names. */
export function TermPresets({ presets, usual, terms, onChoose }: Props) {
  const queryClient = useQueryClient();
  const [name, setName] = useState('');
  const showAnew = () => queryClient.invalidateQueries(termPresetsOptions());
  const keep = useMutation({
    mutationFn: () => call('keepTermPreset', { body: { name, terms: terms as SentTerms } }),
    onSuccess: async () => {
      toast(t('assign.kept', { name: name.trim() }));
      setName('');
      await showAnew();
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const putBack = useMutation({
    mutationFn: ({ name: of, terms: kept }: Presets['presets'][number]) =>
      call('keepTermPreset', { body: { name: of, terms: kept } }),
    onSuccess: showAnew,
  });
  const remove = useMutation({
    mutationFn: ({ id }: Presets['presets'][number]) => call('removeTermPreset', { params: { presetId: id } }),
    onSuccess: async (_, preset) => {
      toast(t('assign.presetRemoved', { name: preset.name }), {
        action: { label: t('app.undo'), onClick: () => putBack.mutate(preset) },
      });
      await showAnew();
    },
  });
  const { last } = presets;
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
      <div className="flex flex-wrap gap-2">
        {last && (
          <Button size="small" onClick={() => onChoose(last)}>
            {t('assign.presetLast')}
          </Button>
        )}
        <Button size="small" onClick={() => onChoose(usual)}>
          {t('assign.presetUsual')}
        </Button>
        {presets.presets.map((preset) => (
          <span key={preset.id} className="flex">
            <Button size="small" className="rounded-r-none" onClick={() => onChoose(preset.terms)}>
              {preset.name}
            </Button>
            <Button
              size="small"
              className="-ml-px rounded-l-none px-1.5"
              aria-label={t('assign.removePreset', { name: preset.name })}
              onClick={() => remove.mutate(preset)}
            >
              <X aria-hidden className="size-3.5" strokeWidth={1.75} />
            </Button>
          </span>
        ))}
      </div>
      <div className="flex items-end gap-2">
        <Field label={t('assign.keepAs')}>
          {(ids) => (
            <TextInput
              {...ids}
              className="h-8 w-44 text-14"
              maxLength={60}
              value={name}
              onChange={(event) => setName(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                // Not the form around it.
                event.preventDefault();
                if (name.trim() !== '') keep.mutate();
              }}
            />
          )}
        </Field>
        <Button size="small" disabled={name.trim() === '' || keep.isPending} onClick={() => keep.mutate()}>
          {t('assign.keep')}
        </Button>
      </div>
    </div>
  );
}
