import type { Area } from '@semita/core/question';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import { areaBox, areaClip, PictureBoard } from './picture-board.tsx';
import './words.ts';

/** Places of a picture that are pointed at. */
export function HotspotField({ question, response, onChange, labelledBy }: FieldProps<'hotspot'>) {
  const picked = response?.kind === 'choice' ? response.optionIds : [];
  const pick = (id: string) => {
    if (picked.includes(id)) return picked.filter((one) => one !== id);
    return question.multiple ? [...picked, id] : [id];
  };
  if (!question.picture) return null;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset has no place for things that stand on a picture
    <div role="group" aria-labelledby={labelledBy}>
      <PictureBoard picture={question.picture}>
        {question.areas.map((area) => (
          <AreaButton
            key={area.id}
            area={area}
            isPicked={picked.includes(area.id)}
            onPick={() => onChange({ kind: 'choice', optionIds: pick(area.id) })}
          />
        ))}
      </PictureBoard>
    </div>
  );
}

function AreaButton({ area, isPicked, onPick }: { area: Area; isPicked: boolean; onPick: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={isPicked}
      aria-label={area.label}
      onClick={onPick}
      style={{ ...areaBox(area), clipPath: areaClip(area) }}
      className={joinClasses(
        'absolute grid min-h-6 min-w-6 place-items-center border-2',
        area.shape === 'ellipse' && 'rounded-[50%]',
        isPicked ? 'border-main bg-main/45' : 'border-dashed border-main bg-card/35 hover:bg-main/25',
      )}
    >
      {isPicked && <span aria-hidden className="size-3 rounded-full border-2 border-card bg-main" />}
    </button>
  );
}

const step = 200;
const bigStep = 1_000;

/** Points set on a picture: pressed, or steered there by the arrow keys and set with Enter. */
export function SelectPointField({ question, response, onChange, labelledBy }: FieldProps<'selectPoint'>) {
  const points = response?.kind === 'points' ? response.points : [];
  const [cross, setCross] = useState<readonly [number, number]>([5_000, 5_000]);
  const [isSteering, setIsSteering] = useState(false);
  if (!question.picture) return null;
  const isFull = points.length >= question.maxPoints;
  const set = (point: readonly [number, number]) => {
    // With one point to set, a new press moves it.
    const kept = isFull ? points.slice(0, question.maxPoints - 1) : points;
    onChange({ kind: 'points', points: [...kept, point] });
  };
  const remove = (index: number) => onChange({ kind: 'points', points: points.toSpliced(index, 1) });
  const steer = (event: React.KeyboardEvent) => {
    const by = event.shiftKey ? bigStep : step;
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const move = moves[event.key];
    if (move) setCross(([x, y]) => [clamp(x + move[0]), clamp(y + move[1])]);
    else if (event.key === 'Enter' || event.key === ' ') set(cross);
    else if (event.key === 'Backspace' || event.key === 'Delete') remove(points.length - 1);
    else return;
    event.preventDefault();
  };
  return (
    <div className="grid gap-2">
      <PictureBoard picture={question.picture}>
        <button
          type="button"
          aria-labelledby={labelledBy}
          aria-describedby={`${question.id}-steer`}
          className="absolute inset-0 cursor-crosshair"
          onFocus={(event) => setIsSteering(event.currentTarget.matches(':focus-visible'))}
          onBlur={() => setIsSteering(false)}
          onKeyDown={steer}
          onClick={(event) => {
            if (event.detail === 0) return;
            const box = event.currentTarget.getBoundingClientRect();
            set([
              Math.round(((event.clientX - box.left) / box.width) * 10_000),
              Math.round(((event.clientY - box.top) / box.height) * 10_000),
            ]);
          }}
        />
        {isSteering && <Cross at={cross} />}
        {points.map(([x, y], index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: points have no names
          <span key={index} aria-hidden style={placeOf([x, y])} className={pointStyle}>
            {index + 1}
          </span>
        ))}
      </PictureBoard>
      <p id={`${question.id}-steer`} className="text-14 text-quiet">
        {t('question.pointsHelp', { count: question.maxPoints })}
      </p>
      {points.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {points.map(([x, y], index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: points have no names
            <li key={index}>
              <Button size="small" onClick={() => remove(index)}>
                <X aria-hidden className="size-4" strokeWidth={1.75} />
                {t('question.removePoint', {
                  number: index + 1,
                  across: Math.round(x / 100),
                  down: Math.round(y / 100),
                })}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const clamp = (at: number) => Math.max(0, Math.min(10_000, at));
const placeOf = ([x, y]: readonly [number, number]) => ({ left: `${x / 100}%`, top: `${y / 100}%` });

export const pointStyle =
  'pointer-events-none absolute grid size-6 -translate-1/2 place-items-center rounded-full border-2 border-card bg-main text-13 text-on-main';

function Cross({ at }: { readonly at: readonly [number, number] }) {
  return (
    <span aria-hidden style={placeOf(at)} className="pointer-events-none absolute size-10 -translate-1/2">
      <span className="absolute top-1/2 left-0 h-0.5 w-full -translate-y-1/2 bg-main" />
      <span className="absolute top-0 left-1/2 h-full w-0.5 -translate-x-1/2 bg-main" />
    </span>
  );
}
