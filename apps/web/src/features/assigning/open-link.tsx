import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  /** Null before it was first wanted. */
  readonly address: string | null;
  readonly isOpen: boolean;
  readonly isPending: boolean;
  readonly words: { readonly make: string; readonly on: string; readonly off: string; readonly link: string };
  readonly onSet: (wanted: { isOpen: boolean; isNew: boolean }) => void;
}

/** A link for anyone: made, copied, turned off and on, and renewed. */
export function OpenLink({ address, isOpen, isPending, words, onSet }: Props) {
  if (!isOpen || address === null)
    return (
      <div>
        <Button disabled={isPending} onClick={() => onSet({ isOpen: true, isNew: false })}>
          {address === null ? words.make : words.on}
        </Button>
      </div>
    );
  return (
    <div className="grid gap-3">
      <Field label={words.link}>
        {(ids) => <TextInput {...ids} readOnly value={address} onFocus={(event) => event.target.select()} />}
      </Field>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void navigator.clipboard.writeText(address).then(() => toast(t('openLink.copied')))}>
          {t('openLink.copy')}
        </Button>
        <Button disabled={isPending} onClick={() => onSet({ isOpen: false, isNew: false })}>
          {words.off}
        </Button>
        <Button look="quiet" disabled={isPending} onClick={() => onSet({ isOpen: true, isNew: true })}>
          {t('openLink.renew')}
        </Button>
      </div>
    </div>
  );
}
