// @vitest-environment jsdom
import { type StopMarkState, stopMarkStates } from '@semita/core/sheet';
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../test/page.tsx';
import { StateMark, stateWords } from './state-mark.tsx';

const mark = (state: StopMarkState, earned = 0) => ({ state, earned, possible: 400 });

test('every state has a shape of its own and says its word', () => {
  const drawn = stopMarkStates.map((state) => {
    const words = stateWords(mark(state, 100));
    show(<StateMark mark={mark(state, 100)} />);
    const image = screen.getByRole('img', { name: words });
    // Without colours, as a printer or a colour-blind eye has it.
    return image.innerHTML.replace(/<title>.*?<\/title>/, '').replace(/(fill|stroke)="var[^"]*"/g, '$1');
  });
  expect(new Set(drawn).size).toBe(stopMarkStates.length);
});

test('words name whose mark it is, and the points where there are any', () => {
  expect(stateWords(mark('partial', 150), 'Imani, stop 2')).toBe('Imani, stop 2: Some points, 1.5 of 4');
  expect(stateWords(mark('none'))).toBe('No points, 0 of 4');
  expect(stateWords(mark('waiting'))).toBe('Handed in, not marked yet');
});

/** The area of a disc of radius 1 left of a chord at x (−1 … 1); the segment formula of any geometry handbook. */
const shareLeftOf = (x: number) => (Math.acos(-x) + x * Math.sqrt(1 - x * x)) / Math.PI;

test.each([0.25, 0.5, 0.75])('a partial disc is cut at %s of its width', (share) => {
  show(<StateMark mark={mark('partial', share * 400)} />);
  const path = screen.getByRole('img').querySelector('path')?.getAttribute('d') ?? '';
  const [x, y, , , , large] = (path.match(/[\d.]+/g) ?? []).map(Number);
  expect(x).toBeCloseTo(2 + 12 * share);
  expect(8 - (y ?? 0)).toBeCloseTo(6 * Math.sqrt(1 - ((x ?? 0) / 6 - 8 / 6) ** 2));
  expect(large).toBe(shareLeftOf(2 * share - 1) > 0.5 ? 1 : 0);
});
