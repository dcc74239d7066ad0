import { expect, test } from 'vitest';
import { plainWords } from './plain-words.ts';

test.each([
  ['A beam of $12\\,\\mathrm{g}$ holds **much**.', 'A beam of 12 g holds much.'],
  ['Divide: $\\frac{420}{12}$', 'Divide: 420 / 12'],
  ['See [the film](https://example.org), _now_', 'See the film, now'],
  ['snake_case stays, 3 * 4 loses its star', 'snake_case stays, 3  4 loses its star'],
  ['# Heading', 'Heading'],
])('%j', (text, plain) => expect(plainWords(text)).toBe(plain));
