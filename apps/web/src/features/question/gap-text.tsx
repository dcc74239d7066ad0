import type { TextPiece } from '@semita/core/question';
import { Fragment, type ReactNode } from 'react';

interface Props {
  readonly pieces: readonly TextPiece[];
  /** What stands in a gap. @param number from 1 */
  readonly gap: (gapId: string, number: number) => ReactNode;
}

/** A text with something standing in its gaps. */
export function GapText({ pieces, gap }: Props) {
  const gapIds = pieces.flatMap((piece) => ('gapId' in piece ? [piece.gapId] : []));
  return (
    <div className="leading-12 whitespace-pre-wrap">
      {pieces.map((piece, index) =>
        'text' in piece ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no names, and stay in their places
          <Fragment key={index}>{piece.text}</Fragment>
        ) : (
          <Fragment key={piece.gapId}>{gap(piece.gapId, gapIds.indexOf(piece.gapId) + 1)}</Fragment>
        ),
      )}
    </div>
  );
}
