import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ConfirmName } from '../../ui/confirm-name.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly guest: { readonly studentId: string; readonly displayName: string };
  /** The guest is somebody else now, or gone. */
  readonly onGone: () => void;
}

/** A guest turns out to be a student of the class, or goes with all they did. */
export function ThisGuest({ assignmentId, guest: { studentId, displayName: name }, onGone }: Props) {
  const queryClient = useQueryClient();
  const [doing, setDoing] = useState<'match' | 'remove' | null>(null);
  const [chosen, setChosen] = useState('');
  const sheet = useQuery(sheetOptions(assignmentId));
  const students = (sheet.data?.students ?? []).filter((one) => !one.isGuest && one.leftAt === undefined);
  const params = { assignmentId, studentId };
  const gone = async () => {
    setDoing(null);
    onGone();
    await queryClient.invalidateQueries(sheetOptions(assignmentId));
  };
  const match = useMutation({
    mutationFn: (toStudentId: string) => call('matchGuest', { params, body: { toStudentId } }),
    onSuccess: async (_, toStudentId) => {
      const to = students.find((one) => one.studentId === toStudentId)?.displayName ?? '';
      toast(t('adjusting.matched', { name, to }));
      await gone();
    },
  });
  const remove = useMutation({
    mutationFn: () => call('removeGuest', { params }),
    onSuccess: async () => {
      toast(t('adjusting.guestRemoved', { name }));
      await gone();
    },
  });
  return (
    <div className="flex flex-wrap gap-2">
      <Button size="small" onClick={() => setDoing('match')}>
        {t('adjusting.isStudent')}
      </Button>
      <Button size="small" look="danger" onClick={() => setDoing('remove')}>
        {t('adjusting.removeGuest')}
      </Button>
      {doing === 'match' && (
        <Dialog
          open
          onOpenChange={(open) => !open && setDoing(null)}
          title={t('adjusting.matchTitle', { name })}
          description={t('adjusting.matchHelp')}
        >
          <form
            className="grid gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              match.mutate(chosen);
            }}
          >
            <Field label={t('adjusting.whoIs')}>
              {(ids) => (
                <Select {...ids} required value={chosen} onChange={(event) => setChosen(event.target.value)}>
                  <option value="" />
                  {students.map((one) => (
                    <option key={one.studentId} value={one.studentId}>
                      {one.displayName}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            {match.isError && <ErrorNotice error={match.error} />}
            <div>
              <Button look="main" size="roomy" type="submit" disabled={match.isPending || chosen === ''}>
                {t('adjusting.match')}
              </Button>
            </div>
          </form>
        </Dialog>
      )}
      {doing === 'remove' && (
        <ConfirmName
          title={t('adjusting.removeGuestOf', { name })}
          description={t('adjusting.removeGuestHelp')}
          name={name}
          verb={t('adjusting.removeGuest')}
          isPending={remove.isPending}
          error={remove.error}
          onConfirm={(typed) => typed.trim().toLocaleLowerCase() === name.toLocaleLowerCase() && remove.mutate()}
          onClose={() => setDoing(null)}
        />
      )}
    </div>
  );
}
