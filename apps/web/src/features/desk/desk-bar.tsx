import type { LessonChange } from '@semita/core/lesson';
import { Printer } from 'lucide-react';
import { SavedState } from '../../saving/saved-state.tsx';
import { Button } from '../../ui/button.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { HistoryButtons } from '../../ui/history-buttons.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { KeyHelp } from '../../ui/key-help.tsx';
import type { KeyGroup } from '../../ui/key-list.tsx';
import { t } from '../../words/words.ts';
import type { Desk, DeskSnapshot } from '../draft/desk-store.ts';
import { filmKeys } from '../film/film-keys.ts';
import '../assignment/words.ts';
import '../path/words.ts';
import './words.ts';
import '../board/words.ts';

/** The two sides of the desk: what a part says, and how the parts hang together. */
export type DeskSide = 'script' | 'path';

interface Props {
  readonly desk: Desk;
  readonly snapshot: DeskSnapshot;
  readonly edition: { readonly number: number; readonly draftVersion: number } | null;
  readonly apply: (change: LessonChange) => boolean;
  readonly view: DeskSide;
  readonly onView: (view: DeskSide) => void;
  readonly onPrint: () => void;
  readonly onRehearse: () => void;
  readonly onMakeEdition: () => void;
  readonly onAssign: () => void;
}

/** Above the desk: title, saved state, history, edition, and what can be done with the whole. */
export function DeskBar(props: Props) {
  const { desk, snapshot, edition, apply, view, onView, onPrint, onRehearse, onMakeEdition, onAssign } = props;
  const { lesson, saving, version, canUndo, canRedo } = snapshot;
  const isCurrent = edition?.draftVersion === version && saving === 'saved';
  const nextNumber = (edition?.number ?? 0) + 1;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line bg-card px-4 py-2">
      <h1 className="sr-only">{lesson.title || t('desk.untitled')}</h1>
      <input
        ref={useFocusTarget('title')}
        aria-label={t('desk.titleLabel')}
        placeholder={t('desk.untitled')}
        className="-ml-1 min-w-0 grow basis-60 rounded-control border border-transparent px-2 py-1 font-heading text-18 font-semibold hover:border-line"
        maxLength={200}
        value={lesson.title}
        onChange={(event) => apply({ type: 'setTitle', title: event.target.value })}
      />
      <fieldset aria-label={t('desk.sides')} className="flex">
        {(['script', 'path'] as const).map((side) => (
          <button
            key={side}
            type="button"
            aria-pressed={view === side}
            onClick={() => onView(side)}
            className={joinClasses(
              'h-9 border-b-2 px-3 text-14 font-medium hover:bg-main-tint',
              view === side ? 'border-main text-main' : 'border-transparent',
            )}
          >
            {t(side === 'script' ? 'desk.script' : 'path.title')}
          </button>
        ))}
      </fieldset>
      <SavedState saving={saving} />
      <HistoryButtons {...{ canUndo, canRedo }} undo={desk.undo} redo={desk.redo} />
      <span className="text-14 text-quiet">
        {edition === null
          ? t('desk.noEdition')
          : isCurrent
            ? t('desk.editionIs', { number: edition.number })
            : t('desk.changedSince', { number: edition.number })}
      </span>
      <KeyHelp groups={[...deskKeys(), filmKeys()]} />
      <Button look="quiet" size="small" onClick={onPrint} aria-label={t('desk.print')} title={t('desk.print')}>
        <Printer aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
      <Button onClick={onRehearse}>{t('desk.rehearse')}</Button>
      {!isCurrent && (
        <Button look="main" onClick={onMakeEdition}>
          {t('desk.makeEdition', { number: nextNumber })}
        </Button>
      )}
      {edition !== null && (
        <Button look={isCurrent ? 'main' : 'plain'} onClick={onAssign}>
          {t('desk.assign')}
        </Button>
      )}
    </div>
  );
}

const deskKeys = (): KeyGroup[] => [
  {
    title: t('deskKeys.script'),
    keys: [
      ['↑ ↓', t('deskKeys.lines')],
      ['C', t('deskKeys.checkpoint')],
      ['P', t('deskKeys.pause')],
      ['F', t('deskKeys.fork')],
      ['Enter', t('deskKeys.open')],
      ['Esc', t('deskKeys.close')],
      ['Alt ↑, Alt ↓', t('deskKeys.move')],
      ['Delete', t('deskKeys.remove')],
    ],
  },
  {
    title: t('deskKeys.lesson'),
    keys: [
      ['I, O', t('deskKeys.window')],
      ['Alt ↑, Alt ↓', t('deskKeys.movePart')],
      ['Ctrl Z, Ctrl Y', t('deskKeys.undo')],
    ],
  },
  {
    title: t('path.map'),
    keys: [
      ['← ↑ → ↓', t('deskKeys.cards')],
      ['Enter', t('deskKeys.openCard')],
      ['Alt ← ↑ → ↓', t('deskKeys.moveCard')],
    ],
  },
];
