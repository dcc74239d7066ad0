import { type Board, rowsOf, type Tile } from '@semita/core/lesson';
import { Check, Clock } from 'lucide-react';
import type { ReactNode } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { tileEdges, tileIcons } from '../lesson-parts/tile-looks.ts';
import { OptionPicture } from '../question/option-picture.tsx';
import '../lesson-parts/tile-words.ts';

interface Props {
  readonly board: Board;
  /** What can be done with a tile, around what it shows. */
  readonly children: (tile: Tile, face: ReactNode) => ReactNode;
  readonly isDone?: (tile: Tile) => boolean;
}

/** The tiles of a board where they stand: in rows, or where each was put. On a small screen one under the other. */
export function BoardTiles({ board, children, isDone = () => false }: Props) {
  const face = (tile: Tile) => children(tile, <TileFace board={board} tile={tile} isDone={isDone(tile)} />);
  if (board.arrangement === 'free')
    return (
      <ul data-board className="relative grid gap-3 sm:block sm:aspect-[16/10]">
        {board.tiles.map((tile, index) => {
          const { x, y } = tile.at ?? placeOf(index, board);
          return (
            <li
              key={tile.id}
              className="sm:absolute sm:w-[26%] sm:-translate-x-1/2 sm:-translate-y-1/2"
              style={{ left: `${x}%`, top: `${y}%` }}
            >
              {face(tile)}
            </li>
          );
        })}
      </ul>
    );
  return (
    <div data-board className="grid gap-3">
      {rowsOf(board).map((row) => (
        <ul
          key={row[0]?.id}
          className="grid gap-3 sm:grid-cols-[repeat(var(--columns),minmax(0,1fr))]"
          style={{ '--columns': board.columns } as React.CSSProperties}
        >
          {row.map((tile) => (
            <li key={tile.id} className="grid">
              {face(tile)}
            </li>
          ))}
        </ul>
      ))}
    </div>
  );
}

/** Where a tile of a free board stands until it is put somewhere. */
export function placeOf(index: number, { columns, tiles }: Pick<Board, 'columns' | 'tiles'>) {
  const perRow = Math.min(3, Math.max(1, columns), Math.max(1, tiles.length));
  const rows = Math.ceil(tiles.length / perRow);
  return {
    x: (((index % perRow) + 0.5) / perRow) * 100,
    y: ((Math.floor(index / perRow) + 0.5) / rows) * 100,
  };
}

function TileFace({ board, tile, isDone }: { readonly board: Board; readonly tile: Tile; readonly isDone: boolean }) {
  const Icon = tileIcons[tile.does];
  return (
    <span
      className={joinClasses(
        'grid h-full content-start gap-2 rounded-card border border-l-4 p-3 text-left',
        tileEdges[tile.colour],
      )}
    >
      {tile.picture && <OptionPicture picture={tile.picture} />}
      <span className="text-16 font-medium break-words">{tile.title || t('board.untitled')}</span>
      <span className="flex flex-wrap items-center gap-x-3 gap-y-1 text-14 text-quiet">
        <span className="flex items-center gap-1">
          <Icon aria-hidden className="size-4" strokeWidth={1.75} />
          {t(`board.does.${tile.does}`)}
        </span>
        {tile.minutes > 0 && (
          <span className="flex items-center gap-1">
            <Clock aria-hidden className="size-4" strokeWidth={1.75} />
            {t('time.minutes', { count: tile.minutes })}
          </span>
        )}
        {board.need.kind === 'worth' && <span>{t('board.worth', { worth: tile.worth })}</span>}
        {isDone && (
          <span className="flex items-center gap-1 font-medium text-spruce">
            <Check aria-hidden className="size-4" strokeWidth={2} />
            {t('board.done')}
          </span>
        )}
      </span>
    </span>
  );
}
