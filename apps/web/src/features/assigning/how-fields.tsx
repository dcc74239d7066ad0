import { defaultTerms, type Terms } from '@semita/core/attempt';
import { Field, TextArea } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { TermFields } from './term-fields.tsx';
import { type Presets, TermPresets } from './term-presets.tsx';
import './words.ts';

interface Props {
  readonly note: string;
  readonly onNote: (note: string) => void;
  readonly terms: Terms;
  readonly onTerms: (terms: Terms) => void;
  readonly presets: Presets;
}

/** With which words, and on which terms. */
export function HowFields({ note, onNote, terms, onTerms, presets }: Props) {
  return (
    <>
      <Field label={t('assign.note')} help={t('assign.noteHelp')}>
        {(ids) => <TextArea {...ids} maxLength={1_000} value={note} onChange={(event) => onNote(event.target.value)} />}
      </Field>
      <details className="group">
        <summary className="cursor-pointer font-heading text-16 font-semibold">{t('assign.terms')}</summary>
        <div className="mt-3 grid gap-4">
          <TermPresets presets={presets} usual={defaultTerms} terms={terms} onChoose={onTerms} />
          <TermFields terms={terms} onChange={onTerms} />
        </div>
      </details>
    </>
  );
}
