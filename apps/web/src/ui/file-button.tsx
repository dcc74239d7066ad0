import type { ReactNode } from 'react';
import { buttonStyle } from './button.tsx';
import { joinClasses } from './join-classes.ts';

interface Props {
  /** As the browser's file dialog takes it; any file where absent. */
  readonly accept?: string;
  readonly size?: 'small' | 'normal' | 'roomy';
  readonly disabled?: boolean;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** A button that lets a person choose a file; the same one may be chosen twice. */
export function FileButton({ accept, size, disabled = false, onFile, children }: Props) {
  return (
    <label
      className={joinClasses(
        buttonStyle({ size }),
        'focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-main',
        disabled && 'opacity-50',
      )}
    >
      {children}
      <input
        type="file"
        accept={accept}
        disabled={disabled}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
