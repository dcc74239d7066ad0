import type { FixedTerm } from '@semita/core/assignment';
import { type LateWork, type ShownTerms, shownWhens, type Terms } from '@semita/core/attempt';
import { useId } from 'react';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { t } from '../../words/words.ts';
import { graceWords } from './term-words.ts';
import './words.ts';

interface Props {
  readonly terms: Terms;
  readonly onChange: (terms: Terms) => void;
  /** What students have walked by already. */
  readonly fixed?: readonly FixedTerm[];
}

const nothingFixed: readonly FixedTerm[] = [];

/** What binds students on their way, with the words for it. */
const wayTerms = [
  { term: 'skipping', words: 'skipping' },
  { term: 'rewindAtStops', words: 'rewind' },
  { term: 'turningBack', words: 'turningBack' },
  { term: 'questionsWhenReached', words: 'whenReached' },
] as const;

/** What binds students on their way, what becomes of late work, what counts, and what they are shown when. */
export function TermFields({ terms, onChange, fixed = nothingFixed }: Props) {
  const set = (changed: Partial<Terms>) => onChange({ ...terms, ...changed });
  const isFixed = (term: FixedTerm) => fixed.includes(term);
  return (
    <div className="grid gap-6">
      <Group title={t('assign.onTheWay')}>
        <div className="grid gap-3 sm:grid-cols-2">
          {wayTerms.map(({ term, words }) => (
            <Term
              key={term}
              label={t(`assign.${words}`)}
              help={t(`assign.${words}Help`)}
              checked={terms[term] ?? false}
              isFixed={isFixed(term)}
              onChange={(isOn) => set({ [term]: isOn })}
            />
          ))}
        </div>
        <div className="flex flex-wrap gap-4">
          <Field label={t('assign.maxRate')}>
            {(ids) => (
              <Select {...ids} value={terms.maxRate} onChange={(event) => set({ maxRate: Number(event.target.value) })}>
                {[1, 1.25, 1.5, 2].map((rate) => (
                  <option key={rate} value={rate}>
                    {rate} ×
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </div>
      </Group>
      <Group title={t('assign.inTheirList')}>
        <div className="grid gap-3 sm:grid-cols-2">
          <Term
            label={t('assign.hidden')}
            help={t('assign.hiddenHelp')}
            checked={terms.hiddenUntilOpen ?? false}
            onChange={(hiddenUntilOpen) => set({ hiddenUntilOpen })}
          />
          <Term
            label={t('assign.extra')}
            help={t('assign.extraHelp')}
            checked={terms.isExtra ?? false}
            onChange={(isExtra) => set({ isExtra })}
          />
        </div>
      </Group>
      <Group title={t('assign.late')}>
        <LateFields late={terms.late} isFixed={isFixed('late')} onChange={(late) => set({ late })} />
      </Group>
      <Group title={t('assign.counting')}>
        <Counting terms={terms} set={set} isFixed={isFixed('attempts')} />
      </Group>
      <Group title={t('assign.shown')}>
        <ShownFields shown={terms.shown} isFixed={isFixed('shown')} onChange={(shown) => set({ shown })} />
      </Group>
    </div>
  );
}

function Group({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-2 text-14 font-semibold">{title}</legend>
      {children}
    </fieldset>
  );
}

interface LateProps {
  readonly late: LateWork | undefined;
  readonly isFixed: boolean;
  readonly onChange: (late: LateWork | undefined) => void;
}

const usualPenalty: LateWork = { kind: 'worthLess', percentEachDay: 10, maxPercent: 50, graceMinutes: 0 };

function LateFields({ late, isFixed, onChange }: LateProps) {
  const kind = late?.kind ?? 'counts';
  const number = (field: 'percentEachDay' | 'maxPercent', label: string) =>
    late?.kind === 'worthLess' && (
      <Field label={label}>
        {(ids) => (
          <NumberInput
            {...ids}
            className="w-24"
            inputMode="numeric"
            min={1}
            max={100}
            step={1}
            required
            value={late[field]}
            onNumber={(percent) => percent !== null && onChange({ ...late, [field]: percent })}
          />
        )}
      </Field>
    );
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-start gap-4">
        <Field label={t('assign.lateHow')}>
          {(ids) => (
            <Select
              {...ids}
              value={kind}
              onChange={(event) =>
                onChange(
                  { counts: undefined, refused: { kind: 'refused' } as const, worthLess: usualPenalty }[
                    event.target.value as 'counts' | LateWork['kind']
                  ],
                )
              }
            >
              {(['counts', 'worthLess', 'refused'] as const).map((one) => (
                <option
                  key={one}
                  value={one}
                  disabled={isFixed && one !== kind && (one === 'refused' || kind === 'refused')}
                >
                  {t(`assign.lateAs.${one}`)}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {number('percentEachDay', t('assign.percentEachDay'))}
        {number('maxPercent', t('assign.maxPercent'))}
        {late?.kind === 'worthLess' && (
          <Field label={t('assign.grace')}>
            {(ids) => (
              <Select
                {...ids}
                value={late.graceMinutes}
                onChange={(event) => onChange({ ...late, graceMinutes: Number(event.target.value) })}
              >
                {[...new Set([0, 15, 60, 360, 1_440, late.graceMinutes])]
                  .toSorted((a, b) => a - b)
                  .map((minutes) => (
                    <option key={minutes} value={minutes}>
                      {graceWords(minutes)}
                    </option>
                  ))}
              </Select>
            )}
          </Field>
        )}
      </div>
      <p className="text-14 text-quiet">{t(`assign.lateHelp.${kind}`)}</p>
    </div>
  );
}

interface CountingProps {
  readonly terms: Terms;
  readonly set: (changed: Partial<Terms>) => void;
  readonly isFixed: boolean;
}

/** How often it may be done, and what of it counts how much. */
function Counting({ terms, set, isFixed }: CountingProps) {
  const { attempts = 1, counted = 'last', worth, category = '' } = terms;
  return (
    <div className="flex flex-wrap items-start gap-4">
      <Field label={t('assign.attempts')} help={isFixed ? t('terms.begunMore') : undefined}>
        {(ids) => (
          <Select {...ids} value={attempts} onChange={(event) => set({ attempts: Number(event.target.value) })}>
            {[...new Set([1, 2, 3, 4, 5, 10, attempts])]
              .toSorted((a, b) => a - b)
              .map((count) => (
                <option key={count} value={count}>
                  {t('assign.attemptCount', { count })}
                </option>
              ))}
          </Select>
        )}
      </Field>
      {attempts > 1 && (
        <Field label={t('assign.counted')}>
          {(ids) => (
            <Select
              {...ids}
              value={counted}
              onChange={(event) => set({ counted: event.target.value as Terms['counted'] })}
            >
              {(['last', 'best', 'first', 'mean'] as const).map((one) => (
                <option key={one} value={one}>
                  {t(`assign.counts.${one}`)}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      <Field label={t('assign.worth')} help={t('assign.worthHelp')}>
        {(ids) => (
          <NumberInput
            {...ids}
            className="w-28"
            inputMode="decimal"
            min={0.01}
            max={10_000}
            step={0.01}
            value={worth === undefined ? null : worth / 100}
            onNumber={(points) => set({ worth: points === null ? undefined : Math.round(points * 100) })}
          />
        )}
      </Field>
      <Field label={t('assign.category')} help={t('assign.categoryHelp')}>
        {(ids) => (
          <TextInput
            {...ids}
            maxLength={40}
            value={category}
            onChange={(event) => set({ category: event.target.value || undefined })}
          />
        )}
      </Field>
    </div>
  );
}

interface ShownProps {
  readonly shown: ShownTerms | undefined;
  readonly isFixed: boolean;
  readonly onChange: (shown: ShownTerms | undefined) => void;
}

function ShownFields({ shown = {}, isFixed, onChange }: ShownProps) {
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-start gap-4">
        {(['points', 'feedback', 'keys'] as const).map((what) => (
          <Field key={what} label={t(`assign.shownWhat.${what}`)}>
            {(ids) => (
              <Select
                {...ids}
                value={shown[what] ?? 'atOnce'}
                onChange={(event) => onChange({ ...shown, [what]: event.target.value })}
              >
                {shownWhens.map((when) => (
                  <option key={when} value={when}>
                    {t(`assign.shownWhen.${when}`)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        ))}
      </div>
      <p className="text-14 text-quiet">
        {t('assign.shownHelp')} {isFixed && t('terms.shownFixed')}
      </p>
    </div>
  );
}

interface TermProps {
  readonly label: string;
  readonly help: string;
  readonly checked: boolean;
  readonly isFixed?: boolean;
  readonly onChange: (checked: boolean) => void;
}

function Term({ label, help, checked, isFixed = false, onChange }: TermProps) {
  const id = useId();
  return (
    <div className="grid grid-cols-[auto_1fr] content-start gap-x-3">
      <input
        id={id}
        type="checkbox"
        className="mt-0.5 size-5 accent-main disabled:opacity-60"
        aria-describedby={`${id}-help`}
        checked={checked}
        disabled={isFixed}
        onChange={(event) => onChange(event.target.checked)}
      />
      <label htmlFor={id} className="font-medium">
        {label}
      </label>
      <p id={`${id}-help`} className="col-start-2 text-14 text-quiet">
        {help} {isFixed && t('terms.begunBy')}
      </p>
    </div>
  );
}
