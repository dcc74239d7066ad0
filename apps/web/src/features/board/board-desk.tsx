import { DragDropProvider, PointerSensor, useDraggable } from '@dnd-kit/react';
import type { Fault } from '@semita/core/checks';
import type { Board, Lesson, LessonChange, Tile, UntimedPartOf } from '@semita/core/lesson';
import { isAside } from '@semita/core/path';
import { Plus, TriangleAlert } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { focusOn, useFocusTarget } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { createTile } from '../lesson-parts/new-stops.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { PartSettings } from '../path/part-settings.tsx';
import { useEditedLesson } from '../question-editor/edited-lesson.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import { BoardTiles, placeOf } from './board-tiles.tsx';
import { NeedField } from './need-field.tsx';
import { TileEditor } from './tile-editor.tsx';
import './words.ts';
import '../lesson-parts/words.ts';
import '../voice/words.ts';
import '../lesson-parts/tile-words.ts';

interface Props {
  readonly part: UntimedPartOf<'board'>;
  readonly faults: readonly Fault[];
  readonly apply: (change: LessonChange) => boolean;
}

/** A board at the desk: its tiles to write, and beside them the board as students see it. */
export function BoardDesk({ part, faults, apply }: Props) {
  const lesson = useEditedLesson();
  const board = part.stops.find((stop) => stop.kind === 'board');
  if (!lesson || !board) return null;
  const change = (next: Board) => apply({ type: 'replaceStop', partId: part.id, stop: next });
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        <BoardScript {...{ lesson, part, board, faults, apply, change }} />
      </section>
      <section
        aria-label={t('desk.details')}
        className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-5 overflow-y-auto p-4"
      >
        {board.arrangement === 'grid' && <Preview board={board} change={change} />}
        <PartTitleField label={t('desk.boardTitle')} part={part} apply={apply} />
        <p className="text-14 text-quiet">{partFigures(part)}</p>
        <PartSettings part={part} apply={apply} />
        <div>
          <Button size="small" look="danger" onClick={() => apply({ type: 'removePart', partId: part.id })}>
            {t('desk.removeBoard')}
          </Button>
        </div>
      </section>
    </>
  );
}

interface ScriptProps extends Props {
  readonly lesson: Lesson;
  readonly board: Board;
  readonly change: (board: Board) => boolean;
}

function BoardScript({ lesson, part, board, faults, apply, change }: ScriptProps) {
  const { tiles } = board;
  const root = useFocusTarget<HTMLDivElement>(`stop:${board.id}`);
  const focusTile = (id: string) => focusOn(`tile:${id}`);
  const moveTile = (from: number, to: number) => {
    const tile = tiles[from];
    if (!tile || to < 0 || to >= tiles.length) return;
    change({ ...board, tiles: tiles.toSpliced(from, 1).toSpliced(to, 0, tile) });
    focusTile(tile.id);
  };
  /** A part behind a tile leads back to the board; else nobody would come back to it. */
  const changeTile = (index: number, tile: Tile) => {
    const { to } = tile;
    const target = to.kind === 'part' ? lesson.parts.find(({ id }) => id === to.partId) : undefined;
    change({ ...board, tiles: tiles.with(index, tile) });
    if (target && target.id !== part.id && !target.next && !isAside(lesson, target.id))
      apply({ type: 'setWay', partId: target.id, next: { kind: 'back' }, rules: target.rules ?? [] });
  };
  const isFaulty = faults.filter((fault) => fault.stopId === board.id);
  return (
    <div ref={root} tabIndex={-1} className="grid gap-5 p-4">
      {isFaulty.map(({ code }) => (
        <p key={code} className="flex items-center gap-1.5 text-14 text-brick">
          <TriangleAlert aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
          {t(`fault.${code}`)}
        </p>
      ))}
      <Field label={t('boardDesk.prompt')}>
        {(ids) => (
          <TextArea
            {...ids}
            placeholder={t('boardDesk.promptHint')}
            value={board.prompt}
            onChange={(event) => change({ ...board, prompt: event.target.value })}
          />
        )}
      </Field>
      <RecordingField
        label={t('boardDesk.voice')}
        title={t('voice.ofPartTitle', { title: part.title })}
        recording={board.voice}
        onChange={(voice) => change({ ...board, voice: voice ?? undefined })}
      />
      <NeedField board={board} onChange={change} />
      {board.arrangement === 'free' && <Preview board={board} change={change} />}
      <ol aria-label={t('boardDesk.tiles')} className="grid gap-3">
        {tiles.map((tile, index) => (
          <li key={tile.id}>
            <TileEditor
              {...{ tile, lesson, partId: part.id, number: index + 1, count: tiles.length }}
              asksWorth={board.need.kind === 'worth'}
              onChange={(next) => changeTile(index, next)}
              onMove={(step) => moveTile(index, index + step)}
              onRemove={() => change({ ...board, tiles: tiles.toSpliced(index, 1) })}
            />
          </li>
        ))}
      </ol>
      <div>
        <Button
          size="small"
          disabled={tiles.length >= maxTiles}
          onClick={() => {
            const tile = createTile();
            change({ ...board, tiles: [...tiles, tile] });
            focusTile(tile.id);
          }}
        >
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('boardDesk.addTile')}
        </Button>
      </div>
    </div>
  );
}

