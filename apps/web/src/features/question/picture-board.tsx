import type { LessonPicture } from '@semita/core/elements';
import type { Area } from '@semita/core/question';
import type { ReactNode } from 'react';
import { pathOf } from '../../api/client.ts';

const percent = (tenThousandths: number) => `${tenThousandths / 100}%`;

/** The box around an area, in percent of the picture. */
export function areaBox({ coords }: Pick<Area, 'coords'>) {
  const xs = coords.filter((_, index) => index % 2 === 0);
  const ys = coords.filter((_, index) => index % 2 === 1);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return {
    left: percent(left),
    top: percent(top),
    width: percent(Math.max(...xs) - left),
    height: percent(Math.max(...ys) - top),
  };
}

/** The outline of an area inside its box, for CSS. */
export function areaClip({ shape, coords }: Pick<Area, 'shape' | 'coords'>): string | undefined {
  if (shape === 'rect') return undefined;
  if (shape === 'ellipse') return 'ellipse(50% 50%)';
  const xs = coords.filter((_, index) => index % 2 === 0);
  const ys = coords.filter((_, index) => index % 2 === 1);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left || 1, Math.max(...ys) - top || 1];
  const corners = xs.map((x, i) => `${((x - left) / width) * 100}% ${(((ys[i] as number) - top) / height) * 100}%`);
  return `polygon(${corners.join(', ')})`;
}

interface Props {
  readonly picture: LessonPicture;
  readonly children: ReactNode;
}

/** A picture with things standing on it, in percent of its size. */
export function PictureBoard({ picture, children }: Props) {
  return (
    <div className="relative w-fit max-w-full overflow-hidden rounded-control border border-line">
      <img
        src={pathOf('streamMedia', { materialId: picture.materialId })}
        alt={picture.alt}
        draggable={false}
        className="block max-h-[70dvh] max-w-full select-none"
      />
      {children}
    </div>
  );
}
