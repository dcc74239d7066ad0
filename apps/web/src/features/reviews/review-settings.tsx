import { maxReviewQuestions, type ReviewOverview, type ReviewSettings as Settings } from '@semita/core/contract';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { t } from '../../words/words.ts';
import { useReviewsChange } from './queries.ts';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly overview: ReviewOverview;
}

/** Whether it is on in a class, how much a day, and what it counts. */
export function ReviewSettings({ classId, overview: { settings: kept, runs } }: Props) {
  const { mutate, isPending, variables } = useReviewsChange(
    classId,
    (body: Settings) => call('setReviews', { params: { classId }, body }),
    () => toast(t('reviews.saved')),
  );
  // What was just chosen stands at once.
  const settings = isPending ? variables : kept;
  const set = (change: Partial<Settings>) => mutate({ ...settings, ...change });
  const state = settings.isOn ? t('reviews.on') : t('reviews.off');
  return (
    <section className="grid gap-4 print:hidden rounded-card border border-line bg-card p-5">
      <div className="grid gap-1">
        <h2 className="text-18">{t('reviews.title')}</h2>
        <p className="text-14">{t('reviews.lead')}</p>
      </div>
      {runs ? (
        <>
          <CheckInput checked={settings.isOn} onChange={(isOn) => set({ isOn })}>
            <span className="font-medium">{t('reviews.isOn')}</span>
          </CheckInput>
          <div className="max-w-60">
            <Field label={t('reviews.most')}>
              {(ids) => (
                <NumberInput
                  {...ids}
                  required
                  min={1}
                  max={maxReviewQuestions}
                  step={1}
                  className="h-9 w-20 text-14"
                  value={settings.maxQuestions}
                  onNumber={(maxQuestions) => maxQuestions !== null && set({ maxQuestions })}
                />
              )}
            </Field>
          </div>
          <CheckInput checked={settings.usesBank} onChange={(usesBank) => set({ usesBank })}>
            {t('reviews.usesBank')}
          </CheckInput>
          <div className="grid gap-1">
            <CheckInput checked={settings.counts} onChange={(counts) => set({ counts })}>
              {t('reviews.counts')}
            </CheckInput>
            <p className="pl-6 text-13 text-quiet">{t('reviews.countsHelp')}</p>
          </div>
        </>
      ) : (
        <p className="text-14 font-medium">{state}</p>
      )}
      <div className="grid gap-1 text-13 text-quiet">
        <p>{t('reviews.neverAsked')}</p>
        <p>{t('reviews.rule')}</p>
      </div>
    </section>
  );
}
