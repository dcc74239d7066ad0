import type { Sheet } from '@semita/core/contract';
import { type Need, needOfStudent, needs } from '@semita/core/sheet';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Users } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { rostersOptions } from '../assigning/queries.ts';
import './words.ts';

/** Those who need the same become a group: of each of their classes, by one name. */
export function IntoGroup({ sheet }: { readonly sheet: Sheet }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setIsOpen(true)}>
        <Users aria-hidden className="size-4" strokeWidth={1.75} />
        {t('intoGroup.open')}
      </Button>
      {isOpen && (
        <Dialog
          open
          onOpenChange={(open) => !open && setIsOpen(false)}
          title={t('intoGroup.title')}
          description={t('intoGroup.help')}
        >
          <GroupForm sheet={sheet} onClose={() => setIsOpen(false)} />
        </Dialog>
      )}
    </>
  );
}

function GroupForm({ sheet, onClose }: { readonly sheet: Sheet; readonly onClose: () => void }) {
  const queryClient = useQueryClient();
  const rosters = useQuery(rostersOptions());
  const [chosen, setChosen] = useState<readonly Need[]>([]);
  const [name, setName] = useState('');
  // Only those of one's own classes: neither guests, nor the students of somebody one stands in for.
  const known = new Set((rosters.data ?? []).flatMap(({ students: ofClass }) => ofClass.map(({ id }) => id)));
  const here = sheet.students
    .filter(({ studentId, leftAt }) => leftAt === undefined && known.has(studentId))
    .map((student) => ({ ...student, need: needOfStudent(student, sheet) }));
  const students = here.filter(({ need }) => chosen.includes(need));
  const put = useMutation({
    mutationFn: async () => {
      const ids = new Set(students.map(({ studentId }) => studentId));
      for (const { id: classId, students: ofClass } of rosters.data ?? []) {
        const studentIds = ofClass.flatMap(({ id }) => (ids.has(id) ? [id] : []));
        if (studentIds.length > 0)
          await call('putIntoGroups', { params: { classId }, body: { groups: [{ name: name.trim(), studentIds }] } });
      }
    },
    onSuccess: async () => {
      toast(t('intoGroup.done', { count: students.length, name: name.trim() }));
      onClose();
      await queryClient.invalidateQueries({ queryKey: ['classes'] });
    },
  });
  return (
    <QueryView query={rosters}>
      {() => (
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            put.mutate();
          }}
        >
          <fieldset className="grid gap-1">
            <legend className="mb-1 text-14 font-medium">{t('intoGroup.who')}</legend>
            {needs.flatMap((need) => {
              const count = here.filter((one) => one.need === need).length;
              if (count === 0) return [];
              return [
                <CheckInput
                  key={need}
                  checked={chosen.includes(need)}
                  onChange={(isOn) => setChosen(isOn ? [...chosen, need] : chosen.filter((one) => one !== need))}
                >
                  {t('intoGroup.need', { need: t(`need.${need}`), count })}
                </CheckInput>,
              ];
            })}
          </fieldset>
          {students.length > 0 && (
            <p className="max-h-32 overflow-y-auto text-14 text-quiet">
              {students.map(({ displayName }) => displayName).join(', ')}
            </p>
          )}
          <Field label={t('intoGroup.name')} help={t('intoGroup.nameHelp')}>
            {(ids) => (
              <TextInput
                {...ids}
                required
                maxLength={80}
                value={name}
                onChange={({ target }) => setName(target.value)}
              />
            )}
          </Field>
          {put.isError && <ErrorNotice error={put.error} />}
          <div>
            <Button look="main" type="submit" disabled={put.isPending || students.length === 0 || name.trim() === ''}>
              {t('intoGroup.put', { count: students.length })}
            </Button>
          </div>
        </form>
      )}
    </QueryView>
  );
}
