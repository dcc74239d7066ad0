import type { ReactNode } from 'react';

interface Props {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  /** Said in place of the words, where these alone do not say what is ticked. */
  readonly label?: string;
  readonly children: ReactNode;
}

/** A box to tick, with its words. */
export function CheckInput({ checked, onChange, label, children }: Props) {
  return (
    <label className="flex items-center gap-2 text-14">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-main"
        checked={checked}
        aria-label={label}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
