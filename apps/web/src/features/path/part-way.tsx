import { questionsOfPart } from '@semita/core/checks';
import type { Lesson, LessonChange, Part } from '@semita/core/lesson';
import { isAside } from '@semita/core/path';
import { t } from '../../words/words.ts';
import { GroupMenu } from './group-menu.tsx';
import { RulesEditor } from './rules-editor.tsx';
import { TargetField } from './target-field.tsx';
import './words.ts';

interface Props {
  readonly part: Part;
  readonly lesson: Lesson;
  readonly apply: (change: LessonChange) => boolean;
}

/** Where the end of a part leads: for everybody, or by what was done in it. */
export function PartWay({ part, lesson, apply }: Props) {
  const next = part.next ?? ({ kind: 'onward' } as const);
  const rules = part.rules ?? [];
  const set = (change: Partial<{ next: Part['next']; rules: Part['rules'] }>) => {
    const after = { next: part.next, rules, ...change };
    const isUsual = !after.next || after.next.kind === 'onward';
    const way = { next: isUsual ? null : (after.next ?? null), rules: after.rules ?? [] };
    apply({ type: 'setWay', partId: part.id, ...way });
  };
  return (
    <section aria-labelledby="part-way" className="grid gap-2">
      <h2 id="part-way" className="text-14 font-medium">
        {t('path.afterPart')}
      </h2>
      <TargetField
        label={t('path.afterPart')}
        lesson={lesson}
        target={next}
        others={['onward', 'back', 'end']}
        onChange={(to) => set({ next: to })}
      />
      {isAside(lesson, part.id) && <p className="text-13 text-quiet">{t('path.asideHelp')}</p>}
      <div className="-ml-2.5">
        <GroupMenu
          of={part.title || t('path.untitled')}
          onlyFor={part.onlyFor}
          onChange={(onlyFor) => apply({ type: 'setOnlyFor', partId: part.id, onlyFor: onlyFor ?? null })}
        />
      </div>
      {(questionsOfPart(part).length > 0 || rules.length > 0) && (
        <RulesEditor
          {...{ lesson, rules, usual: next, questions: questionsOfPart(part) }}
          onChange={(changed) => set({ rules: changed })}
        />
      )}
    </section>
  );
}
