import type { LessonPicture } from '@semita/core/elements';
import { drawingWidth, type DrawingGround as Ground } from '@semita/core/question';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { pathOf } from '../../api/client.ts';

interface Props {
  readonly ground: Ground;
  readonly picture: LessonPicture | undefined;
  /** What lies on it. @param height of the page, in its own units */
  readonly children: (height: number) => ReactNode;
}

/** Papers are as wide to their height as a sheet held sideways. */
const paperHeight = 7_000;

/** What lies under the pen and cannot be moved: a paper, or a picture in its own proportions. */
export function DrawingGround({ ground, picture, children }: Props) {
  const [pictureHeight, setPictureHeight] = useState<number | null>(null);
  const isPicture = ground === 'picture' && picture !== undefined;
  const height = isPicture ? (pictureHeight ?? paperHeight) : paperHeight;
  return (
    <div
      className="relative w-full overflow-hidden rounded-control border border-edge bg-sheet"
      style={{ aspectRatio: `${drawingWidth} / ${height}` }}
    >
      {isPicture ? (
        <img
          src={pathOf('streamMedia', { materialId: picture.materialId })}
          alt={picture.alt}
          draggable={false}
          className="absolute inset-0 size-full select-none"
          onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
            setPictureHeight(Math.round((drawingWidth * naturalHeight) / Math.max(1, naturalWidth)))
          }
        />
      ) : (
        <Paper ground={ground} height={height} />
      )}
      {children(height)}
    </div>
  );
}

const cell = 500;

function Paper({ ground, height }: { readonly ground: Ground; readonly height: number }) {
  if (ground !== 'grid' && ground !== 'axes') return null;
  const line = { stroke: 'var(--color-sheet-line)', strokeWidth: 12 };
  const columns = Array.from({ length: drawingWidth / cell - 1 }, (_, i) => (i + 1) * cell);
  const rows = Array.from({ length: Math.floor(height / cell) }, (_, i) => (i + 1) * cell);
  const middle = Math.round(height / 2 / cell) * cell;
  const axis = { stroke: 'var(--color-pen-ink)', strokeWidth: 24 };
  return (
    <svg viewBox={`0 0 ${drawingWidth} ${height}`} aria-hidden="true" className="absolute inset-0 size-full">
      {columns.map((x) => (
        <line key={x} x1={x} x2={x} y1={0} y2={height} {...line} />
      ))}
      {rows.map((y) => (
        <line key={y} x1={0} x2={drawingWidth} y1={y} y2={y} {...line} />
      ))}
      {ground === 'axes' && (
        <>
          <line x1={0} x2={drawingWidth} y1={middle} y2={middle} {...axis} />
          <line x1={drawingWidth / 2} x2={drawingWidth / 2} y1={0} y2={height} {...axis} />
        </>
      )}
    </svg>
  );
}
