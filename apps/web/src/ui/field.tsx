import { type ComponentProps, type ReactNode, useId } from 'react';
import { joinClasses } from './join-classes.ts';

export const inputStyle =
  'w-full rounded-control border border-edge bg-card px-3 py-1.5 text-16 text-ink placeholder:text-quiet aria-invalid:border-brick';

interface FieldProps {
  readonly label: ReactNode;
  readonly help?: string | undefined;
  readonly error?: string | undefined;
  readonly children: (ids: { id: string; 'aria-describedby'?: string; 'aria-invalid'?: true }) => ReactNode;
}

/** A control with its label, its help and its error, tied together for screen readers. */
export function Field({ label, help, error, children }: FieldProps) {
  const id = useId();
  const describedBy = [help && `${id}-help`, error && `${id}-error`].filter(Boolean).join(' ');
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="text-14 font-medium">
        {label}
      </label>
      {children({
        id,
        ...(describedBy ? { 'aria-describedby': describedBy } : {}),
        ...(error ? { 'aria-invalid': true as const } : {}),
      })}
      {help && (
        <p id={`${id}-help`} className="text-13 text-quiet">
          {help}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} role="alert" className="text-14 text-brick">
          {error}
        </p>
      )}
    </div>
  );
}

/** As much as the server takes of a line and of prose, so that nothing can be written that cannot be saved. */
const longestLine = 500;
const longestProse = 20_000;

export function TextInput({ className, ...rest }: ComponentProps<'input'>) {
  return <input className={joinClasses(inputStyle, className)} maxLength={longestLine} {...rest} />;
}

/** Grows with what is written in it. */
export function TextArea({ className, ...rest }: ComponentProps<'textarea'>) {
  return (
    <textarea
      className={joinClasses(inputStyle, 'field-sizing-content min-h-16 resize-y', className)}
      maxLength={longestProse}
      {...rest}
    />
  );
}

/** A short list to pick one from. */
export function Select({ className, ...rest }: ComponentProps<'select'>) {
  return (
    <select
      className={joinClasses('h-9 rounded-control border border-edge bg-card px-2 text-14', className)}
      {...rest}
    />
  );
}
