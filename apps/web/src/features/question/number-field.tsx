import { longestEntryLength } from '@semita/core/question';
import { TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import './words.ts';

/** A number as the student writes it, with its unit where that is asked for. */
export function NumberField({ question, response, onChange, labelledBy }: FieldProps<'numeric'>) {
  return (
    <div className="flex items-center gap-2">
      <TextInput
        aria-labelledby={labelledBy}
        className="h-11 w-48 font-mono"
        inputMode={question.unit === '' ? 'text' : 'decimal'}
        maxLength={longestEntryLength}
        autoComplete="off"
        placeholder={t('question.numberHint')}
        value={response?.kind === 'number' ? response.text : ''}
        onChange={(event) => onChange({ kind: 'number', text: event.target.value })}
      />
      {question.unit !== '' && <span className="text-18">{question.unit}</span>}
    </div>
  );
}
