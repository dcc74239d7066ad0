import { defaultTerms, type Terms } from '@semita/core/attempt';
import { partsForSome } from '@semita/core/lesson';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { CheckInput } from '../../ui/check-input.tsx';
import { unreadableDate } from '../../ui/date-time-field.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { editionOptions } from '../draft/queries.ts';
import { type Chosen, chooseFrom, faultOf, type LocalWindow, noWindow, type Roster, toSentWindow } from './given-to.ts';
import { GivingDialog } from './giving-dialog.tsx';
import { GivingFoot } from './giving-foot.tsx';
import { HowFields } from './how-fields.tsx';
import { sentenceOf } from './sentence.ts';
import type { Presets, SentTerms } from './term-presets.tsx';
import { ToWhom } from './to-whom.tsx';
import { WindowFields } from './window-fields.tsx';
import './words.ts';

/** What stands in the form before anything is chosen. */
export interface AssignedBefore {
  readonly terms: Terms;
  readonly note: string;
  readonly window: LocalWindow;
}

interface Props {
  readonly lessonId: string;
  readonly title: string;
  readonly editionNumber: number;
  /** A class that is chosen already. */
  readonly classId?: string | undefined;
  /** Students who are chosen already, each by themselves. */
  readonly studentIds?: readonly string[] | undefined;
  /** As something was given before, to be given so again. */
  readonly before?: AssignedBefore | undefined;
  readonly onClose: () => void;
}

/** A class, or students: who is in several classes, through the first of them. */
function chosenBefore(
  rosters: readonly Roster[],
  classId: string | undefined,
  studentIds: readonly string[],
): readonly Chosen[] {
  const left = new Set(studentIds);
  return rosters.flatMap((roster) => {
    if (roster.id === classId) return [chooseFrom(roster, 'class', roster.id)];
    return roster.students.flatMap(({ id }) => (left.delete(id) ? [chooseFrom(roster, 'student', id)] : []));
  });
}

/** Gives the latest edition: to whom, when, on which terms, and what that comes to. */
export function AssignDialog({ title, editionNumber, onClose, ...rest }: Props) {
  return (
    <GivingDialog
      title={t('assign.title', { title })}
      description={t('assign.edition', { number: editionNumber })}
      onClose={onClose}
    >
      {(rosters, presets) => <AssignForm {...{ rosters, presets, editionNumber, onClose }} {...rest} />}
    </GivingDialog>
  );
}

interface FormProps
  extends Pick<Props, 'lessonId' | 'editionNumber' | 'classId' | 'studentIds' | 'before' | 'onClose'> {
  readonly rosters: readonly Roster[];
  readonly presets: Presets;
}

function AssignForm(props: FormProps) {
  const { rosters, presets, lessonId, editionNumber, classId, studentIds = [], before, onClose } = props;
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const [chosen, setChosen] = useState<readonly Chosen[]>(() => chosenBefore(rosters, classId, studentIds));
  const [window, setWindow] = useState<LocalWindow>(before?.window ?? noWindow);
  const [note, setNote] = useState(before?.note ?? '');
  const [terms, setTerms] = useState<Terms>(before?.terms ?? presets.last ?? defaultTerms);
  const edition = useQuery(editionOptions(lessonId, editionNumber));
  const clock = rosters.find(({ id }) => id === chosen[0]?.classId) ?? rosters[0];
  const assign = useMutation({
    mutationFn: (isAgain: boolean) =>
      call('assign', {
        body: {
          ...{ lessonId, isAgain, note, terms: terms as SentTerms },
          to: chosen.map(({ kind, id, classId, window: own }) => ({
            ...{ kind, id, classId },
            ...(own ? { window: toSentWindow(own) } : {}),
          })),
          ...toSentWindow(window),
        },
      }),
    onSuccess: async ({ id }) => {
      await queryClient.invalidateQueries(assignmentsOptions());
      toast(t('assign.done', { name: chosen.map(({ name }) => name).join(', ') }));
      onClose();
      await navigate(`/assignments/${id}`);
    },
  });
  const windows = chosen.flatMap((one) => one.window ?? []);
  const isSound = [window, ...windows].every((one) => faultOf(one) === null);
  return (
    <form
      className="grid gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        assign.mutate(false);
      }}
    >
      <ToWhom
        rosters={rosters}
        chosen={chosen}
        onChange={(next) => {
          assign.reset();
          setChosen(next);
        }}
      />
      <section className="grid gap-3">
        <h3 className="text-16">{t('assign.when')}</h3>
        <WindowFields
          window={window}
          onChange={setWindow}
          timeZone={clock?.timeZone ?? 'UTC'}
          locale={clock?.locale ?? 'en'}
          meetings={clock?.meetings ?? []}
        />
        {chosen.length > 1 &&
          chosen.map((one) => (
            <OwnDates
              key={`${one.kind} ${one.id}`}
              one={one}
              ofAll={window}
              clock={clock}
              onChange={(own) => setChosen(chosen.map((other) => (other === one ? { ...one, window: own } : other)))}
            />
          ))}
      </section>
      <HowFields {...{ note, terms, presets }} onNote={setNote} onTerms={setTerms} />
      <GivingFoot
        chosen={chosen}
        error={assign.error}
        isPending={assign.isPending}
        isSound={isSound}
        sentence={() => sentenceOf(chosen, window, rosters, edition.data ? partsForSome(edition.data.lesson) : [])}
        label={chosen.length === 1 ? t('assign.submit', { name: chosen[0]?.name }) : t('assign.submitPlain')}
        onAgain={() => assign.mutate(true)}
      />
    </form>
  );
}

interface OwnDatesProps {
  readonly one: Chosen;
  readonly ofAll: LocalWindow;
  readonly clock: Roster | undefined;
  readonly onChange: (window: LocalWindow | null) => void;
}

/** Dates of one of several to whom it is given, where they are not those of all. */
function OwnDates({ one, ofAll, clock, onChange }: OwnDatesProps) {
  return (
    <div className="grid gap-2">
      <CheckInput checked={one.window !== null} onChange={(has) => onChange(has ? readable(ofAll) : null)}>
        {t('assign.ownDates', { name: one.name })}
      </CheckInput>
      {one.window && (
        <div className="border-l-2 border-line pl-4">
          <WindowFields
            window={one.window}
            onChange={onChange}
            timeZone={clock?.timeZone ?? 'UTC'}
            locale={clock?.locale ?? 'en'}
            meetings={clock?.meetings ?? []}
          />
        </div>
      )}
    </div>
  );
}

/** What could not be read stays where it was typed. */
const readable = ({ opensAt, dueAt, closesAt }: LocalWindow): LocalWindow => {
  const [opens = '', due = '', closes = ''] = [opensAt, dueAt, closesAt].map((at) => (at === unreadableDate ? '' : at));
  return { opensAt: opens, dueAt: due, closesAt: closes };
};
