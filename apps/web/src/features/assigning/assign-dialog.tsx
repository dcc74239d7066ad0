import { defaultTerms, type Terms } from '@semita/core/attempt';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { ApiError } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { unreadableDate } from '../../ui/date-time-field.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { EmptyPlace, ErrorNotice, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { type Chosen, chooseFrom, faultOf, type LocalWindow, noWindow, type Roster, toSentWindow } from './given-to.ts';
import { rostersOptions } from './queries.ts';
import { sentenceOf } from './sentence.ts';
import { TermFields } from './term-fields.tsx';
import { type Presets, type SentTerms, TermPresets, termPresetsOptions } from './term-presets.tsx';
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
  /** As something was given before, to be given so again. */
  readonly before?: AssignedBefore | undefined;
  readonly onClose: () => void;
}

/** Gives the latest edition: to whom, when, on which terms, and what that comes to. */
export function AssignDialog({ title, editionNumber, onClose, ...rest }: Props) {
  const rosters = useQuery(rostersOptions());
  const presets = useQuery(termPresetsOptions());
  return (
    <Dialog
      open
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('assign.title', { title })}
      description={t('assign.edition', { number: editionNumber })}
    >
      <QueryView query={rosters}>
        {(all) =>
          all.length === 0 ? (
            <EmptyPlace title={t('assign.noClass')}>
              <Link to="/classes" className={buttonStyle({ look: 'main' })}>
                {t('assign.toClasses')}
              </Link>
            </EmptyPlace>
          ) : (
            <QueryView query={presets}>
              {(kept) => <AssignForm rosters={all} presets={kept} onClose={onClose} {...rest} />}
            </QueryView>
          )
        }
      </QueryView>
    </Dialog>
  );
}

interface FormProps extends Pick<Props, 'lessonId' | 'classId' | 'before' | 'onClose'> {
  readonly rosters: readonly Roster[];
  readonly presets: Presets;
}

function AssignForm({ rosters, presets, lessonId, classId, before, onClose }: FormProps) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const [chosen, setChosen] = useState<readonly Chosen[]>(() =>
    rosters.filter(({ id }) => id === classId).map((roster) => chooseFrom(roster, 'class', roster.id)),
  );
  const [window, setWindow] = useState<LocalWindow>(before?.window ?? noWindow);
  const [note, setNote] = useState(before?.note ?? '');
  const [terms, setTerms] = useState<Terms>(before?.terms ?? presets.last ?? defaultTerms);
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
  const twice = namesOfTwice(assign.error, chosen);
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
      <Field label={t('assign.note')} help={t('assign.noteHelp')}>
        {(ids) => (
          <TextArea {...ids} maxLength={1_000} value={note} onChange={(event) => setNote(event.target.value)} />
        )}
      </Field>
      <details className="group">
        <summary className="cursor-pointer font-heading text-16 font-semibold">{t('assign.terms')}</summary>
        <div className="mt-3 grid gap-4">
          <TermPresets presets={presets} usual={defaultTerms} terms={terms} onChoose={setTerms} />
          <TermFields terms={terms} onChange={setTerms} />
        </div>
      </details>
      <div className="sticky -bottom-4 -mx-5 -mb-4 grid gap-3 rounded-b-card border-t border-line bg-card px-5 py-3">
        {twice !== null ? (
          <Notice tone="attention" role="alert" title={t('assign.againTitle')}>
            <p>{t('assign.againHelp', { names: twice })}</p>
            <div>
              <Button size="small" disabled={assign.isPending} onClick={() => assign.mutate(true)}>
                {t('assign.again')}
              </Button>
            </div>
          </Notice>
        ) : (
          assign.isError && <ErrorNotice error={assign.error} />
        )}
        {chosen.length > 0 && isSound && <p className="text-14">{sentenceOf(chosen, window, rosters)}</p>}
        <div className="flex items-center gap-3">
          <Button look="main" size="roomy" type="submit" disabled={assign.isPending || chosen.length === 0 || !isSound}>
            {chosen.length === 1 ? t('assign.submit', { name: chosen[0]?.name }) : t('assign.submitPlain')}
          </Button>
          {chosen.length === 0 && <p className="text-14 text-quiet">{t('assign.chooseFirst')}</p>}
        </div>
      </div>
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

/** Of those it is to be given to, who have it already; null where that is not what is wrong. */
function namesOfTwice(error: Error | null, chosen: readonly Chosen[]): string | null {
  if (!(error instanceof ApiError) || error.code !== 'alreadyGiven') return null;
  const { to } = error.detail as { readonly to: readonly Pick<Chosen, 'kind' | 'id'>[] };
  return chosen
    .filter((one) => to.some(({ kind, id }) => kind === one.kind && id === one.id))
    .map(({ name }) => name)
    .join(', ');
}
