import type { ClassSettings } from '@semita/core/contract';
import { classColours, classShapes } from '@semita/core/roster';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { ConfirmName } from '../../ui/confirm-name.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { NumberLanguageSelect } from '../../ui/number-language-select.tsx';
import { TimeZoneSelect } from '../../ui/time-zone-select.tsx';
import { t } from '../../words/words.ts';
import { useClass } from './class-frame.tsx';
import { JoinPanel } from './join-panel.tsx';
import { lastDayOf } from './last-day-of.ts';
import { Meetings } from './meetings.tsx';
import { panelStyle } from './panel-style.ts';
import { type ClassView, useClassChange } from './queries.ts';
import { Substitutes } from './substitutes.tsx';
import { Teachers } from './teachers.tsx';
import './words.ts';

/** What a class is called and looks like, how students come into it, and who runs it. */
export function Component() {
  const one = useClass();
  const change = useClassChange(
    (body: ClassSettings) => call('changeClass', { params: { classId: one.id }, body }),
    () => toast(t('classes.saved')),
  );
  return (
    <div className="grid items-start gap-6 lg:grid-cols-2">
      <div className="grid gap-6">
        <Appearance of={one} change={change.mutate} />
        <Meetings of={one} />
        <Archive of={one} />
        <Removal of={one} />
      </div>
      <div className="grid gap-6">
        <JoinPanel of={one} />
        <Teachers of={one} />
        <Substitutes of={one} />
      </div>
    </div>
  );
}

interface Props {
  readonly of: ClassView;
  readonly change: (settings: ClassSettings) => void;
}

function Appearance({ of: { name, shape, colour, timeZone, locale }, change }: Props) {
  const form = useForm({ values: { name } });
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.appearance')}</h2>
      <form
        className="flex items-end gap-2"
        onSubmit={form.handleSubmit((values) => values.name.trim() !== name && change(values))}
      >
        <div className="grow">
          <Field label={t('classes.className')}>
            {(ids) => (
              <TextInput {...ids} required maxLength={100} className="h-9 text-14" {...form.register('name')} />
            )}
          </Field>
        </div>
        <Button type="submit">{t('classes.save')}</Button>
      </form>
      <Choices
        title={t('classes.shapeTitle')}
        options={classShapes}
        chosen={shape}
        wordOf={(one) => t(`classes.shape.${one}`)}
        draw={(one) => <ClassMark name={name} shape={one} colour={colour} />}
        onChoose={(one) => change({ shape: one })}
      />
      <Choices
        title={t('classes.colourTitle')}
        options={classColours}
        chosen={colour}
        wordOf={(one) => t(`classes.colour.${one}`)}
        draw={(one) => <ClassMark name={name} shape={shape} colour={one} />}
        onChoose={(one) => change({ colour: one })}
      />
      <div className="grid items-start gap-4 sm:grid-cols-2">
        <Field label={t('classes.timeZone')} help={t('classes.timeZoneHelp')}>
          {(ids) => (
            <TimeZoneSelect
              {...ids}
              current={timeZone}
              className="w-full"
              value={timeZone}
              onChange={(event) => change({ timeZone: event.target.value })}
            />
          )}
        </Field>
        <Field label={t('classes.numbers')}>
          {(ids) => (
            <NumberLanguageSelect
              {...ids}
              className="w-full"
              value={locale}
              onChange={(event) => change({ locale: event.target.value as 'en' })}
            />
          )}
        </Field>
      </div>
    </section>
  );
}

interface ChoicesProps<Option extends string> {
  readonly title: string;
  readonly options: readonly Option[];
  readonly chosen: Option;
  readonly wordOf: (option: Option) => string;
  readonly draw: (option: Option) => React.ReactNode;
  readonly onChoose: (option: Option) => void;
}

function Choices<Option extends string>({ title, options, chosen, wordOf, draw, onChoose }: ChoicesProps<Option>) {
  return (
    <fieldset>
      <legend className="mb-1 text-14 font-medium">{title}</legend>
      <div className="flex flex-wrap gap-1">
        {options.map((one) => (
          <label
            key={one}
            title={wordOf(one)}
            className="grid cursor-pointer place-items-center rounded-control border-2 border-transparent p-1 hover:bg-main-tint has-checked:border-main has-focus-visible:outline-2 has-focus-visible:outline-main"
          >
            <input
              type="radio"
              name={title}
              className="sr-only"
              aria-label={wordOf(one)}
              checked={one === chosen}
              onChange={() => onChoose(one)}
            />
            {draw(one)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Deleted by its name, and back for thirty days. */
function Removal({ of: { id: classId, name, removedAt } }: Pick<Props, 'of'>) {
  const [isAsking, setIsAsking] = useState(false);
  const bringBack = useClassChange(
    () => call('bringBackClass', { params: { classId } }),
    () => toast(t('classes.broughtBack', { name })),
  );
  const remove = useClassChange(
    (typed: string) => call('removeClass', { params: { classId }, body: { name: typed } }),
    () => {
      setIsAsking(false);
      toast(t('classes.removed', { name }), {
        action: { label: t('app.undo'), onClick: () => bringBack.mutate(undefined) },
      });
    },
  );
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.removeTitle')}</h2>
      <p className="text-14 text-quiet">
        {removedAt === null ? t('classes.removeHelp') : t('classes.isRemoved', { day: lastDayOf(removedAt) })}
      </p>
      <div>
        {removedAt === null ? (
          <Button look="danger" onClick={() => setIsAsking(true)}>
            {t('classes.remove')}
          </Button>
        ) : (
          <Button onClick={() => bringBack.mutate(undefined)}>{t('classes.bringBack')}</Button>
        )}
      </div>
      {isAsking && (
        <ConfirmName
          title={t('classes.removeOf', { name })}
          description={t('classes.removeHelp')}
          name={name}
          verb={t('classes.remove')}
          isPending={remove.isPending}
          error={remove.error}
          onConfirm={remove.mutate}
          onClose={() => setIsAsking(false)}
        />
      )}
    </section>
  );
}

function Archive({ of: { id: classId, name, isArchived } }: Pick<Props, 'of'>) {
  const navigate = useNavigate();
  const set = (archived: boolean) => call('changeClass', { params: { classId }, body: { isArchived: archived } });
  const bringBack = useClassChange(
    () => set(false),
    () => toast(t('classes.broughtBack', { name })),
  );
  const archive = useClassChange(
    () => set(true),
    () => {
      toast(t('classes.archived', { name }), {
        action: { label: t('classes.bringBack'), onClick: () => bringBack.mutate(undefined) },
      });
      void navigate('/classes');
    },
  );
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.archiveTitle')}</h2>
      <p className="text-14 text-quiet">{t('classes.archiveHelp')}</p>
      <div>
        {isArchived ? (
          <Button onClick={() => bringBack.mutate(undefined)}>{t('classes.bringBack')}</Button>
        ) : (
          <Button onClick={() => archive.mutate(undefined)}>{t('classes.archive')}</Button>
        )}
      </div>
    </section>
  );
}
