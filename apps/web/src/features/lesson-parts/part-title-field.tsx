import type { LessonChange, Part } from '@semita/core/lesson';
import { Field, TextInput } from '../../ui/field.tsx';

interface Props {
  readonly label: string;
  readonly part: Part;
  readonly apply: (change: LessonChange) => boolean;
}

/** What a part is called. */
export function PartTitleField({ label, part, apply }: Props) {
  return (
    <Field label={label}>
      {(ids) => (
        <TextInput
          {...ids}
          className="h-9 text-14"
          maxLength={200}
          value={part.title}
          onChange={(event) => apply({ type: 'setPartTitle', partId: part.id, title: event.target.value })}
        />
      )}
    </Field>
  );
}
