import { defaultTerms, type Terms } from '@semita/core/attempt';
import type { LessonSummary } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { type Chosen, chooseFrom, faultOf, type Roster, studentsOf } from './given-to.ts';
import { GivingDialog } from './giving-dialog.tsx';
import { GivingFoot } from './giving-foot.tsx';
import { HowFields } from './how-fields.tsx';
import { type Step, stepsInWords, toSentStep, windowOf } from './series-plan.ts';
import { SeriesSteps } from './series-steps.tsx';
import type { Presets, SentTerms } from './term-presets.tsx';
import { ToWhom } from './to-whom.tsx';
import './words.ts';

interface Props {
  readonly lessons: readonly LessonSummary[];
  /** A class that is chosen already. */
  readonly classId?: string | undefined;
  readonly onClose: () => void;
}

/** Gives several lessons in one go, as a row. */
export function GiveSeries(props: Props) {
  return (
    <GivingDialog title={t('assign.series.title')} description={t('assign.series.about')} onClose={props.onClose}>
      {(rosters, presets) => <SeriesForm {...props} rosters={rosters} presets={presets} />}
    </GivingDialog>
  );
}

interface FormProps extends Props {
  readonly rosters: readonly Roster[];
  readonly presets: Presets;
}

function SeriesForm({ lessons, classId, onClose, rosters, presets }: FormProps) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const [title, setTitle] = useState('');
  const [steps, setSteps] = useState<readonly Step[]>([]);
  const [chosen, setChosen] = useState<readonly Chosen[]>(() =>
    rosters.filter(({ id }) => id === classId).map((roster) => chooseFrom(roster, 'class', roster.id)),
  );
  const [note, setNote] = useState('');
  // Which of them are extras is said of each.
  const [terms, setTerms] = useState<Terms>({ ...(presets.last ?? defaultTerms), isExtra: false });
  const clock = rosters.find(({ id }) => id === chosen[0]?.classId) ?? rosters[0];
  const give = useMutation({
    mutationFn: (isAgain: boolean) =>
      call('giveSeries', {
        body: {
          ...{ title, isAgain, note, terms: terms as SentTerms, steps: steps.map(toSentStep) },
          to: chosen.map(({ kind, id, classId: ofClass }) => ({ kind, id, classId: ofClass })),
        },
      }),
    onSuccess: async ({ id }) => {
      await queryClient.invalidateQueries(assignmentsOptions());
      toast(t('assign.done', { name: chosen.map(({ name }) => name).join(', ') }));
      onClose();
      await navigate(`/series/${id}`);
    },
  });
  const isSound =
    title.trim() !== '' && steps.length > 1 && steps.every((step, index) => faultOf(windowOf(step, index)) === null);
  return (
    <form
      className="grid gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        give.mutate(false);
      }}
    >
      <Field label={t('assign.series.name')}>
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
      <SeriesSteps
        steps={steps}
        lessons={lessons}
        timeZone={clock?.timeZone ?? 'UTC'}
        locale={clock?.locale ?? 'en'}
        onChange={(next) => {
          give.reset();
          setSteps(next);
        }}
      />
      <ToWhom
        rosters={rosters}
        chosen={chosen}
        onChange={(next) => {
          give.reset();
          setChosen(next);
        }}
      />
      <HowFields {...{ note, terms, presets }} onNote={setNote} onTerms={setTerms} />
      <GivingFoot
        chosen={chosen}
        error={give.error}
        isPending={give.isPending}
        isSound={isSound}
        sentence={() =>
          t('assign.series.sentence', { count: studentsOf(chosen, rosters).count, steps: stepsInWords(steps) })
        }
        label={t('assign.series.submit', { count: steps.length })}
        onAgain={() => give.mutate(true)}
      />
    </form>
  );
}
