import type { ScriptLine } from '../script/script.ts';
import { readingTimeMs } from '../text/reading-time.ts';

/** One slide of a deck, whatever program it came from. */
export interface Slide {
  /** Stays with the slide when a newer version of the deck is brought in. */
  readonly id: string;
  readonly title: string;
  /** Cleaned by the importer's one sanitiser; drawn at `width` × `height` and scaled as a whole. */
  readonly html: string;
  readonly width: number;
  readonly height: number;
  /** All its words in reading order, and those for its pictures. */
  readonly text: string;
  /** For the teacher only. */
  readonly notes: string;
  /** How long it takes to look at, whole ms. */
  readonly lengthMs: number;
}

/** Nobody takes in a slide faster than this. Common practice, no source. */
const shortestSlideMs = 10_000;

/** How long a slide takes: its words at a reader's pace, and a look at each picture. Whole ms. */
export function slideLengthMs(text: string, pictureCount: number): number {
  return Math.max(shortestSlideMs, readingTimeMs(text, pictureCount));
}

/** A deck as lines of a script: every slide one line, on the axis of the time that it takes. */
export function deckScript(slides: readonly Pick<Slide, 'id' | 'text' | 'lengthMs'>[]): readonly ScriptLine[] {
  let atMs = 0;
  return slides.map(({ id, text, lengthMs }) => {
    const startMs = atMs;
    atMs += lengthMs;
    return { id, startMs, endMs: atMs, text, tone: 'paragraph' };
  });
}
