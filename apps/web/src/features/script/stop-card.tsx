import { useDraggable } from '@dnd-kit/react';
import { firstWords, possiblePoints, type Stop } from '@semita/core/lesson';
import { ChevronDown, ChevronRight, GripVertical, Trash2, TriangleAlert } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { stopLooks } from '../lesson-parts/stop-looks.ts';
import { writingIn } from '../lesson-parts/writing-in.ts';
import { useEditedLesson } from '../question-editor/edited-lesson.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import { PhraseField } from './phrase-field.tsx';
import '../path/words.ts';
import '../lesson-parts/words.ts';
import './words.ts';
import '../bank/words.ts';
import '../voice/words.ts';

/** Loaded when a stop is opened. */
const loadEditor = () => import('../question-editor/checkpoint-editor.tsx');
const CheckpointEditor = lazy(async () => ({ default: (await loadEditor()).CheckpointEditor }));
const loadForkEditor = () => import('../path/fork-editor.tsx');
const ForkEditor = lazy(async () => ({ default: (await loadForkEditor()).ForkEditor }));
const RulesEditor = lazy(async () => ({ default: (await import('../path/rules-editor.tsx')).RulesEditor }));

/** Fetches the editors before they are asked for, so that what is typed after a stop is set goes into it. */
export const loadEditorAhead = () => void Promise.all([loadEditor(), loadForkEditor()]);

interface Props {
  readonly stop: Stop;
  readonly place: string;
  readonly isOpen: boolean;
  readonly isFaulty: boolean;
  readonly isOutside: boolean;
  readonly tabIndex: number;
  readonly onToggle: () => void;
  readonly onFocus: () => void;
  readonly onChange: (stop: Stop) => void;
  /** Where the stop can stand at words of a paragraph. */
  readonly onPhrase?: ((phrase: string) => boolean) | undefined;
  readonly onRemove: () => void;
}

/** A stop between two lines of the script: one line when closed, edited in place when open. */
export function StopCard({
  stop,
  place,
  isOpen,
  isFaulty,
  isOutside,
  tabIndex,
  onToggle,
  onFocus,
  onChange,
  onPhrase,
  onRemove,
}: Props) {
  const { ref, handleRef, isDragging } = useDraggable({ id: stop.id });
  const lesson = useEditedLesson();
  const { Icon, edge, ink } = stopLooks[stop.kind];
  const Chevron = isOpen ? ChevronDown : ChevronRight;
  const kind = t(`desk.${stop.kind}`);
  const points = possiblePoints(stop);
  const header = useFocusTarget<HTMLButtonElement>(`stop:${stop.id}`);
  const note = useFocusTarget<HTMLTextAreaElement>(writingIn(stop));
  return (
    <div
      ref={ref}
      className={joinClasses(
        'my-1 rounded-control border border-line border-l-4 bg-card',
        edge,
        isDragging && 'opacity-70 shadow-float',
      )}
    >
      <div className="flex items-center">
        <button
          ref={handleRef}
          type="button"
          tabIndex={-1}
          aria-label={t('desk.moveHandle')}
          className="cursor-grab py-2 pl-1 text-quiet"
        >
          <GripVertical aria-hidden className="size-4" strokeWidth={1.75} />
        </button>
        <button
          ref={header}
          type="button"
          data-item={`stop:${stop.id}`}
          tabIndex={tabIndex}
          aria-expanded={isOpen}
          onClick={onToggle}
          onFocus={onFocus}
          className="flex min-w-0 grow items-center gap-2 py-1.5 pr-3 pl-1 text-left text-14"
        >
          <Icon aria-hidden className={joinClasses('size-4 shrink-0', ink)} strokeWidth={1.75} />
          <span className="sr-only">{t('desk.stopLine', { kind, time: place })}</span>
          <span aria-hidden className="shrink-0 font-mono text-13 whitespace-nowrap text-quiet">
            {place}
          </span>
          <span className={joinClasses('truncate', firstWords(stop) === '' && 'text-quiet italic')}>
            {firstWords(stop) || `${kind}, ${t('desk.empty')}`}
          </span>
          <span className="ml-auto flex shrink-0 items-center gap-2 text-13 text-quiet">
            {(isFaulty || isOutside) && (
              <span className="flex items-center gap-1 text-brick">
                <TriangleAlert aria-hidden className="size-4" strokeWidth={1.75} />
                {isOutside && t('desk.outside')}
              </span>
            )}
            {points > 0 && t('stop.pointsOnly', { count: points / 100, points: formatPoints(points) })}
            <Chevron aria-hidden className="size-4" strokeWidth={1.75} />
          </span>
        </button>
      </div>
      {isOpen && (
        <div className="grid gap-4 border-t border-line p-4">
          {stop.kind === 'fork' && lesson && (
            <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
              <ForkEditor {...{ fork: stop, lesson, onChange }} />
            </Suspense>
          )}
          {stop.kind === 'pause' && (
            <>
              <Field label={t('desk.note')}>
                {(ids) => (
                  <TextArea
                    {...ids}
                    ref={note}
                    placeholder={t('desk.noteHint')}
                    value={stop.note}
                    onChange={(event) => onChange({ ...stop, note: event.target.value })}
                  />
                )}
              </Field>
              <RecordingField
                label={t('voice.ofPause')}
                help={t('voice.ofPauseHelp')}
                title={t('voice.ofPauseTitle', { place })}
                recording={stop.voice}
                onChange={(voice) => onChange({ ...stop, voice: voice ?? undefined })}
              />
            </>
          )}
          {stop.kind === 'checkpoint' && (
            <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
              <CheckpointEditor stop={stop} onChange={onChange} />
              <CheckInput checked={stop.required} onChange={(required) => onChange({ ...stop, required })}>
                {t('desk.required')}
              </CheckInput>
              {lesson && (
                <details open={(stop.rules?.length ?? 0) > 0}>
                  <summary className="cursor-pointer py-1 text-14 text-main">{t('path.rules')}</summary>
                  <RulesEditor
                    {...{ lesson, questions: stop.questions, usual: { kind: 'onward' } }}
                    rules={stop.rules ?? []}
                    onChange={(rules) => onChange({ ...stop, rules: rules.length > 0 ? rules : undefined })}
                  />
                </details>
              )}
            </Suspense>
          )}
          {onPhrase && <PhraseField phrase={stop.anchor?.phrase ?? ''} onChange={onPhrase} />}
          <div className="flex justify-between border-t border-line pt-3">
            <Button size="small" onClick={onToggle}>
              {t('desk.closeStop')}
            </Button>
            <Button size="small" look="danger" onClick={onRemove}>
              <Trash2 aria-hidden className="size-4" strokeWidth={1.75} />
              {t('desk.removeStop')}
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
