import type { LearnerQuestionOf } from '@semita/core/learner';
import type { Drawing } from '@semita/core/question';
import { t } from '../../words/words.ts';
import { DrawingGround } from '../drawing/drawing-ground.tsx';
import { DrawingView } from '../drawing/drawing-view.tsx';
import '../drawing/words.ts';

interface Props {
  readonly question: LearnerQuestionOf<'drawing'>;
  readonly drawing: Drawing;
  /** What a teacher drew on it. */
  readonly over?: Drawing | undefined;
}

/** A drawing that was handed in, on its ground. */
export function GivenDrawing({ question, drawing, over }: Props) {
  return (
    <DrawingGround ground={question.ground} picture={question.picture}>
      {(height) => <DrawingView drawing={drawing} height={height} label={t('drawing.given')} over={over} />}
    </DrawingGround>
  );
}
