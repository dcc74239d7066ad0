import type { StopState } from '@semita/core/attempt';
import { type Board, needDone, type Tile } from '@semita/core/lesson';
import { ArrowUpRight, Check, LayoutGrid } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { BoardTiles } from '../board/board-tiles.tsx';
import { needWords } from '../lesson-parts/tile-looks.ts';
import { ReadAloud } from '../question/read-aloud.tsx';
import { RichText } from '../question/rich-text.tsx';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import './words.ts';
import '../lesson-parts/tile-words.ts';

interface Props {
  readonly board: Board;
  readonly title: string;
  readonly stopState: StopState;
  /** Whether it may be left before it has what it asks for. */
  readonly mayLeave: boolean;
  readonly onOpen: (tileId: string) => void;
  readonly onDid: (tileId: string) => void;
  /** Goes to the part of a tile that is done. */
  readonly onLookAgain: (partId: string) => void;
  readonly onLeave: () => void;
}

/** A board to choose from: what to do on top, the tiles, what is done and what is still needed. */
export function BoardPanel({ board, title, stopState, mayLeave, onOpen, onDid, onLookAgain, onLeave }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const states = stopState.tiles ?? {};
  const isDone = ({ id }: Pick<Tile, 'id'>) => states[id] === 'done';
  const { done, of } = needDone(board, new Set(board.tiles.filter(isDone).map(({ id }) => id)));
  const isMet = done >= of;
  return (
    <section
      aria-labelledby="open-stop"
      className="grid grid-cols-[minmax(0,1fr)] content-start gap-5 rounded-card border border-line border-l-4 border-l-marigold bg-card p-5"
    >
      <h2 id="open-stop" ref={heading} tabIndex={-1} className="flex items-center gap-2 text-18 outline-none">
        <LayoutGrid aria-hidden className="size-5 text-marigold-ink" strokeWidth={1.75} />
        {title}
      </h2>
      {board.voice && <RecordingPlayer recording={board.voice} label={t('walk.voice')} />}
      {board.prompt !== '' && <RichText text={board.prompt} className="text-18" />}
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p role="status" className="text-16">
          <span className="font-medium">{needWords(board.need)}</span>{' '}
          <span className="text-quiet">{t(isMet ? 'board.met' : 'board.have', { done, of })}</span>
        </p>
        <ReadAloud words={spoken(board)} of={title} />
      </div>
      <BoardTiles board={board} isDone={isDone}>
        {(tile, face) => <TileAction {...{ tile, face, state: states[tile.id], onOpen, onDid, onLookAgain }} />}
      </BoardTiles>
      <div className="grid gap-2">
        <Button look={isMet ? 'main' : 'plain'} size="roomy" disabled={!isMet && !mayLeave} onClick={onLeave}>
          {t('walk.goOn')}
        </Button>
        {isMet && done < board.tiles.length && <p className="text-14 text-quiet">{t('board.more')}</p>}
      </div>
    </section>
  );
}

/** What a tile leads to: its part, or a place outside, of which the student says when it is done. */
function TileAction({
  tile,
  face,
  state,
  onOpen,
  onDid,
  onLookAgain,
}: Pick<Props, 'onOpen' | 'onDid' | 'onLookAgain'> & {
  readonly tile: Tile;
  readonly face: React.ReactNode;
  readonly state: 'opened' | 'done' | undefined;
}) {
  const { to } = tile;
  if (to.kind === 'part')
    return (
      <button
        type="button"
        onClick={() => (state === 'done' ? onLookAgain(to.partId) : onOpen(tile.id))}
        className="grid w-full rounded-card text-left hover:shadow-float"
      >
        {face}
      </button>
    );
  return (
    <div className="grid w-full content-start gap-2">
      {face}
      <div className="flex flex-wrap gap-2">
        <a
          href={to.url}
          target="_blank"
          rel="noopener noreferrer"
          onClick={() => onOpen(tile.id)}
          className={joinClasses(buttonStyle({ size: 'roomy' }), 'px-3')}
        >
          <ArrowUpRight aria-hidden className="size-4" strokeWidth={1.75} />
          {t('board.openOutside', { host: hostOf(to.url) })}
        </a>
        {state !== 'done' && (
          <Button
            size="roomy"
            className="px-3"
            aria-label={t('board.didThis', { title: tile.title })}
            onClick={() => onDid(tile.id)}
          >
            <Check aria-hidden className="size-4" strokeWidth={1.75} />
            {t('board.did')}
          </Button>
        )}
      </div>
    </div>
  );
}

function hostOf(url: string): string {
  try {
    return new URL(url).hostname;
  } catch {
    return url;
  }
}

/** The board in words: what its pictures show, too. */
const spoken = (board: Board) =>
  [
    board.prompt,
    needWords(board.need),
    ...board.tiles.map(({ title, picture }) => [title, picture?.alt].filter(Boolean).join(': ')),
  ]
    .filter((words) => words !== '')
    .join('. ');
