import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { useKeep } from './queries.ts';
import './words.ts';

/** Keeps the gradebook as it is now, under a few words. */
export function KeepDialog({ classId, onClose }: { readonly classId: string; readonly onClose: () => void }) {
  const [note, setNote] = useState('');
  const keep = useKeep(classId, () => {
    toast(t('gradebook.keepDone'));
    onClose();
  });
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t('gradebook.keepTitle')}
      description={t('gradebook.keepHelp')}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate(note.trim());
        }}
      >
        <Field label={t('gradebook.keepNote')}>
          {(ids) => <TextInput {...ids} maxLength={80} value={note} onChange={({ target }) => setNote(target.value)} />}
        </Field>
        <div className="flex justify-end gap-2">
          <DialogClose>{t('gradebook.cancel')}</DialogClose>
          <Button type="submit" look="main" disabled={keep.isPending}>
            {t('gradebook.keepIt')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
