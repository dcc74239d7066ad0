import { longestEntryLength, type Response } from '@semita/core/question';
import { inputStyle } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import { GapText } from './gap-text.tsx';
import './words.ts';

function gapsOf(response: Response | undefined): Readonly<Record<string, string>> {
  return response?.kind === 'gaps' ? response.gaps : {};
}

/** An empty gap is not given at all. */
function withGap(gaps: Readonly<Record<string, string>>, gapId: string, given: string): Response {
  const { [gapId]: _, ...rest } = gaps;
  return { kind: 'gaps', gaps: given === '' ? rest : { ...rest, [gapId]: given } };
}

const gapStyle = joinClasses(inputStyle, 'mx-0.5 inline-block h-11 w-auto max-w-full py-0 align-middle leading-normal');

/** Gaps that are typed. */
export function TextEntryField({ question, response, onChange }: FieldProps<'textEntry'>) {
  const gaps = gapsOf(response);
  return (
    <GapText
      pieces={question.pieces}
      gap={(gapId, number) => (
        <input
          aria-label={t('question.gap', { number })}
          className={gapStyle}
          size={Math.max(10, (gaps[gapId] ?? '').length + 1)}
          maxLength={longestEntryLength}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          value={gaps[gapId] ?? ''}
          onChange={(event) => onChange(withGap(gaps, gapId, event.target.value))}
        />
      )}
    />
  );
}

/** Gaps with a list each. */
export function InlineChoiceField({ question, response, onChange }: FieldProps<'inlineChoice'>) {
  const gaps = gapsOf(response);
  return (
    <GapText
      pieces={question.pieces}
      gap={(gapId, number) => (
        <select
          aria-label={t('question.gap', { number })}
          className={gapStyle}
          value={gaps[gapId] ?? ''}
          onChange={(event) => onChange(withGap(gaps, gapId, event.target.value))}
        >
          <option value="">{t('question.choose')}</option>
          {question.gaps
            .find(({ id }) => id === gapId)
            ?.options.map(({ id, text }) => (
              <option key={id} value={id}>
                {text}
              </option>
            ))}
        </select>
      )}
    />
  );
}
