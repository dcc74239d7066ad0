import type { FirstSignIn, People } from '@semita/core/contract';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { toast } from 'sonner';
import { call, pathOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ConfirmName } from '../../ui/confirm-name.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { Menu, MenuItem, MenuLine } from '../../ui/menu.tsx';
import { EmptyPlace, ErrorNotice, errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatAgo } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { SchoolPage } from './school-page.tsx';
import './words.ts';

type Person = People['people'][number];

const peopleKey = ['school', 'people'];

/** People one by one: found, changed, switched off, given out and erased. */
export function Component() {
  const [words, setWords] = useState('');
  const [isStaff, setIsStaff] = useState(false);
  const [offset, setOffset] = useState(0);
  const wanted = useDeferredValue(words);
  const query = useQuery({
    queryKey: [...peopleKey, wanted, isStaff, offset],
    queryFn: () => call('searchPeople', { body: { words: wanted, isStaff, offset } }),
    placeholderData: keepPreviousData,
  });
  return (
    <SchoolPage title={t('school.everybody')}>
      <div className="flex flex-wrap items-end gap-4">
        <div className="min-w-64 grow">
          <Field label={t('school.find')}>
            {(ids) => (
              <TextInput
                {...ids}
                type="search"
                value={words}
                onChange={(event) => {
                  setWords(event.target.value);
                  setOffset(0);
                }}
              />
            )}
          </Field>
        </div>
        <Field label={t('school.whom')}>
          {(ids) => (
            <Select
              {...ids}
              className="h-9.5"
              value={isStaff ? 'staff' : 'students'}
              onChange={(event) => {
                setIsStaff(event.target.value === 'staff');
                setOffset(0);
              }}
            >
              <option value="students">{t('school.ofStudents')}</option>
              <option value="staff">{t('school.people')}</option>
            </Select>
          )}
        </Field>
      </div>
      <QueryView query={query}>
        {({ people, count }) =>
          people.length === 0 ? (
            <EmptyPlace title={t('school.nobody')} />
          ) : (
            <>
              <PeopleTable people={people} isStaff={isStaff} />
              <div className="flex items-center gap-3 text-14 text-quiet">
                <span>{t('school.shown', { from: offset + 1, until: offset + people.length, count })}</span>
                {offset > 0 && (
                  <Button size="small" onClick={() => setOffset(Math.max(0, offset - 50))}>
                    {t('school.previous')}
                  </Button>
                )}
                {offset + people.length < count && (
                  <Button size="small" onClick={() => setOffset(offset + 50)}>
                    {t('school.next')}
                  </Button>
                )}
              </div>
            </>
          )
        }
      </QueryView>
    </SchoolPage>
  );
}

