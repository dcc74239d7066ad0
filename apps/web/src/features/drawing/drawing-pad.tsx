import {
  type Drawing,
  type DrawingMark,
  drawingWidth,
  type PenColour,
  penColours,
  thinStroke,
} from '@semita/core/question';
import {
  ArrowUpRight,
  Circle,
  Eraser,
  type LucideIcon,
  Minus,
  PenLine,
  Redo2,
  Square,
  Trash2,
  Type,
  Undo2,
} from 'lucide-react';
import { type ReactNode, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { historyKey } from '../../ui/history-key.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { DrawingMarks, Mark, penColourOf } from './drawing-view.tsx';
import {
  beginMark,
  drawOn,
  eraseAt,
  isFull,
  type Pen,
  type PenSize,
  penSizes,
  type Spot,
  type Tool,
  textMark,
  tools,
} from './pad-state.ts';
import './words.ts';

const toolIcons: Record<Tool, LucideIcon> = {
  pen: PenLine,
  line: Minus,
  arrow: ArrowUpRight,
  rect: Square,
  ellipse: Circle,
  text: Type,
  eraser: Eraser,
};

interface Props {
  readonly drawing: Drawing;
  readonly onChange: (drawing: Drawing) => void;
  readonly label: string;
  /** The pen that is in hand at first. */
  readonly colour?: PenColour;
  /** What lies below and cannot be changed, with the pad's own surface laid on it. */
  readonly ground: (surface: (height: number) => ReactNode) => ReactNode;
}

const keyStep = 100;
/** A stroke may stray this far from the hand, in units of the page: a third of a hair. */
const thinning = 8;

/** Draws on a ground: by pen with its pressure, by finger, by mouse, or by keys. */
export function DrawingPad({ drawing, onChange, label, colour: firstColour = 'ink', ground }: Props) {
  const [pen, setPen] = useState<Pen>({ tool: 'pen', colour: firstColour, size: 'middle' });
  const [mark, setMark] = useState<DrawingMark | null>(null);
  const [writingAt, setWritingAt] = useState<Spot | null>(null);
  const [cross, setCross] = useState<Spot | null>(null);
  const [undone, setUndone] = useState<readonly Drawing[]>([]);
  const past = useRef<Drawing[]>([]);
  const surface = useRef<HTMLDivElement>(null);
  const full = isFull(drawing);

  const change = (next: Drawing) => {
    if (next === drawing) return;
    past.current.push(drawing);
    setUndone([]);
    onChange(next);
  };
  const undo = () => {
    const before = past.current.pop();
    if (!before) return;
    setUndone([...undone, drawing]);
    onChange(before);
  };
  const redo = () => {
    const next = undone.at(-1);
    if (!next) return;
    past.current.push(drawing);
    setUndone(undone.slice(0, -1));
    onChange(next);
  };
  const finish = (finished: DrawingMark) => {
    setMark(null);
    const thin = finished.tool === 'pen' ? { ...finished, points: thinStroke(finished.points, thinning) } : finished;
    change({ marks: [...drawing.marks, thin] });
  };
  const placeOf = (event: { clientX: number; clientY: number }): Spot => {
    const box = (surface.current as HTMLDivElement).getBoundingClientRect();
    const scale = drawingWidth / box.width;
    return [Math.round((event.clientX - box.left) * scale), Math.round((event.clientY - box.top) * scale)];
  };
  /** What a press means, of a pointer or of a key. */
  const press = (place: Spot, pressure: number) => {
    if (pen.tool === 'eraser') change(eraseAt(drawing, place));
    else if (pen.tool === 'text') setWritingAt(place);
    else if (!full) setMark(beginMark(pen, place, pressure));
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = historyKey(event);
    const by = event.shiftKey ? keyStep * 5 : keyStep;
    const moves: Record<string, Spot> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const moved = moves[event.key];
    const at = cross ?? [drawingWidth / 2, Math.round(drawingWidth / 3)];
    if (moved) {
      const next: Spot = [at[0] + moved[0], at[1] + moved[1]];
      setCross(next);
      if (mark) setMark(drawOn(mark, next, 50));
    } else if (event.key === ' ' || event.key === 'Enter') {
      if (mark) finish(mark);
      else press(at, 50);
    } else if (event.key === 'Escape') setMark(null);
    else if (step) step === 'redo' ? redo() : undo();
    else return;
    event.preventDefault();
  };

  return (
    <div className="grid gap-2">
      <div role="toolbar" aria-label={t('drawing.tools')} className="flex flex-wrap items-center gap-1">
        {tools.map((tool) => {
          const Icon = toolIcons[tool];
          return (
            <ToolButton
              key={tool}
              label={t(`drawing.tool.${tool}`)}
              isOn={pen.tool === tool}
              onClick={() => setPen({ ...pen, tool })}
            >
              <Icon aria-hidden className="size-5" strokeWidth={1.75} />
            </ToolButton>
          );
        })}
        <span aria-hidden className="mx-1 h-6 w-px bg-line" />
        {penColours.map((colour) => (
          <ToolButton
            key={colour}
            label={t(`drawing.colour.${colour}`)}
            isOn={pen.colour === colour}
            onClick={() => setPen({ ...pen, colour })}
          >
            <span aria-hidden className="size-5 rounded-full" style={{ background: penColourOf(colour) }} />
          </ToolButton>
        ))}
        <span aria-hidden className="mx-1 h-6 w-px bg-line" />
        {(Object.keys(penSizes) as PenSize[]).map((size) => (
          <ToolButton
            key={size}
            label={t(`drawing.size.${size}`)}
            isOn={pen.size === size}
            onClick={() => setPen({ ...pen, size })}
          >
            <span aria-hidden className={joinClasses('w-5 rounded-full bg-ink', sizeBar[size])} />
          </ToolButton>
        ))}
        <span aria-hidden className="mx-1 h-6 w-px bg-line" />
        <ToolButton label={t('drawing.undo')} disabled={past.current.length === 0} onClick={undo}>
          <Undo2 aria-hidden className="size-5" strokeWidth={1.75} />
        </ToolButton>
        <ToolButton label={t('drawing.redo')} disabled={undone.length === 0} onClick={redo}>
          <Redo2 aria-hidden className="size-5" strokeWidth={1.75} />
        </ToolButton>
        <ToolButton
          label={t('drawing.clear')}
          disabled={drawing.marks.length === 0}
          onClick={() => change({ marks: [] })}
        >
          <Trash2 aria-hidden className="size-5" strokeWidth={1.75} />
        </ToolButton>
      </div>
      {ground((height) => (
        <>
          <div
            ref={surface}
            role="application"
            aria-label={`${label}. ${t('drawing.keys')}`}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: the surface is drawn on by keys
            tabIndex={0}
            className="absolute inset-0 cursor-crosshair touch-none select-none"
            onKeyDown={onKeyDown}
            onBlur={() => setCross(null)}
            onPointerDown={(event) => {
              if (event.button !== 0) return;
              event.preventDefault();
              event.currentTarget.focus({ preventScroll: true });
              event.currentTarget.setPointerCapture(event.pointerId);
              setCross(null);
              press(placeOf(event), pressureOf(event));
            }}
            onPointerMove={(event) => {
              if (event.buttons === 0) return;
              if (pen.tool === 'eraser') return change(eraseAt(drawing, placeOf(event)));
              if (!mark) return;
              const steps = event.nativeEvent.getCoalescedEvents?.() ?? [];
              const drawn = (steps.length > 0 ? steps : [event.nativeEvent]).reduce(
                (soFar: DrawingMark, step) => drawOn(soFar, placeOf(step), pressureOf(step)),
                mark,
              );
              setMark(drawn);
            }}
            onPointerUp={() => mark && finish(mark)}
            onPointerCancel={() => setMark(null)}
          >
            <svg viewBox={`0 0 ${drawingWidth} ${height}`} aria-hidden="true" className="size-full">
              <DrawingMarks drawing={drawing} />
              {mark && <Mark mark={mark} />}
              {cross && <KeyCross at={cross} />}
            </svg>
          </div>
          {writingAt && (
            <WordBox
              at={writingAt}
              height={height}
              onDone={(words) => {
                setWritingAt(null);
                if (words.trim() !== '') change({ marks: [...drawing.marks, textMark(pen, writingAt, words)] });
                surface.current?.focus({ preventScroll: true });
              }}
            />
          )}
        </>
      ))}
      {full && (
        <p role="status" className="text-14 text-marigold-ink">
          {t('drawing.full')}
        </p>
      )}
    </div>
  );
}

const sizeBar: Record<PenSize, string> = { thin: 'h-0.5', middle: 'h-1', thick: 'h-2' };

/** A mouse says nothing of pressure, or half. */
function pressureOf(event: { pressure: number; pointerType: string }): number {
  return event.pointerType === 'pen' ? Math.round(event.pressure * 100) : 50;
}

interface ToolProps {
  readonly label: string;
  readonly isOn?: boolean;
  readonly disabled?: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function ToolButton({ label, isOn, disabled, onClick, children }: ToolProps) {
  return (
    <Button
      look="quiet"
      className={joinClasses('size-9 px-0 max-sm:size-11', isOn && 'bg-main-tint ring-2 ring-main')}
      aria-label={label}
      title={label}
      aria-pressed={isOn}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </Button>
  );
}

function KeyCross({ at: [x, y] }: { readonly at: Spot }) {
  return (
    <path
      d={`M ${x - 300} ${y} H ${x + 300} M ${x} ${y - 300} V ${y + 300}`}
      stroke="var(--color-main)"
      strokeWidth={40}
      fill="none"
    />
  );
}

interface WordBoxProps {
  readonly at: Spot;
  readonly height: number;
  readonly onDone: (words: string) => void;
}

/** Words for the drawing, written where they will stand. */
function WordBox({ at: [x, y], height, onDone }: WordBoxProps) {
  const [words, setWords] = useState('');
  return (
    <TextInput
      autoFocus
      aria-label={t('drawing.words')}
      className="absolute h-9 w-48 max-w-full -translate-y-full"
      style={{ left: `min(${(x / drawingWidth) * 100}%, 100% - 12rem)`, top: `${(y / height) * 100}%` }}
      maxLength={200}
      value={words}
      onChange={(event) => setWords(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') onDone(words);
        if (event.key === 'Escape') onDone('');
        if (event.key === 'Enter' || event.key === 'Escape') event.preventDefault();
        event.stopPropagation();
      }}
      onBlur={() => onDone(words)}
    />
  );
}
