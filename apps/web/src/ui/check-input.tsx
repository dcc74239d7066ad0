import type { ReactNode } from 'react';

interface Props {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
}

/** A box to tick, with its words. */
export function CheckInput({ checked, onChange, children }: Props) {
  return (
    <label className="flex items-center gap-2 text-14">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-main"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
