import { DragDropProvider, PointerSensor, useDraggable, useDroppable } from '@dnd-kit/react';
import type { Item } from '@semita/core/question';
import { createContext, type ReactNode, useContext, useState } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { RichText } from './rich-text.tsx';
import './words.ts';

interface Placing {
  readonly words: readonly Item[];
  readonly placed: Readonly<Record<string, string>>;
  /** The word that was pressed and waits for a place. */
  readonly inHand: string | null;
  readonly take: (wordId: string | null) => void;
  readonly put: (placeId: string, wordId: string | null) => void;
}

const PlacingContext = createContext<Placing | null>(null);

function usePlacing(): Placing {
  const placing = useContext(PlacingContext);
  if (!placing) throw new Error('A place outside of a placing');
  return placing;
}

interface Props {
  readonly words: readonly Item[];
  /** By place, the word that stands there. */
  readonly placed: Readonly<Record<string, string>>;
  /** A word may stand in several places. */
  readonly isReusable?: boolean;
  readonly onChange: (placed: Record<string, string>) => void;
  readonly children: ReactNode;
}

/**
 * Words that are put in places: dragged there, or pressed and then the place pressed, by finger, mouse or keys. The
 * words wait in a `WordPool`, the places are `Place`s.
 */
export function PlacingField({ words, placed, isReusable = false, onChange, children }: Props) {
  const [inHand, setInHand] = useState<string | null>(null);
  const put = (placeId: string, wordId: string | null) => {
    const { [placeId]: _, ...others } = placed;
    const free = isReusable ? others : Object.fromEntries(Object.entries(others).filter(([, id]) => id !== wordId));
    onChange(wordId === null ? free : { ...free, [placeId]: wordId });
    setInHand(null);
  };
  return (
    <PlacingContext value={{ words, placed, inHand, take: setInHand, put }}>
      <DragDropProvider
        sensors={[PointerSensor]}
        onDragStart={() => setInHand(null)}
        onDragEnd={({ operation: { source, target }, canceled }) => {
          if (canceled || !source) return;
          const [wordId, fromPlaceId] = String(source.id).split(' ') as [string, string | undefined];
          if (target) put(String(target.id), wordId);
          else if (fromPlaceId) put(fromPlaceId, null);
        }}
      >
        {children}
      </DragDropProvider>
    </PlacingContext>
  );
}

const chipStyle = 'min-h-11 max-w-full rounded-control border px-3 py-1.5 text-left touch-none';

/** The words that stand nowhere yet; all of them where they may stand in several places. */
export function WordPool({ label, isReusable = false }: { readonly label: string; readonly isReusable?: boolean }) {
  const { words, placed, inHand } = usePlacing();
  const waiting = isReusable ? words : words.filter(({ id }) => !Object.values(placed).includes(id));
  const held = words.find(({ id }) => id === inHand);
  return (
    <fieldset className="rounded-control border border-line bg-paper p-3">
      <legend className="px-1 text-14 text-quiet">{label}</legend>
      <div className="flex min-h-11 flex-wrap gap-2">
        {waiting.map((word) => (
          <WordChip key={word.id} word={word} />
        ))}
        {waiting.length === 0 && <p className="self-center text-14 text-quiet">{t('question.allPlaced')}</p>}
      </div>
      <p role="status" className={held ? 'pt-2 text-14' : 'sr-only'}>
        {held ? t('question.inHand', { word: held.text }) : ''}
      </p>
    </fieldset>
  );
}

function WordChip({ word }: { readonly word: Item }) {
  const { inHand, take } = usePlacing();
  const { ref, isDragging } = useDraggable({ id: word.id });
  const isHeld = inHand === word.id;
  return (
    <button
      ref={ref}
      type="button"
      aria-pressed={isHeld}
      onClick={() => take(isHeld ? null : word.id)}
      className={joinClasses(
        chipStyle,
        isHeld ? 'border-main bg-main text-on-main' : 'border-edge bg-card hover:bg-main-tint',
        isDragging && 'opacity-70 shadow-float',
      )}
    >
      <RichText text={word.text} />
    </button>
  );
}

interface PlaceProps {
  readonly id: string;
  /** What the place is, for screen readers. */
  readonly label: string;
  readonly className?: string;
  readonly style?: React.CSSProperties;
}

/** Where a word can stand. Pressed with a word in hand it takes it, else it gives back what it has. */
export function Place(props: PlaceProps) {
  const { words, placed } = usePlacing();
  const word = words.find((one) => one.id === placed[props.id]);
  return word ? <FilledPlace {...props} word={word} /> : <EmptyPlace {...props} />;
}

function EmptyPlace({ id, label, className, style }: PlaceProps) {
  const { inHand, put } = usePlacing();
  const { ref, isDropTarget } = useDroppable({ id });
  return (
    <button
      ref={ref}
      type="button"
      aria-label={`${label}: ${t('question.placeEmpty')}`}
      onClick={() => inHand && put(id, inHand)}
      style={style}
      className={joinClasses(
        chipStyle,
        'border-edge border-dashed bg-card leading-tight text-quiet',
        (isDropTarget || inHand) && 'border-main ring-2 ring-main-tint',
        className,
      )}
    />
  );
}

function FilledPlace({ id, label, word, className, style }: PlaceProps & { readonly word: Item }) {
  const { inHand, take, put } = usePlacing();
  const { ref: dropRef, isDropTarget } = useDroppable({ id });
  const { ref: dragRef } = useDraggable({ id: `${word.id} ${id}` });
  const press = () => {
    put(id, inHand);
    if (!inHand) take(word.id);
  };
  return (
    <button
      ref={(element) => {
        dropRef(element);
        dragRef(element);
      }}
      type="button"
      aria-label={`${label}: ${word.text}`}
      onClick={press}
      style={style}
      className={joinClasses(
        chipStyle,
        'border-main bg-main-tint leading-tight',
        isDropTarget && 'ring-2 ring-main',
        className,
      )}
    >
      <RichText text={word.text} />
    </button>
  );
}
