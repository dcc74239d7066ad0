import { type Area, createItem, type Item } from '@semita/core/question';
import { Circle, Pentagon, Square } from 'lucide-react';
import { useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Select } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { areaBox, areaClip, PictureBoard } from '../question/picture-board.tsx';
import type { EditorProps } from './editor-props.ts';
import { NumberInput } from './fields.tsx';
import { ItemRows } from './item-rows.tsx';
import './words.ts';

type Shape = Area['shape'];
type Corner = readonly [number, number];

const shapes = [
  ['rect', Square],
  ['ellipse', Circle],
  ['poly', Pentagon],
] as const;

/** Smaller than this, in ten-thousandths of the picture, was a press and no drag. */
const minEdge = 150;

interface BoardProps {
  readonly question: EditorProps<'hotspot' | 'selectPoint' | 'graphicGapMatch'>['question'];
  readonly isCorrect: (area: Area) => boolean;
  readonly onAdd: (area: Area) => void;
}

/** The picture on which areas are drawn: dragged open, or corner by corner. */
function AreaBoard({ question, isCorrect, onAdd }: BoardProps) {
  const [shape, setShape] = useState<Shape>('rect');
  const [from, setFrom] = useState<Corner | null>(null);
  const [to, setTo] = useState<Corner | null>(null);
  const [corners, setCorners] = useState<readonly Corner[]>([]);
  const surface = useRef<HTMLDivElement>(null);
  const { picture } = question;
  if (!picture) return <p className="text-14 text-quiet">{t('editor.pictureFirst')}</p>;
  const placeOf = (event: React.PointerEvent): Corner => {
    const box = (surface.current as HTMLElement).getBoundingClientRect();
    const clamp = (share: number) => Math.round(Math.max(0, Math.min(1, share)) * 10_000);
    return [clamp((event.clientX - box.left) / box.width), clamp((event.clientY - box.top) / box.height)];
  };
  const add = (coords: readonly number[]) => onAdd({ id: newItemId(), shape, coords, label: '' });
  const finishPoly = () => {
    if (corners.length >= 3) add(corners.flat());
    setCorners([]);
  };
  const drawn: Area | null =
    shape === 'poly'
      ? corners.length >= 2
        ? { id: '', shape, coords: corners.flat(), label: '' }
        : null
      : from && to
        ? { id: '', shape, coords: boxOf(from, to), label: '' }
        : null;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-1">
        {shapes.map(([one, Icon]) => (
          <Button
            key={one}
            size="small"
            aria-pressed={shape === one}
            look={shape === one ? 'main' : 'plain'}
            onClick={() => setShape(one)}
          >
            <Icon aria-hidden className="size-4" strokeWidth={1.75} />
            {t(`editor.shape.${one}`)}
          </Button>
        ))}
        {corners.length > 0 && (
          <Button size="small" onClick={finishPoly}>
            {t('editor.closeShape')}
          </Button>
        )}
        {/* Whoever cannot drag begins from the middle, and sets the edges as numbers. */}
        <Button
          size="small"
          look="quiet"
          onClick={() => onAdd({ id: newItemId(), shape: 'rect', coords: [4_000, 4_000, 6_000, 6_000], label: '' })}
        >
          {t('editor.areaByKeys')}
        </Button>
      </div>
      <PictureBoard picture={picture}>
        <div
          ref={surface}
          className="absolute inset-0 cursor-crosshair touch-none"
          onPointerDown={(event) => {
            event.preventDefault();
            const place = placeOf(event);
            if (shape === 'poly') return setCorners([...corners, place]);
            event.currentTarget.setPointerCapture(event.pointerId);
            setFrom(place);
            setTo(place);
          }}
          onPointerMove={(event) => from && setTo(placeOf(event))}
          onPointerUp={() => {
            if (from && to) {
              const coords = boxOf(from, to);
              const [left, top, right, bottom] = coords as [number, number, number, number];
              if (right - left > minEdge && bottom - top > minEdge) add(coords);
            }
            setFrom(null);
            setTo(null);
          }}
        />
        {question.areas.map((area, index) => (
          <AreaMark key={area.id} area={area} number={index + 1} isCorrect={isCorrect(area)} />
        ))}
        {drawn && <AreaMark area={drawn} number={question.areas.length + 1} isCorrect={false} />}
      </PictureBoard>
      <p className="text-13 text-quiet">{t(shape === 'poly' ? 'editor.polyHelp' : 'editor.dragHelp')}</p>
    </div>
  );
}

function boxOf([ax, ay]: Corner, [bx, by]: Corner): number[] {
  return [Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by)];
}

function AreaMark({
  area,
  number,
  isCorrect,
}: {
  readonly area: Area;
  readonly number: number;
  readonly isCorrect: boolean;
}) {
  return (
    <span
      aria-hidden
      style={{ ...areaBox(area), clipPath: areaClip(area) }}
      className={joinClasses(
        'pointer-events-none absolute grid place-items-center border-2 font-mono text-14',
        area.shape === 'ellipse' && 'rounded-[50%]',
        isCorrect ? 'border-spruce bg-spruce/35' : 'border-main bg-main/30',
      )}
    >
      <span className="rounded-full bg-card px-1.5 text-ink">{number}</span>
    </span>
  );
}

