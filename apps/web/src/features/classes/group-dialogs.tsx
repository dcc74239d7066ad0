import { nameKey, randomGroups } from '@semita/core/roster';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextArea, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { type ClassStudent, useClassChange } from './queries.ts';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly students: readonly ClassStudent[];
  readonly onClose: () => void;
}

type MadeGroup = { readonly name: string; readonly studentIds: string[] };

const usePutIntoGroups = (classId: string, done: (groups: readonly MadeGroup[]) => void) =>
  useClassChange(
    (groups: readonly MadeGroup[]) => call('putIntoGroups', { params: { classId }, body: { groups: [...groups] } }),
    (_, groups) => done(groups),
  );

/** Some students into one group, besides those they are in: those who are selected, or those whose names are pasted. */
export function GroupDialog({ classId, students, all, onClose }: Props & { readonly all: readonly ClassStudent[] }) {
  const form = useForm({ defaultValues: { name: '', names: '' } });
  const put = usePutIntoGroups(classId, ([group]) => {
    toast(t('classes.inGroup', { name: group?.name }));
    onClose();
  });
  const isPasting = students.length === 0;
  const { met, unknown } = isPasting ? meetByName(all, form.watch('names')) : { met: students, unknown: [] };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={isPasting ? t('classes.intoGroup') : t('classes.groupTitle', { count: students.length })}
      description={isPasting ? undefined : students.map(({ displayName }) => displayName).join(', ')}
    >
      <form
        className="grid gap-4"
        onSubmit={form.handleSubmit(({ name }) =>
          put.mutate([{ name: name.trim(), studentIds: met.map(({ id }) => id) }]),
        )}
      >
        <Field label={t('classes.groupName')} help={t('classes.groupNameHelp')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              pattern=".*\S.*"
              list="groups-of-class"
              maxLength={80}
              autoComplete="off"
              {...form.register('name')}
            />
          )}
        </Field>
        {isPasting && (
          <Field
            label={t('classes.groupNames')}
            help={t('classes.groupMet', { count: met.length })}
            error={unknown.length > 0 ? t('classes.groupUnknown', { names: unknown.join(', ') }) : undefined}
          >
            {(ids) => <TextArea {...ids} rows={6} className="max-h-60 min-h-32" {...form.register('names')} />}
          </Field>
        )}
        <Button look="main" type="submit" disabled={put.isPending || met.length === 0}>
          {t('classes.putIn')}
        </Button>
      </form>
    </Dialog>
  );
}

/** Whom of a class pasted names mean, one a line; a user name does as well. */
function meetByName(all: readonly ClassStudent[], text: string) {
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const find = (line: string) =>
    all.find(({ displayName, userName }) => nameKey(displayName) === nameKey(line) || userName === line.toLowerCase());
  return {
    met: [...new Set(lines.flatMap((line) => find(line) ?? []))],
    unknown: lines.filter((line) => !find(line)),
  };
}

const shuffle = (below: number) => Math.floor(Math.random() * below);

/** Groups at random, seen before they are made. */
export function RandomGroupsDialog({ classId, students, onClose }: Props) {
  const [by, setBy] = useState<'count' | 'size'>('size');
  const [typed, setTyped] = useState('4');
  const number = Math.min(60, Math.max(1, Math.round(Number(typed)) || 1));
  const [name, setName] = useState<string>(t('classes.randomDefault'));
  const [round, setRound] = useState(0);
  const sizes = by === 'count' ? { count: number } : { size: number };
  const shown = useShuffled(students, sizes, `${round} ${by} ${number}`);
  const put = usePutIntoGroups(classId, (groups) => {
    toast(t('classes.groupsMade', { count: groups.length }));
    onClose();
  });
  const nameOf = (index: number) => `${name.trim()} ${index + 1}`;
  return (
    <Dialog
      open
      keepsAtOnce
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('classes.randomTitle')}
      description={t('classes.randomHelp', { count: students.length })}
    >
      <div className="grid gap-5">
        <div className="flex flex-wrap items-end gap-3">
          <Field label={t('classes.randomBy')}>
            {(ids) => (
              <Select {...ids} value={by} onChange={(event) => setBy(event.target.value as 'count' | 'size')}>
                <option value="size">{t('classes.bySize')}</option>
                <option value="count">{t('classes.byCount')}</option>
              </Select>
            )}
          </Field>
          <Field label={t('classes.number')}>
            {(ids) => (
              <TextInput
                {...ids}
                type="number"
                min={1}
                max={60}
                className="h-9 w-20 text-14"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
              />
            )}
          </Field>
          <Field label={t('classes.randomName')}>
            {(ids) => (
              <TextInput
                {...ids}
                className="h-9 w-44 text-14"
                maxLength={60}
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
          <Button onClick={() => setRound(round + 1)}>{t('classes.again')}</Button>
        </div>
        <ol className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-3">
          {shown.map((group, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a group is its number until it is made
            <li key={index} className="rounded-card border border-line p-3 text-14">
              <p className="font-medium">{nameOf(index)}</p>
              <ul>
                {group.map(({ id, displayName }) => (
                  <li key={id}>{displayName}</li>
                ))}
              </ul>
            </li>
          ))}
        </ol>
        <div>
          <Button
            look="main"
            disabled={put.isPending || name.trim() === '' || shown.length > 60}
            onClick={() =>
              put.mutate(shown.map((group, index) => ({ name: nameOf(index), studentIds: group.map(({ id }) => id) })))
            }
          >
            {t('classes.makeGroups')}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

/** Shuffled anew when what is asked for changes, and not with every letter that is typed. */
function useShuffled(students: readonly ClassStudent[], sizes: Parameters<typeof randomGroups>[1], asked: string) {
  const [kept, setKept] = useState(() => ({ asked, groups: randomGroups(students, sizes, shuffle) }));
  if (kept.asked === asked) return kept.groups;
  const groups = randomGroups(students, sizes, shuffle);
  setKept({ asked, groups });
  return groups;
}
