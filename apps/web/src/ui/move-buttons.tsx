import { ArrowDown, ArrowUp } from 'lucide-react';
import { Button } from './button.tsx';

interface Props {
  /** Where it stands in its list, from 0, and how many there are. */
  readonly index: number;
  readonly count: number;
  /** What each of them does, with the name of what is moved. */
  readonly upLabel: string;
  readonly downLabel: string;
  readonly onMove: (by: -1 | 1) => void;
}

/** Moves something in a list up and down, for mouse and keys alike. */
export function MoveButtons({ index, count, upLabel, downLabel, onMove }: Props) {
  return (
    <>
      <Button look="quiet" size="small" disabled={index === 0} aria-label={upLabel} onClick={() => onMove(-1)}>
        <ArrowUp aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
      <Button look="quiet" size="small" disabled={index === count - 1} aria-label={downLabel} onClick={() => onMove(1)}>
        <ArrowDown aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
    </>
  );
}
