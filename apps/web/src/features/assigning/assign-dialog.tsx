import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { type UseFormRegister, useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { classesOptions } from '../classes/queries.ts';
import { toWindow, WindowFields, type WindowValues } from './window-fields.tsx';
import './words.ts';

interface Values extends WindowValues {
  classId: string;
  skipping: boolean;
  rewindAtStops: boolean;
  turningBack: boolean;
  questionsWhenReached: boolean;
  maxRate: string;
}

interface Props {
  readonly lessonId: string;
  readonly title: string;
  readonly editionNumber: number;
  readonly onClose: () => void;
}

/** Gives the latest edition to a class: to whom, when, on which terms. */
export function AssignDialog({ lessonId, title, editionNumber, onClose }: Props) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const classes = useQuery(classesOptions());
  const form = useForm<Values>({
    defaultValues: {
      classId: '',
      opensAt: '',
      dueAt: '',
      closesAt: '',
      skipping: false,
      rewindAtStops: true,
      turningBack: false,
      questionsWhenReached: false,
      maxRate: '2',
    },
  });
  const chosen = classes.data?.find((one) => one.id === form.watch('classId'));
  const assign = useMutation({
    mutationFn: (values: Values) =>
      call('assign', {
        body: {
          lessonId,
          to: [{ kind: 'class', id: values.classId }],
          ...toWindow(values),
          terms: {
            skipping: values.skipping,
            rewindAtStops: values.rewindAtStops,
            turningBack: values.turningBack,
            questionsWhenReached: values.questionsWhenReached,
            maxRate: Number(values.maxRate) as 1 | 1.25 | 1.5 | 2,
          },
        },
      }),
    onSuccess: async ({ id }) => {
      await queryClient.invalidateQueries(assignmentsOptions());
      toast(t('assign.done', { name: chosen?.name }));
      onClose();
      await navigate(`/assignments/${id}`);
    },
  });
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t('assign.title', { title })}
      description={t('assign.edition', { number: editionNumber })}
    >
      <form className="grid gap-5" onSubmit={form.handleSubmit((values) => assign.mutate(values))}>
        {assign.isError && <ErrorNotice error={assign.error} />}
        <Field label={t('assign.to')} error={form.formState.errors.classId && t('assign.chooseClass')}>
          {(ids) => (
            <Select {...ids} className="w-full" {...form.register('classId', { required: true })}>
              <option value="">{t('assign.chooseClass')}</option>
              {classes.data?.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <WindowFields
          register={form.register as unknown as UseFormRegister<WindowValues>}
          timeZone={chosen?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone}
        />
        <fieldset className="grid gap-3">
          <Term label={t('assign.skipping')} help={t('assign.skippingHelp')} {...form.register('skipping')} />
          <Term label={t('assign.rewind')} help={t('assign.rewindHelp')} {...form.register('rewindAtStops')} />
          <Term label={t('assign.turningBack')} help={t('assign.turningBackHelp')} {...form.register('turningBack')} />
          <Term
            label={t('assign.whenReached')}
            help={t('assign.whenReachedHelp')}
            {...form.register('questionsWhenReached')}
          />
          <Field label={t('assign.maxRate')}>
            {(ids) => (
              <Select {...ids} className="w-28" {...form.register('maxRate')}>
                {['1', '1.25', '1.5', '2'].map((rate) => (
                  <option key={rate} value={rate}>
                    {rate} ×
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </fieldset>
        <Button look="main" size="roomy" type="submit" disabled={assign.isPending}>
          {chosen ? t('assign.submit', { name: chosen.name }) : t('assign.submitPlain')}
        </Button>
      </form>
    </Dialog>
  );
}

interface TermProps extends ReturnType<UseFormRegister<Values>> {
  readonly label: string;
  readonly help: string;
}

function Term({ label, help, ...input }: TermProps) {
  const id = useId();
  return (
    <div className="grid grid-cols-[auto_1fr] gap-x-3">
      <input id={id} type="checkbox" className="mt-0.5 size-5 accent-main" aria-describedby={`${id}-help`} {...input} />
      <label htmlFor={id} className="font-medium">
        {label}
      </label>
      <p id={`${id}-help`} className="col-start-2 text-14 text-quiet">
        {help}
      </p>
    </div>
  );
}