function PeopleTable({ people, isStaff }: { readonly people: readonly Person[]; readonly isStaff: boolean }) {
  const [now] = useState(() => Date.now());
  return (
    <div className="overflow-x-auto rounded-card border border-line bg-card">
      <table className="w-full text-14">
        <thead className="text-left text-quiet">
          <tr className="border-b border-line">
            <th className="px-5 py-2 font-medium">{t('school.name')}</th>
            <th className="px-5 py-2 font-medium">{t(isStaff ? 'school.email' : 'school.userName')}</th>
            <th className="px-5 py-2 font-medium">{t('school.classes')}</th>
            <th className="px-5 py-2 font-medium">{t('school.lastSeen')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.id} className="h-11 border-b border-line last:border-0">
              <td className="px-5 font-medium">
                {person.displayName}
                {person.isOff && <span className="ml-2 text-brick">{t('school.off')}</span>}
              </td>
              <td className="px-5">{person.signInName}</td>
              <td className="px-5 text-quiet">{person.classNames.join(', ')}</td>
              <td className="px-5 whitespace-nowrap text-quiet">
                {person.lastSeenAt === null ? '–' : formatAgo(person.lastSeenAt, now)}
              </td>
              <td className="px-3 text-right">
                <PersonMenu person={person} isStudent={!isStaff} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type Doing = 'change' | 'erase' | { readonly given: FirstSignIn };

function PersonMenu({ person, isStudent }: { readonly person: Person; readonly isStudent: boolean }) {
  const { id: userId, displayName: name, isOff } = person;
  const queryClient = useQueryClient();
  const [doing, setDoing] = useState<Doing | null>(null);
  const showAnew = () => queryClient.invalidateQueries({ queryKey: ['school'] });
  const onError = (error: Error) => toast.error(errorWords(error));
  const params = { userId };
  const turn = useMutation({
    mutationFn: (off: boolean) => call('changePerson', { params, body: { isOff: off } }),
    onSuccess: async (_, off) => {
      toast(t(off ? 'school.isOff' : 'school.isOn', { name }), {
        action: { label: t('app.undo'), onClick: () => turn.mutate(!off) },
      });
      await showAnew();
    },
    onError,
  });
  const give = useMutation({
    mutationFn: () => call('givePersonPassword', { params }),
    onSuccess: (given) => setDoing({ given }),
    onError,
  });
  const erase = useMutation({
    mutationFn: (typed: string) => call('eraseStudent', { params, body: { name: typed } }),
    onSuccess: async () => {
      setDoing(null);
      toast(t('school.erased', { name }));
      await showAnew();
    },
  });
  return (
    <>
      <Menu label={t('school.moreFor', { name })}>
        <MenuItem onSelect={() => setDoing('change')}>{t('school.changePerson')}</MenuItem>
        <MenuItem onSelect={() => give.mutate()}>{t('school.newPassword')}</MenuItem>
        <MenuItem onSelect={() => turn.mutate(!isOff)}>{t(isOff ? 'school.switchOn' : 'school.switchOff')}</MenuItem>
        {isStudent && (
          <>
            <MenuLine />
            <MenuItem onSelect={() => window.location.assign(pathOf('exportStudent', params))}>
              {t('school.export')}
            </MenuItem>
            <MenuItem onSelect={() => setDoing('erase')}>{t('school.erase')}</MenuItem>
          </>
        )}
      </Menu>
      {doing === 'change' && (
        <ChangePerson person={person} isStudent={isStudent} onChanged={showAnew} onClose={() => setDoing(null)} />
      )}
      {doing === 'erase' && (
        <ConfirmName
          title={t('school.eraseOf', { name })}
          description={t('school.eraseHelp')}
          name={name}
          verb={t('school.eraseIt')}
          isPending={erase.isPending}
          error={erase.error}
          onConfirm={erase.mutate}
          onClose={() => setDoing(null)}
        />
      )}
      {doing !== null && typeof doing === 'object' && (
        <Dialog
          open
          keepsAtOnce
          onOpenChange={(open) => !open && setDoing(null)}
          title={t('school.passwordOf', { name })}
          description={t('school.passwordHelp')}
        >
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            <dt className="text-quiet">{t(isStudent ? 'school.userName' : 'school.email')}</dt>
            <dd className="font-mono">{doing.given.userName}</dd>
            <dt className="text-quiet">{t('school.password')}</dt>
            <dd className="font-mono text-18">{doing.given.password}</dd>
          </dl>
        </Dialog>
      )}
    </>
  );
}

interface ChangeProps {
  readonly person: Person;
  readonly isStudent: boolean;
  readonly onChanged: () => Promise<unknown>;
  readonly onClose: () => void;
}

function ChangePerson({ person, isStudent, onChanged, onClose }: ChangeProps) {
  const [displayName, setDisplayName] = useState(person.displayName);
  const [signInName, setSignInName] = useState(person.signInName);
  const change = useMutation({
    mutationFn: () =>
      call('changePerson', {
        params: { userId: person.id },
        body: {
          ...(displayName === person.displayName ? {} : { displayName }),
          ...(signInName === person.signInName ? {} : { signInName }),
        },
      }),
    onSuccess: async () => {
      onClose();
      toast(t('school.saved'));
      await onChanged();
    },
  });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={person.displayName}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate();
        }}
      >
        <Field label={t('school.name')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              maxLength={100}
              value={displayName}
              onChange={(event) => setDisplayName(event.target.value)}
            />
          )}
        </Field>
        <Field label={t(isStudent ? 'school.userName' : 'school.email')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              maxLength={200}
              value={signInName}
              onChange={(event) => setSignInName(event.target.value)}
            />
          )}
        </Field>
        {change.isError && <ErrorNotice error={change.error} />}
        <div>
          <Button look="main" size="roomy" type="submit" disabled={change.isPending}>
            {t('school.save')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
