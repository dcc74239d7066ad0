import type { QuestionOf } from '@semita/core/question';
import { useState } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import type { EditorProps } from './editor-props.ts';
import './words.ts';

type Words = QuestionOf<'hottext'>['words'];
type Standing = Words[number]['standing'];

/** Each word and what is between words, kept where the text did not change. */
function splitWords(text: string, before: Words): Words {
  const left = [...before];
  return (text.match(/[\p{L}\p{N}'’-]+|[^\p{L}\p{N}'’-]+/gu) ?? []).map((piece) => {
    const at = left.findIndex((word) => word.text === piece);
    const kept = at < 0 ? undefined : left.splice(at, 1)[0];
    return kept ?? { id: newItemId(), text: piece, standing: 'plain' };
  });
}

const next: Record<Standing, Standing> = { plain: 'correct', correct: 'wrong', wrong: 'plain' };
const isWord = (text: string) => /[\p{L}\p{N}]/u.test(text);

/** A text whose words are pressed to say which can be pointed at, and which of them are right. */
export function HottextEditor({ question, onChange }: EditorProps<'hottext'>) {
  const [text, setText] = useState(() => question.words.map((word) => word.text).join(''));
  const turn = (index: number) => {
    const word = question.words[index] as Words[number];
    onChange({ ...question, words: question.words.with(index, { ...word, standing: next[word.standing] }) });
  };
  return (
    <>
      <Field label={t('editor.text')}>
        {(ids) => (
          <TextArea
            {...ids}
            rows={3}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              onChange({ ...question, words: splitWords(event.target.value, question.words) });
            }}
          />
        )}
      </Field>
      {question.words.length > 0 && (
        <fieldset>
          <legend className="mb-1 text-14 font-medium">{t('editor.pointable')}</legend>
          <p className="leading-9 whitespace-pre-wrap">
            {question.words.map(({ id, text: words, standing }, index) =>
              isWord(words) ? (
                <button
                  key={id}
                  type="button"
                  onClick={() => turn(index)}
                  aria-label={`${words}: ${t(`editor.standing.${standing}`)}`}
                  className={joinClasses(
                    'rounded-control border px-1 leading-tight',
                    standing === 'plain' && 'border-transparent hover:border-edge',
                    standing === 'correct' && 'border-spruce bg-spruce-tint',
                    standing === 'wrong' && 'border-dashed border-brick bg-brick-tint',
                  )}
                >
                  {words}
                </button>
              ) : (
                <span key={id}>{words}</span>
              ),
            )}
          </p>
          <p className="text-13 text-quiet">{t('editor.pointableHelp')}</p>
        </fieldset>
      )}
      <CheckInput checked={question.multiple} onChange={(multiple) => onChange({ ...question, multiple })}>
        {t('editor.severalPicks')}
      </CheckInput>
    </>
  );
}
