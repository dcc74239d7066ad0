import type { QuestionForm } from '@semita/core/question';
import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** Kinds by what a student does. */
const groups = [
  ['pick', ['choice', 'choiceSeveral', 'poll', 'slider']],
  ['gaps', ['textEntry', 'inlineChoice', 'gapMatch', 'numeric']],
  ['arrange', ['order', 'match', 'associate']],
  ['point', ['hottext', 'hotspot', 'selectPoint', 'graphicGapMatch']],
  ['make', ['extendedText', 'drawing', 'record', 'upload', 'discussion']],
] as const satisfies readonly (readonly [string, readonly QuestionForm[]])[];

export function formWords(form: QuestionForm): string {
  if (form === 'choice') return t('question.choiceOne');
  return form === 'choiceSeveral' ? t('question.choiceSeveral') : t(`question.kind.${form}`);
}

interface Props {
  readonly label?: string;
  readonly look?: 'plain' | 'quiet';
  readonly onChoose: (form: QuestionForm) => void;
  readonly children: ReactNode;
}

/** All kinds of questions, in a menu. */
export function KindMenu({ label, look = 'plain', onChoose, children }: Props) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger aria-label={label} className={buttonStyle({ look, size: 'small' })}>
        {children}
        <ChevronDown aria-hidden className="size-4" strokeWidth={1.75} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-60 grid max-h-[80dvh] gap-x-4 gap-y-2 overflow-y-auto rounded-card border border-line bg-card p-2 shadow-float sm:grid-cols-2"
        >
          {groups.map(([group, forms]) => (
            <DropdownMenu.Group key={group}>
              <DropdownMenu.Label className="px-2 pb-0.5 text-13 text-quiet">
                {t(`editor.group.${group}`)}
              </DropdownMenu.Label>
              {forms.map((form) => (
                <DropdownMenu.Item
                  key={form}
                  onSelect={() => onChoose(form)}
                  className="rounded-control px-2 py-1.5 text-14 outline-none data-highlighted:bg-main-tint"
                >
                  {formWords(form)}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
