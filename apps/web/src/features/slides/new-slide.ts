import type { MadeSlide } from '@semita/core/deck';
import { v7 } from 'uuid';

/** What a slide begins as. */
export function emptySlide(): MadeSlide {
  return {
    id: v7(),
    heading: '',
    text: '',
    pictures: [],
    film: null,
    colour: '#ffffff',
    backgroundId: null,
    notes: '',
  };
}
