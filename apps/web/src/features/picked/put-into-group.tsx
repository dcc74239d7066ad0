import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { rostersOptions } from '../assigning/queries.ts';
import './words.ts';

export interface PickedStudent {
  readonly id: string;
  readonly displayName: string;
}

interface Props {
  readonly students: readonly PickedStudent[];
  readonly suggestedName?: string | undefined;
  /** Why they are together, or what chooses them. */
  readonly children?: ReactNode;
  readonly onClose: () => void;
}

/** Puts students into a group of each of their classes, by one name. */
export function PutIntoGroup(props: Props) {
  const rosters = useQuery(rostersOptions());
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && props.onClose()}
      title={t('intoGroup.title')}
      description={t('intoGroup.help')}
    >
      <QueryView query={rosters}>{(data) => <GroupForm rosters={data} {...props} />}</QueryView>
    </Dialog>
  );
}

interface FormProps extends Props {
  readonly rosters: readonly { readonly id: string; readonly students: readonly { readonly id: string }[] }[];
}

function GroupForm({ rosters, students, suggestedName = '', children, onClose }: FormProps) {
  const queryClient = useQueryClient();
  const [name, setName] = useState(suggestedName);
  // Only those of one's own classes: neither guests, nor the students of somebody one stands in for.
  const known = new Set(rosters.flatMap(({ students: ofClass }) => ofClass.map(({ id }) => id)));
  const own = students.filter(({ id }) => known.has(id));
  const put = useMutation({
    mutationFn: async () => {
      const ids = new Set(own.map(({ id }) => id));
      for (const { id: classId, students: ofClass } of rosters) {
        const studentIds = ofClass.flatMap(({ id }) => (ids.has(id) ? [id] : []));
        if (studentIds.length > 0)
          await call('putIntoGroups', { params: { classId }, body: { groups: [{ name: name.trim(), studentIds }] } });
      }
    },
    onSuccess: async () => {
      toast(t('intoGroup.done', { count: own.length, name: name.trim() }));
      onClose();
      await queryClient.invalidateQueries({ queryKey: ['classes'] });
    },
  });
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        put.mutate();
      }}
    >
      {children}
      {own.length > 0 && (
        <p className="max-h-32 overflow-y-auto text-14 text-quiet">
          {own.map(({ displayName }) => displayName).join(', ')}
        </p>
      )}
      {own.length < students.length && (
        <p className="text-14 text-marigold-ink">{t('intoGroup.notYours', { count: students.length - own.length })}</p>
      )}
      <Field label={t('intoGroup.name')} help={t('intoGroup.nameHelp')}>
        {(ids) => (
          <TextInput {...ids} required maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
        )}
      </Field>
      {put.isError && <ErrorNotice error={put.error} />}
      <div>
        <Button look="main" type="submit" disabled={put.isPending || own.length === 0 || name.trim() === ''}>
          {t('intoGroup.put', { count: own.length })}
        </Button>
      </div>
    </form>
  );
}
