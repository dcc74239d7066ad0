import { useState } from 'react';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import { Dialog } from './dialog.tsx';
import { Field, TextInput } from './field.tsx';
import { ErrorNotice } from './notice.tsx';

interface Props {
  readonly title: string;
  /** What happens, and what stays. */
  readonly description: string;
  /** What is to be typed. */
  readonly name: string;
  readonly verb: string;
  readonly isPending: boolean;
  readonly error: Error | null;
  readonly onConfirm: (typed: string) => void;
  readonly onClose: () => void;
}

/** Asks for the name of what is about to go, so that it is this one that is meant. */
export function ConfirmName({ title, description, name, verb, isPending, error, onConfirm, onClose }: Props) {
  const [typed, setTyped] = useState('');
  return (
    <Dialog open keepsAtOnce onOpenChange={(open) => !open && onClose()} title={title} description={description}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          onConfirm(typed);
        }}
      >
        <Field label={t('app.typeName', { name })}>
          {(ids) => (
            <TextInput {...ids} autoComplete="off" value={typed} onChange={(event) => setTyped(event.target.value)} />
          )}
        </Field>
        {error && <ErrorNotice error={error} />}
        <div>
          <Button look="danger" size="roomy" type="submit" disabled={isPending || typed.trim() === ''}>
            {verb}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
