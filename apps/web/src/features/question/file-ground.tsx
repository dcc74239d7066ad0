import { drawingWidth } from '@semita/core/question';
import { type ReactNode, useState } from 'react';

interface Props {
  readonly address: string;
  readonly alt: string;
  /** What lies on it. @param height of the page, in its own units */
  readonly children: (height: number) => ReactNode;
}

/** A picture somebody handed in, as a page to draw on. */
export function FileGround({ address, alt, children }: Props) {
  const [height, setHeight] = useState<number | null>(null);
  return (
    <div className="relative w-full overflow-hidden rounded-control border border-edge bg-sheet">
      <img
        src={address}
        alt={alt}
        draggable={false}
        className="block w-full select-none"
        onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
          setHeight(Math.round((drawingWidth * naturalHeight) / Math.max(1, naturalWidth)))
        }
      />
      {height !== null && children(height)}
    </div>
  );
}
