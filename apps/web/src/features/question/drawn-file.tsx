import type { Drawing } from '@semita/core/question';
import { t } from '../../words/words.ts';
import { DrawingView } from '../drawing/drawing-view.tsx';
import { FileGround } from './file-ground.tsx';
import '../drawing/words.ts';

interface Props {
  readonly address: string;
  readonly name: string;
  readonly over: Drawing;
}

/** A picture that was handed in, with what a teacher drew on it. */
export function DrawnFile({ address, name, over }: Props) {
  return (
    <FileGround address={address} alt={name}>
      {(height) => <DrawingView drawing={over} height={height} label={t('drawing.marks')} />}
    </FileGround>
  );
}
