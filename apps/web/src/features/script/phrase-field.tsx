import { useState } from 'react';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly phrase: string;
  /** @returns whether the words stand in the paragraph */
  readonly onChange: (phrase: string) => boolean;
}

/** The words of a paragraph at which a stop stands. Taken on Enter and when the field is left. */
export function PhraseField({ phrase, onChange }: Props) {
  const [text, setText] = useState<string | null>(null);
  const [isMissing, setIsMissing] = useState(false);
  const commit = () => {
    if (text === null) return;
    const isFound = onChange(text.trim().replace(/\s+/g, ' '));
    setIsMissing(!isFound);
    if (isFound) setText(null);
  };
  return (
    <Field label={t('desk.phrase')} help={t('desk.phraseHelp')} error={isMissing ? t('desk.phraseMissing') : undefined}>
      {(ids) => (
        <TextInput
          {...ids}
          className="h-9 text-14"
          value={text ?? phrase}
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
          }}
        />
      )}
    </Field>
  );
}
