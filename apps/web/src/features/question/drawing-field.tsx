import { Maximize2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { t } from '../../words/words.ts';
import { DrawingGround } from '../drawing/drawing-ground.tsx';
import { DrawingPad } from '../drawing/drawing-pad.tsx';
import { DrawingView } from '../drawing/drawing-view.tsx';
import type { FieldProps } from './field-props.ts';
import '../drawing/words.ts';

/** Draws on the question's picture, or on a paper: beside the material, or as large as the screen. */
export function DrawingField({ question, response, onChange }: FieldProps<'drawing'>) {
  const [isLarge, setIsLarge] = useState(false);
  const drawing = response?.kind === 'drawing' ? response.drawing : { marks: [] };
  const pad = (
    <DrawingPad
      label={t('drawing.own')}
      drawing={drawing}
      onChange={(next) => onChange({ kind: 'drawing', drawing: next })}
      ground={(surface) => (
        <DrawingGround ground={question.ground} picture={question.picture}>
          {surface}
        </DrawingGround>
      )}
    />
  );
  return (
    <div className="grid gap-2">
      {isLarge ? (
        <DrawingGround ground={question.ground} picture={question.picture}>
          {(height) => <DrawingView drawing={drawing} height={height} label={t('drawing.own')} />}
        </DrawingGround>
      ) : (
        pad
      )}
      {isLarge && (
        <Dialog open keepsAtOnce place="wide" onOpenChange={setIsLarge} title={t('drawing.own')}>
          {pad}
          <div className="pt-3">
            <Button look="main" size="roomy" onClick={() => setIsLarge(false)}>
              {t('drawing.done')}
            </Button>
          </div>
        </Dialog>
      )}
      <div>
        <Button look="quiet" className="-ml-2" onClick={() => setIsLarge(true)}>
          <Maximize2 aria-hidden className="size-4" strokeWidth={1.75} />
          {t('drawing.larger')}
        </Button>
      </div>
    </div>
  );
}
