import type { Gradebook } from '@semita/core/contract';
import {
  type GradebookRules,
  type GradingScale,
  rulesFor,
  type UsualScale,
  usualScaleOf,
  usualScales,
} from '@semita/core/gradebook';
import { Plus, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { t } from '../../words/words.ts';
import { useChangeRules } from './queries.ts';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly book: Gradebook;
  readonly onClose: () => void;
}

/** How the results of a class are counted, and what they are called. */
export function RulesDialog({ classId, book, onClose }: Props) {
  const [rules, setRules] = useState<GradebookRules>(() =>
    rulesFor(
      book.rules,
      book.columns.map(({ category }) => category),
    ),
  );
  const set = (changed: Partial<GradebookRules>) => setRules((before) => ({ ...before, ...changed }));
  const save = useChangeRules(classId, () => {
    toast(t('rules.saved'));
    onClose();
  });
  return (
    <Dialog open onOpenChange={(isOpen) => !isOpen && onClose()} title={t('rules.title')} place="wide">
      <form
        className="grid gap-6"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate({ version: book.version, rules: { ...rules, scale: tidyScale(rules.scale) } });
        }}
      >
        <div className="grid items-start gap-6 md:grid-cols-2">
          <div className="grid gap-6">
            <Choice
              legend={t('rules.totalTitle')}
              chosen={rules.byWeight ? 'weight' : 'points'}
              options={{ points: t('rules.byPoints'), weight: t('rules.byWeight') }}
              onChoose={(one) => set({ byWeight: one === 'weight' })}
            />
            <Categories {...{ rules, set }} />
          </div>
          <div className="grid gap-6">
            <Choice
              legend={t('rules.missingTitle')}
              chosen={rules.missing}
              options={{ nothing: t('rules.missingNothing'), zero: t('rules.missingZero') }}
              onChoose={(missing) => set({ missing })}
            />
            <Choice
              legend={t('rules.extrasTitle')}
              chosen={rules.extras}
              options={{ onTop: t('rules.extrasOnTop'), notCounted: t('rules.extrasNot') }}
              onChoose={(extras) => set({ extras })}
            />
            <Scale {...{ rules, set }} locale={book.locale} />
          </div>
        </div>
        <div className="flex justify-end gap-2">
          <DialogClose>{t('gradebook.cancel')}</DialogClose>
          <Button type="submit" look="main" disabled={save.isPending}>
            {t('rules.save')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

interface FieldsProps {
  readonly rules: GradebookRules;
  readonly set: (changed: Partial<GradebookRules>) => void;
}

interface ChoiceProps<Option extends string> {
  readonly legend: string;
  readonly chosen: Option;
  readonly options: Readonly<Record<Option, string>>;
  readonly onChoose: (option: Option) => void;
}

function Choice<Option extends string>({ legend, chosen, options, onChoose }: ChoiceProps<Option>) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1.5 text-14 font-medium">{legend}</legend>
      {(Object.entries(options) as [Option, string][]).map(([option, words]) => (
        <label key={option} className="flex items-baseline gap-2 text-14">
          <input
            type="radio"
            name={legend}
            checked={option === chosen}
            onChange={() => onChoose(option)}
            className="size-4 shrink-0 translate-y-0.5 accent-main"
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}

function Categories({ rules, set }: FieldsProps) {
  const { categories, byWeight } = rules;
  if (categories.length === 0) return <p className="text-13 text-quiet">{t('rules.categoriesHelp')}</p>;
  const change = (name: string, changed: Partial<(typeof categories)[0]>) =>
    set({ categories: categories.map((one) => (one.name === name ? { ...one, ...changed } : one)) });
  const sum = categories.reduce((all, { weight }) => all + weight, 0);
  return (
    <section className="grid gap-2">
      <h3 className="text-14 font-medium">{t('rules.categories')}</h3>
      <table className="w-full text-14">
        <thead>
          <tr className="text-left text-13 text-quiet">
            <th scope="col" className="pb-1 font-medium">
              {t('rules.category')}
            </th>
            {byWeight && (
              <th scope="col" className="w-28 pb-1 font-medium">
                {t('rules.weight')}
              </th>
            )}
            <th scope="col" className="w-32 pb-1 font-medium">
              {t('rules.drop')}
            </th>
          </tr>
        </thead>
        <tbody>
          {categories.map(({ name, weight, dropLowest }) => {
            const shown = name || t('gradebook.other');
            return (
              <tr key={name}>
                <th scope="row" className="py-1 pr-2 text-left font-normal [overflow-wrap:anywhere]">
                  {shown}
                </th>
                {byWeight && (
                  <td className="py-1 pr-2">
                    <NumberInput
                      required
                      aria-label={t('rules.weightOf', { name: shown })}
                      min={0}
                      max={1_000}
                      step={0.01}
                      value={weight / 100}
                      onNumber={(next) => change(name, { weight: Math.round((next ?? 0) * 100) })}
                    />
                  </td>
                )}
                <td className="py-1">
                  <NumberInput
                    required
                    aria-label={t('rules.dropOf', { name: shown })}
                    min={0}
                    max={50}
                    step={1}
                    value={dropLowest}
                    onNumber={(next) => change(name, { dropLowest: next ?? 0 })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className={`text-13 ${byWeight && sum === 0 ? 'text-brick' : 'text-quiet'}`}>
        {byWeight && `${sum === 0 ? t('gradebook.weightless') : t('rules.weightSum', { sum: sum / 100 })} `}
        {t('rules.categoriesHelp')}
      </p>
    </section>
  );
}

const usualNames = Object.keys(usualScales) as UsualScale[];

const isSame = (a: GradingScale, b: GradingScale): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The highest first, whatever the order in which they were typed. */
const tidyScale = (scale: GradingScale): GradingScale =>
  scale.kind === 'steps' ? { ...scale, steps: scale.steps.toSorted((a, b) => b.from - a.from) } : scale;

function Scale({ rules, set, locale }: FieldsProps & { readonly locale: string }) {
  const { scale, decimals } = rules;
  const usual = usualNames.find((name) => isSame(usualScales[name], scale));
  const local = usualScaleOf(locale);
  // What schools of the class's language mostly use stands second, behind percents.
  const names = ['percent' as const, local, ...usualNames].filter((name, index, all) => all.indexOf(name) === index);
  return (
    <section className="grid gap-3">
      <div className="grid gap-3 sm:grid-cols-[1fr_9rem]">
        <Field label={t('rules.scaleTitle')}>
          {(ids) => (
            <Select
              {...ids}
              value={usual ?? 'own'}
              onChange={({ target }) => set({ scale: usualScales[target.value as UsualScale] ?? asSteps(scale) })}
            >
              {names.map((name) => (
                <option key={name} value={name}>
                  {t(`rules.scales.${name}`)}
                </option>
              ))}
              <option value="own">{t('rules.own')}</option>
            </Select>
          )}
        </Field>
        <Field label={t('rules.decimals')}>
          {(ids) => (
            <Select
              {...ids}
              value={decimals}
              onChange={({ target }) => set({ decimals: Number(target.value) as 0 | 1 | 2 })}
            >
              {([0, 1, 2] as const).map((count) => (
                <option key={count} value={count}>
                  {t(`rules.decimalsOf.${count}`)}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      {scale.kind === 'steps' && (
        <Steps steps={scale.steps} onChange={(steps) => set({ scale: { ...scale, steps } })} />
      )}
      {scale.kind === 'numbers' && (
        <div className="grid grid-cols-3 gap-3">
          <ScaleEnd label={t('rules.at0')} value={scale.at0} onNumber={(at0) => set({ scale: { ...scale, at0 } })} />
          <ScaleEnd
            label={t('rules.at100')}
            value={scale.at100}
            onNumber={(at100) => set({ scale: { ...scale, at100 } })}
          />
          <Field label={t('rules.numberDecimals')}>
            {(ids) => (
              <Select
                {...ids}
                value={scale.decimals}
                onChange={({ target }) => set({ scale: { ...scale, decimals: Number(target.value) as 0 | 1 | 2 } })}
              >
                {[0, 1, 2].map((count) => (
                  <option key={count}>{count}</option>
                ))}
              </Select>
            )}
          </Field>
        </div>
      )}
    </section>
  );
}

/** Steps of one's own begin with those that are there. */
const asSteps = (scale: GradingScale): GradingScale =>
  scale.kind === 'steps'
    ? { kind: 'steps', steps: [...scale.steps, { name: t('rules.stepName'), from: 0 }] }
    : { kind: 'steps', steps: [{ name: t('rules.scales.passed').split(',')[0] ?? '', from: 5_000 }] };

function ScaleEnd({ label, value, onNumber }: { label: ReactNode; value: number; onNumber: (value: number) => void }) {
  return (
    <Field label={label}>
      {(ids) => (
        <NumberInput
          {...ids}
          required
          min={-1_000}
          max={1_000}
          step={0.01}
          value={value}
          onNumber={(next) => onNumber(next ?? 0)}
        />
      )}
    </Field>
  );
}

type ScaleSteps = Extract<GradingScale, { kind: 'steps' }>['steps'];

function Steps({ steps, onChange }: { readonly steps: ScaleSteps; readonly onChange: (steps: ScaleSteps) => void }) {
  const change = (index: number, changed: Partial<ScaleSteps[0]>) =>
    onChange(steps.map((one, at) => (at === index ? { ...one, ...changed } : one)));
  return (
    <div className="grid gap-1.5">
      {steps.map((step, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: while it is typed, a step has nothing else that stays the same
        <div key={index} className="grid grid-cols-[1fr_7rem_auto] items-center gap-2">
          <TextInput
            required
            maxLength={40}
            aria-label={t('rules.stepNameOf', { number: index + 1 })}
            value={step.name}
            onChange={({ target }) => change(index, { name: target.value })}
          />
          <NumberInput
            required
            aria-label={t('rules.stepFromOf', { number: index + 1 })}
            min={0}
            max={200}
            step={0.01}
            value={step.from / 100}
            onNumber={(next) => change(index, { from: Math.round((next ?? 0) * 100) })}
          />
          <button
            type="button"
            aria-label={t('rules.stepRemove', { number: index + 1 })}
            disabled={steps.length === 1}
            onClick={() => onChange(steps.filter((_, at) => at !== index))}
            className="grid size-8 place-items-center rounded-control hover:bg-main-tint disabled:opacity-50"
          >
            <X aria-hidden className="size-4" strokeWidth={1.75} />
          </button>
        </div>
      ))}
      {steps.length < 30 && (
        <div>
          <Button size="small" look="quiet" onClick={() => onChange([...steps, { name: '', from: 0 }])}>
            <Plus aria-hidden className="size-4" strokeWidth={1.75} />
            {t('rules.stepAdd')}
          </Button>
        </div>
      )}
    </div>
  );
}
