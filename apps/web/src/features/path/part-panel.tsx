import type { PathFaultCode } from '@semita/core/checks';
import type { Lesson, LessonChange, Part, Stop } from '@semita/core/lesson';
import { FileText, TriangleAlert, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { stopLooks } from '../lesson-parts/stop-looks.ts';
import { needWords } from '../lesson-parts/tile-looks.ts';
import { ForkEditor } from './fork-editor.tsx';
import { PartWay } from './part-way.tsx';
import { RulesEditor } from './rules-editor.tsx';
import './words.ts';
import '../lesson-parts/words.ts';
import '../lesson-parts/tile-words.ts';

interface Props {
  readonly part: Part;
  readonly lesson: Lesson;
  readonly apply: (change: LessonChange) => boolean;
  readonly whole: Lesson;
  readonly faults: readonly PathFaultCode[];
  readonly onOpen: () => void;
  readonly onOpenStop: (stopId: string) => void;
  readonly onClose: () => void;
}

/** What the map has to say of one part, where it can be changed: its name, its forks and rules, and where it leads. */
export function PartPanel({ part, lesson, whole, faults, apply, onOpen, onOpenStop, onClose }: Props) {
  const change = (stop: Stop) => apply({ type: 'replaceStop', partId: part.id, stop });
  const turns = part.stops.filter(
    (stop) => stop.kind === 'fork' || stop.kind === 'board' || (stop.kind === 'checkpoint' && stop.rules?.length),
  );
  return (
    <section aria-label={part.title || t('path.untitled')} className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex items-center justify-between gap-2">
        <Button size="small" onClick={onOpen}>
          <FileText aria-hidden className="size-4" strokeWidth={1.75} />
          {t('path.openScript')}
        </Button>
        <Button size="small" look="quiet" onClick={onClose}>
          <X aria-hidden className="size-4" strokeWidth={1.75} />
          {t('path.closePart')}
        </Button>
      </div>
      {faults.map((code) => (
        <p key={code} className="flex gap-1.5 text-14 text-brick">
          <TriangleAlert aria-hidden className="mt-0.5 size-4 shrink-0" strokeWidth={1.75} />
          {t(`fault.${code}`)}
        </p>
      ))}
      <PartTitleField label={t('path.partTitle')} part={part} apply={apply} />
      <p className="text-14 text-quiet">{partFigures(part, whole)}</p>
      <CheckInput
        checked={part.practice ?? false}
        onChange={(practice) => apply({ type: 'setPractice', partId: part.id, practice })}
      >
        {t('desk.practice')}
      </CheckInput>
      {turns.map((stop) => {
        const { Icon, ink } = stopLooks[stop.kind];
        return (
          <section key={stop.id} className="grid grid-cols-[minmax(0,1fr)] gap-2 border-t border-line pt-3">
            <h3 className="flex items-center gap-2 text-14">
              <Icon aria-hidden className={`size-4 shrink-0 ${ink}`} strokeWidth={1.75} />
              <button type="button" className="text-left underline" onClick={() => onOpenStop(stop.id)}>
                {[t(`desk.${stop.kind}`), formatPosition(part.kind, stop)].filter(Boolean).join(' · ')}
              </button>
            </h3>
            {stop.kind === 'fork' && <ForkEditor {...{ fork: stop, lesson }} onChange={change} />}
            {stop.kind === 'board' && (
              <p className="text-14 text-quiet">
                {needWords(stop.need)} {stop.tiles.map(({ title }) => title || t('board.untitled')).join(', ')}
              </p>
            )}
            {stop.kind === 'checkpoint' && (
              <RulesEditor
                {...{ lesson, questions: stop.questions, usual: { kind: 'onward' } }}
                rules={stop.rules ?? []}
                onChange={(rules) => change({ ...stop, rules: rules.length > 0 ? rules : undefined })}
              />
            )}
          </section>
        );
      })}
      {lesson.parts.length > 1 && (
        <div className="border-t border-line pt-3">
          <PartWay {...{ part, lesson, apply }} />
        </div>
      )}
    </section>
  );
}
