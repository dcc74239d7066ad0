import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const drawingWords = {
  drawing: {
    own: 'Your drawing',
    larger: 'Draw larger',
    done: 'Done',
    given: 'The drawing',
    marks: 'What your teacher drew',
    tools: 'Drawing tools',
    tool: {
      pen: 'Pen',
      line: 'Line',
      arrow: 'Arrow',
      rect: 'Rectangle',
      ellipse: 'Circle',
      text: 'Words',
      eraser: 'Rub out',
    },
    colour: { ink: 'Black', brick: 'Red', slate: 'Blue', spruce: 'Green', marigold: 'Yellow' },
    size: { thin: 'Thin', middle: 'Middle', thick: 'Thick' },
    undo: 'Undo',
    redo: 'Redo',
    clear: 'Start over',
    words: 'Words on the drawing',
    keys: 'With the keyboard: move with the arrow keys, begin and end with the space bar',
    full: 'The drawing is full. Rub something out to go on.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly drawing: typeof drawingWords;
  }
}
addWords(drawingWords);