/** Areas as a list: what each is, where exactly, and what more its kind asks. */
function AreaRows<A extends Area>({
  areas,
  onChange,
  under,
}: {
  readonly areas: readonly A[];
  readonly onChange: (areas: readonly A[]) => void;
  readonly under?: (area: A, index: number) => React.ReactNode;
}) {
  if (areas.length === 0) return null;
  return (
    <ItemRows
      legend={t('editor.areas')}
      rowLabel={(number) => t('editor.area', { number })}
      items={areas.map((area) => ({ ...area, text: area.label }))}
      min={0}
      onChange={(rows) => onChange(rows.map(({ text, ...area }) => ({ ...(area as unknown as A), label: text })))}
      under={(row, index) => (
        <div className="flex flex-wrap items-end gap-3">
          {under?.(areas[index] as A, index)}
          {row.shape !== 'poly' && (
            <details>
              <summary className="cursor-pointer text-13 text-quiet">{t('editor.edges')}</summary>
              <div className="flex flex-wrap gap-2 pt-1">
                {(['left', 'top', 'right', 'bottom'] as const).map((edge, at) => (
                  <NumberInput
                    key={edge}
                    label={t(`editor.edge.${edge}`)}
                    value={(row.coords[at] ?? 0) / 100}
                    min={0}
                    max={100}
                    suffix="%"
                    onChange={(share) =>
                      onChange(
                        areas.with(index, {
                          ...(areas[index] as A),
                          coords: row.coords.with(at, Math.round(share * 100)),
                        }),
                      )
                    }
                  />
                ))}
              </div>
            </details>
          )}
        </div>
      )}
    />
  );
}

export function HotspotEditor({ question, onChange }: EditorProps<'hotspot'>) {
  const { areas, multiple } = question;
  const setCorrect = (index: number, correct: boolean) =>
    onChange({
      ...question,
      areas: areas.map((area, i) =>
        i === index ? { ...area, correct } : multiple ? area : { ...area, correct: false },
      ),
    });
  return (
    <>
      <AreaBoard
        question={question}
        isCorrect={(area) => areas.some(({ id, correct }) => id === area.id && correct)}
        onAdd={(area) => onChange({ ...question, areas: [...areas, { ...area, correct: false }] })}
      />
      <AreaRows
        areas={areas}
        onChange={(next) => onChange({ ...question, areas: next })}
        under={(area, index) => (
          <CheckInput checked={area.correct} onChange={(right) => setCorrect(index, right)}>
            {t('desk.right')}
          </CheckInput>
        )}
      />
      <CheckInput checked={multiple} onChange={(next) => onChange({ ...question, multiple: next })}>
        {t('editor.severalPicks')}
      </CheckInput>
    </>
  );
}

export function SelectPointEditor({ question, onChange }: EditorProps<'selectPoint'>) {
  const { areas } = question;
  const withAreas = (next: readonly Area[]) =>
    onChange({ ...question, areas: next, maxPoints: Math.max(1, next.length, question.maxPoints) });
  return (
    <>
      <AreaBoard question={question} isCorrect={() => true} onAdd={(area) => withAreas([...areas, area])} />
      <AreaRows areas={areas} onChange={withAreas} />
      <NumberInput
        label={t('editor.maxPoints')}
        value={question.maxPoints}
        min={1}
        max={30}
        onChange={(maxPoints) => onChange({ ...question, maxPoints })}
      />
    </>
  );
}

export function GraphicGapMatchEditor({ question, onChange }: EditorProps<'graphicGapMatch'>) {
  const { areas, words } = question;
  /** The words of an area are the label that belongs there; words that belong nowhere make it harder. */
  const setWord = (index: number, word: Item | undefined) => {
    const area = areas[index];
    if (area) onChange({ ...question, areas: areas.with(index, { ...area, correctIds: word ? [word.id] : [] }) });
  };
  return (
    <>
      <ItemRows
        legend={t('editor.labelWords')}
        rowLabel={(number) => t('editor.labelWord', { number })}
        items={words}
        min={0}
        addLabel={t('editor.addLabel')}
        onAdd={() => createItem(newItemId)}
        onChange={(next) =>
          onChange({
            ...question,
            words: next,
            areas: areas.map((area) => ({
              ...area,
              correctIds: area.correctIds.filter((id) => next.some((word) => word.id === id)),
            })),
          })
        }
      />
      <AreaBoard
        question={question}
        isCorrect={(area) => areas.some(({ id, correctIds }) => id === area.id && correctIds.length > 0)}
        onAdd={(area) => onChange({ ...question, areas: [...areas, { ...area, correctIds: [] }] })}
      />
      <AreaRows
        areas={areas}
        onChange={(next) => onChange({ ...question, areas: next })}
        under={(area, index) => (
          <Select
            aria-label={t('editor.labelOf', { number: index + 1 })}
            value={area.correctIds[0] ?? ''}
            onChange={(event) =>
              setWord(
                index,
                words.find(({ id }) => id === event.target.value),
              )
            }
          >
            <option value="">{t('editor.noLabel')}</option>
            {words.map(({ id, text }) => (
              <option key={id} value={id}>
                {text}
              </option>
            ))}
          </Select>
        )}
      />
    </>
  );
}
