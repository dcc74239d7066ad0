import { t } from '../../words/words.ts';
import { DrawingGround } from '../drawing/drawing-ground.tsx';
import { DrawingPad } from '../drawing/drawing-pad.tsx';
import type { FieldProps } from './field-props.ts';

/** Draws on the question's picture, or on a paper. */
export function DrawingField({ question, response, onChange }: FieldProps<'drawing'>) {
  return (
    <DrawingPad
      label={t('drawing.own')}
      drawing={response?.kind === 'drawing' ? response.drawing : { marks: [] }}
      onChange={(drawing) => onChange({ kind: 'drawing', drawing })}
      ground={(surface) => (
        <DrawingGround ground={question.ground} picture={question.picture}>
          {surface}
        </DrawingGround>
      )}
    />
  );
}
