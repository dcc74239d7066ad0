import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { CaptionCue } from './caption-cue.ts';
import { type CueChange, editCues } from './edit-cues.ts';

const cues: readonly CaptionCue[] = [
  { startMs: 1_000, endMs: 3_000, text: 'The beam bends' },
  { startMs: 3_500, endMs: 5_500, text: 'in its middle.' },
];

test.each<[CueChange, readonly CaptionCue[] | null]>([
  [
    { type: 'text', index: 0, text: ' The beam sags ' },
    [{ ...cues[0], text: 'The beam sags' } as CaptionCue, cues[1] as CaptionCue],
  ],
  [{ type: 'text', index: 0, text: '  ' }, null],
  [
    { type: 'times', index: 1, startMs: 500, endMs: 900 },
    [{ startMs: 500, endMs: 900, text: 'in its middle.' }, cues[0] as CaptionCue],
  ],
  [{ type: 'times', index: 1, startMs: 900, endMs: 900 }, null],
  [{ type: 'times', index: 1, startMs: -1, endMs: 900 }, null],
  [
    { type: 'split', index: 0, offset: 8 },
    [
      { startMs: 1_000, endMs: 2_231, text: 'The beam' },
      { startMs: 2_231, endMs: 3_000, text: 'bends' },
      cues[1] as CaptionCue,
    ],
  ],
  [{ type: 'split', index: 0, offset: 0 }, null],
  [{ type: 'merge', index: 0 }, [{ startMs: 1_000, endMs: 5_500, text: 'The beam bends in its middle.' }]],
  [{ type: 'merge', index: 1 }, null],
  [{ type: 'remove', index: 0 }, [cues[1] as CaptionCue]],
  [{ type: 'remove', index: 2 }, null],
  [{ type: 'scale', factor: 0 }, null],
])('%j', (change, expected) => expect(editCues(cues, change)).toEqual(expected));

test('shifting and shifting back is nothing, as long as nothing was pushed before the film', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 600_000 }), (byMs) => {
      const there = editCues(cues, { type: 'shift', byMs }) ?? [];
      expect(editCues(there, { type: 'shift', byMs: -byMs })).toEqual(cues);
    }),
  );
  expect(editCues(cues, { type: 'shift', byMs: -2_000 })?.[0]).toEqual({ ...cues[0], startMs: 0, endMs: 1_000 });
});

test('captions of a film at 25 frames a second fit its copy at 24', () => {
  const scaled = editCues([{ startMs: 60_000, endMs: 62_400, text: 'x' }], { type: 'scale', factor: 25 / 24 });
  expect(scaled).toEqual([{ startMs: 62_500, endMs: 65_000, text: 'x' }]);
});
