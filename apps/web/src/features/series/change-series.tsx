import type { BodyOf, routes, Series } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { MoveButtons } from '../../ui/move-buttons.tsx';
import { ErrorNotice, errorWords } from '../../ui/notice.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { t } from '../../words/words.ts';
import { seriesOptions } from './queries.ts';
import './words.ts';

type Sent = BodyOf<(typeof routes)['changeSeries']>;

/** Its name, its order, and what each of its lessons waits for. */
export function ChangeSeries({ series, onClose }: { readonly series: Series; readonly onClose: () => void }) {
  const queryClient = useQueryClient();
  const [title, setTitle] = useState(series.title);
  const [steps, setSteps] = useState(series.steps);
  const showAnew = () => queryClient.invalidateQueries(seriesOptions(series.id));
  const send = (body: Sent) => call('changeSeries', { params: { seriesId: series.id }, body });
  const putBack = useMutation({
    mutationFn: () => send(toSent(series.title, series.steps)),
    onSuccess: async () => {
      toast(t('series.putBack'));
      await showAnew();
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const save = useMutation({
    mutationFn: () => send(toSent(title, steps)),
    onSuccess: async () => {
      toast(t('series.saved'), { action: { label: t('app.undo'), onClick: () => putBack.mutate() } });
      onClose();
      await showAnew();
    },
  });
  const move = (index: number, by: number) => {
    const step = steps[index];
    if (step) setSteps(steps.filter((one) => one !== step).toSpliced(index + by, 0, step));
  };
  const setAfter = (index: number, afterPercent: number | null) =>
    setSteps(steps.map((step, at) => (at === index ? { ...step, afterPercent } : step)));
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t('series.change')}
      description={t('series.changeHelp')}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Field label={t('series.name')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              maxLength={120}
              value={title}
              onChange={({ target }) => setTitle(target.value)}
            />
          )}
        </Field>
        <ol className="divide-y divide-line rounded-card border border-line">
          {steps.map(({ assignmentId, title: ofStep, afterPercent }, index) => (
            <li key={assignmentId} className="grid gap-2 px-3 py-2">
              <div className="flex items-center gap-2">
                <span className="min-w-0 grow font-medium break-words">{ofStep}</span>
                <MoveButtons
                  {...{ index, count: steps.length }}
                  upLabel={t('series.up', { title: ofStep })}
                  downLabel={t('series.down', { title: ofStep })}
                  onMove={(by) => move(index, by)}
                />
              </div>
              {index > 0 && (
                <div className="flex flex-wrap items-end gap-3">
                  <Field label={t('series.opens')}>
                    {(ids) => (
                      <Select
                        {...ids}
                        value={afterPercent === null ? 'byDate' : afterPercent === 0 ? 'afterBefore' : 'withPoints'}
                        onChange={({ target }) => setAfter(index, percentOf[target.value] ?? null)}
                      >
                        {(['byDate', 'afterBefore', 'withPoints'] as const).map((wait) => (
                          <option key={wait} value={wait}>
                            {t(`series.wait.${wait}`)}
                          </option>
                        ))}
                      </Select>
                    )}
                  </Field>
                  {afterPercent !== null && afterPercent > 0 && (
                    <Field label={t('series.percent')}>
                      {(ids) => (
                        <NumberInput
                          {...ids}
                          className="w-24"
                          required
                          min={1}
                          max={100}
                          value={afterPercent}
                          onNumber={(percent) => percent !== null && setAfter(index, percent)}
                        />
                      )}
                    </Field>
                  )}
                </div>
              )}
            </li>
          ))}
        </ol>
        {save.isError && <ErrorNotice error={save.error} />}
        <div>
          <Button look="main" type="submit" disabled={save.isPending || title.trim() === ''}>
            {t('series.save')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

const percentOf: Readonly<Record<string, number>> = { afterBefore: 0, withPoints: 70 };

/** Nothing comes before the first. */
const toSent = (title: string, steps: Series['steps']): Sent => ({
  title,
  steps: steps.map(({ assignmentId, afterPercent }, index) => ({
    assignmentId,
    afterPercent: index === 0 ? null : afterPercent,
  })),
});
