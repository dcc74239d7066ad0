import { expect, test } from 'vitest';
import { inkOn, type MadeDeck, materialsOfSlides } from './made-slide.ts';

// Contrasts by the formula of WCAG 2.2, "contrast ratio"; #767676 on white is 4.54, its well-known edge of 4.5.
test.each([
  ['#ffffff', 'dark'],
  ['#000000', 'light'],
  ['#767676', 'dark'],
  ['#707070', 'light'],
  ['#5a2a54', 'light'],
  ['#fbf0dc', 'dark'],
  ['#ff0000', 'dark'],
  ['#0000ff', 'light'],
])('words on %s are %s', (colour, ink) => expect(inkOn(colour)).toBe(ink));

test('every picture and film of the slides is named once', () => {
  const slide = { heading: '', text: '', colour: '#ffffff', notes: '', film: null, backgroundId: null };
  const deck: MadeDeck = {
    portrait: false,
    slides: [
      { ...slide, id: 'a', pictures: [{ materialId: 'p', alt: '' }], backgroundId: 'b' },
      { ...slide, id: 'b', pictures: [{ materialId: 'p', alt: '' }], film: { materialId: 'f', title: '' } },
    ],
  };
  expect(materialsOfSlides(deck)).toEqual(['p', 'b', 'f']);
});
