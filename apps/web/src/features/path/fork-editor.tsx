import type { Fork, Lesson, Stop } from '@semita/core/lesson';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextArea, TextInput } from '../../ui/field.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { PictureField } from '../picture/picture-field.tsx';
import { GroupMenu } from './group-menu.tsx';
import { TargetField } from './target-field.tsx';
import './words.ts';
import '../question-editor/words.ts';

interface Props {
  readonly fork: Fork;
  readonly lesson: Lesson;
  readonly onChange: (stop: Stop) => void;
}

/** A choice of ways: what is asked, and the ways with their words, pictures and where each leads. */
export function ForkEditor({ fork, lesson, onChange }: Props) {
  const { choices } = fork;
  const prompt = useFocusTarget<HTMLTextAreaElement>(`words:${fork.id}`);
  const change = (index: number, choice: Fork['choices'][0]) =>
    onChange({ ...fork, choices: choices.with(index, choice) });
  return (
    <>
      <Field label={t('path.prompt')}>
        {(ids) => (
          <TextArea
            {...ids}
            ref={prompt}
            rows={1}
            placeholder={t('path.promptHint')}
            value={fork.prompt}
            onChange={(event) => onChange({ ...fork, prompt: event.target.value })}
          />
        )}
      </Field>
      <ol className="grid grid-cols-[minmax(0,1fr)] gap-3">
        {choices.map((choice, index) => (
          <li
            key={choice.id}
            className="grid grid-cols-[minmax(0,1fr)] gap-2 rounded-control border border-line border-l-4 border-l-marigold p-2"
          >
            <div className="flex flex-wrap items-center gap-2">
              <TextInput
                aria-label={t('path.choice', { number: index + 1 })}
                placeholder={t('path.choice', { number: index + 1 })}
                className="h-9 min-w-0 grow basis-0 text-14"
                value={choice.words}
                onChange={(event) => change(index, { ...choice, words: event.target.value })}
              />
              <Button
                look="quiet"
                size="small"
                aria-label={t('path.removeChoice', { number: index + 1 })}
                onClick={() => onChange({ ...fork, choices: choices.toSpliced(index, 1) })}
              >
                <X aria-hidden className="size-4" strokeWidth={1.75} />
              </Button>
            </div>
            <div className="flex flex-wrap items-center gap-2">
              <TargetField
                label={t('path.choiceTo', { number: index + 1 })}
                lesson={lesson}
                target={choice.to}
                others={['onward', 'end']}
                onChange={(to) => change(index, { ...choice, to })}
              />
              <GroupMenu
                of={choice.words || t('path.choice', { number: index + 1 })}
                onlyFor={choice.onlyFor}
                onChange={(onlyFor) => change(index, { ...choice, onlyFor })}
              />
              {lesson.parts.length > 1 && (
                <Select
                  aria-label={t('path.choiceAfter', { number: index + 1 })}
                  className="h-8 min-w-0"
                  value={choice.after ?? ''}
                  onChange={(event) => change(index, { ...choice, after: event.target.value || undefined })}
                >
                  <option value="">{t('path.offeredAlways')}</option>
                  {lesson.parts.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {t('path.offeredAfter', { title: title || t('path.untitled') })}
                    </option>
                  ))}
                </Select>
              )}
            </div>
            <PictureField
              label={t('picture.ofQuestion')}
              picture={choice.picture}
              onChange={(picture) => change(index, { ...choice, picture })}
            />
          </li>
        ))}
      </ol>
      <div>
        <Button
          size="small"
          onClick={() =>
            onChange({ ...fork, choices: [...choices, { id: newItemId(), words: '', to: { kind: 'onward' } }] })
          }
        >
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('path.addChoice')}
        </Button>
      </div>
    </>
  );
}