const maxTiles = 36;

/** The board as students see it; on a free one the tiles are put where they are wanted. */
function Preview({ board, change }: { readonly board: Board; readonly change: (board: Board) => boolean }) {
  const root = useRef<HTMLDivElement>(null);
  const isFree = board.arrangement === 'free';
  const put = (id: string, by: { readonly x: number; readonly y: number }) => {
    const index = board.tiles.findIndex((tile) => tile.id === id);
    const tile = board.tiles[index];
    if (!tile) return;
    const from = tile.at ?? placeOf(index, board);
    const at = { x: within(from.x + by.x, 13), y: within(from.y + by.y, 12) };
    change({ ...board, tiles: board.tiles.with(index, { ...tile, at }) });
  };
  return (
    <section
      aria-label={t('boardDesk.preview')}
      ref={root}
      className="grid gap-2 rounded-card border border-line bg-paper p-3"
    >
      <p className="text-13 text-quiet">{t(isFree ? 'boardDesk.previewFree' : 'boardDesk.preview')}</p>
      <DragDropProvider
        sensors={[PointerSensor]}
        onDragEnd={({ canceled, operation }) => {
          const sheet = root.current?.querySelector('[data-board]')?.getBoundingClientRect();
          const { x, y } = operation.transform;
          if (!canceled && sheet)
            put(String(operation.source?.id), { x: (x / sheet.width) * 100, y: (y / sheet.height) * 100 });
        }}
      >
        <div className="text-13 [&_[data-board]]:gap-1.5">
          <BoardTiles board={board}>
            {(tile, face) => (isFree ? <FreeTile tile={tile} face={face} onPut={(by) => put(tile.id, by)} /> : face)}
          </BoardTiles>
        </div>
      </DragDropProvider>
    </section>
  );
}

/** A tile stays on the board: its middle stands no nearer to an edge than half of it. */
const within = (share: number, margin: number) => Math.round(Math.min(100 - margin, Math.max(margin, share)));

/** How far a tile goes with an arrow key, in hundredths of the board. */
const step = 2;
const arrows: Readonly<Record<string, { readonly x: number; readonly y: number }>> = {
  ArrowLeft: { x: -step, y: 0 },
  ArrowRight: { x: step, y: 0 },
  ArrowUp: { x: 0, y: -step },
  ArrowDown: { x: 0, y: step },
};

function FreeTile({
  tile,
  face,
  onPut,
}: {
  readonly tile: Tile;
  readonly face: React.ReactNode;
  readonly onPut: (by: { readonly x: number; readonly y: number }) => void;
}) {
  const { ref } = useDraggable({ id: tile.id });
  return (
    <button
      ref={ref}
      type="button"
      aria-label={t('boardDesk.moveTile', { title: tile.title || t('board.untitled') })}
      onKeyDown={(event) => {
        const by = arrows[event.key];
        if (!by) return;
        event.preventDefault();
        onPut(by);
      }}
      className="block w-full cursor-grab touch-none rounded-card text-left"
    >
      {face}
    </button>
  );
}
