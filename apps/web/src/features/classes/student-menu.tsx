import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { Menu, MenuItem, MenuLine } from '../../ui/menu.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { type ClassStudent, classesOptions, useClassChange } from './queries.ts';
import type { SignInPaper } from './sign-in-sheet.tsx';
import './words.ts';

interface MenuProps {
  readonly classId: string;
  readonly student: ClassStudent;
  readonly onPaper: (paper: SignInPaper) => void;
}

/** All that is done with one student of a class. */
export function StudentMenu({ classId, student, onPaper }: MenuProps) {
  const [opened, setOpened] = useState<'rename' | 'move' | null>(null);
  const { id: studentId, displayName: name } = student;
  const params = { classId, studentId };
  const password = useClassChange(
    () => call('givePasswords', { params: { classId }, body: { studentIds: [studentId] } }),
    (people) => onPaper({ kind: 'passwords', people }),
  );
  const card = useClassChange(
    () => call('makeCards', { params: { classId }, body: { studentIds: [studentId] } }),
    (people) => onPaper({ kind: 'cards', people }),
  );
  const takeCard = useClassChange(
    () => call('revokeCard', { params }),
    () => toast(t('classes.cardTaken', { name })),
  );
  const putBack = useClassChange(async () => {
    const { version } = await call('planRoster', { params: { classId }, body: { people: [asListed(student)] } });
    const body = { version, people: [asListed(student)], remove: [] };
    await call('changeRoster', { params: { classId }, body });
    if (student.extraTime > 1) await call('changeStudent', { params, body: { extraTime: student.extraTime } });
  });
  const takeOut = useClassChange(
    () => call('removeStudent', { params }),
    () =>
      toast(t('classes.takenOut', { name }), {
        action: { label: t('classes.putBack'), onClick: () => putBack.mutate(undefined) },
      }),
  );
  return (
    <>
      <Menu label={t('classes.moreFor', { name })}>
        <MenuItem onSelect={() => setOpened('rename')}>{t('classes.rename')}</MenuItem>
        <MenuItem onSelect={() => password.mutate(undefined)}>{t('classes.newPassword')}</MenuItem>
        <MenuItem onSelect={() => card.mutate(undefined)}>{t('classes.newCard')}</MenuItem>
        {student.hasCard && <MenuItem onSelect={() => takeCard.mutate(undefined)}>{t('classes.takeCard')}</MenuItem>}
        <MenuLine />
        <MenuItem onSelect={() => setOpened('move')}>{t('classes.move')}</MenuItem>
        <MenuItem onSelect={() => takeOut.mutate(undefined)}>{t('classes.takeOut')}</MenuItem>
      </Menu>
      {opened === 'rename' && <RenameDialog {...{ classId, student }} onClose={() => setOpened(null)} />}
      {opened === 'move' && <MoveDialog {...{ classId, student }} onClose={() => setOpened(null)} />}
    </>
  );
}

const asListed = ({ displayName, userName, groups }: ClassStudent) => ({ displayName, userName, groups: [...groups] });

interface DialogProps {
  readonly classId: string;
  readonly student: ClassStudent;
  readonly onClose: () => void;
}

function RenameDialog({ classId, student: { id: studentId, displayName: name }, onClose }: DialogProps) {
  const form = useForm({ defaultValues: { displayName: name } });
  const rename = useClassChange(
    (body: { displayName: string }) => call('changeStudent', { params: { classId, studentId }, body }),
    onClose,
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t('classes.renameTitle', { name })}>
      <form className="grid gap-4" onSubmit={form.handleSubmit((values) => rename.mutate(values))}>
        <Field label={t('classes.name')}>
          {(ids) => <TextInput {...ids} required maxLength={100} {...form.register('displayName')} />}
        </Field>
        <Button look="main" type="submit" disabled={rename.isPending}>
          {t('classes.save')}
        </Button>
      </form>
    </Dialog>
  );
}

function MoveDialog({ classId, student: { id: studentId, displayName: name }, onClose }: DialogProps) {
  const classes = useQuery(classesOptions());
  const form = useForm({ defaultValues: { toClassId: '' } });
  const nameOf = (id: string) => classes.data?.find((one) => one.id === id)?.name;
  const move = useClassChange(
    (body: { toClassId: string }) => call('moveStudent', { params: { classId, studentId }, body }),
    (_, { toClassId }) => {
      toast(t('classes.moved', { name, to: nameOf(toClassId) }));
      onClose();
    },
  );
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t('classes.moveTitle', { name })}
      description={t('classes.moveHelp')}
    >
      <QueryView query={classes}>
        {(all) => {
          const others = all.filter(({ id, isArchived, standsIn }) => id !== classId && !isArchived && !standsIn);
          if (others.length === 0) return <p>{t('classes.noOtherClass')}</p>;
          return (
            <form className="grid gap-4" onSubmit={form.handleSubmit((values) => move.mutate(values))}>
              <Field label={t('classes.moveTo')}>
                {(ids) => (
                  <Select {...ids} className="w-full" {...form.register('toClassId')} defaultValue={others[0]?.id}>
                    {others.map(({ id, name: className }) => (
                      <option key={id} value={id}>
                        {className}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <Button look="main" type="submit" disabled={move.isPending}>
                {t('classes.moveIt')}
              </Button>
            </form>
          );
        }}
      </QueryView>
    </Dialog>
  );
}
