import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import cases from '../test/webvtt-cases.json' with { type: 'json' };
import { cueWords } from './caption-cue.ts';
import { readCaptions } from './read-captions.ts';
import { writeSrt, writeVtt } from './write-captions.ts';

const utf8 = (text: string) => new Uint8Array(Buffer.from(text, 'utf8'));

/** The cases are ours; the expected cues are what Chromium 156 made of each file through a `<track>` element. */
describe('WebVTT as a browser reads it', () => {
  const spoken = (cues: { startMs: number; endMs: number; text: string }[] | null) =>
    (cues ?? []).filter((cue) => cue.endMs > cue.startMs && cueWords(cue.text) !== '');
  // A browser starts a new cue at a timing line without a blank line before it; the library does too, but takes
  // one line more in this one case. Files without a header are read as SubRip, which a browser does not know.
  const ours = new Set(['missingblank', 'noheader']);
  test.each(cases.filter((one) => !ours.has(one.name)))('$name', ({ file, browser }) => {
    expect(readCaptions(utf8(file)).cues).toEqual(spoken(browser));
  });
});

test('a faulty cue is reported by its line and the good ones are kept', () => {
  const file =
    'WEBVTT\n\n00:01.000 --> 00:02.000\ngood\n\n-00:03.000 --> 00:04.000\nnegative\n\n00:06.000 --> 00:05.000\nbackwards\n\n00:07.000 --> 00:09.000\nalso good\n';
  const { cues, faults } = readCaptions(utf8(file));
  expect(cues.map((cue) => cue.text)).toEqual(['good', 'also good']);
  expect(faults).toEqual([
    { line: 6, code: 'timeUnreadable', kept: false },
    { line: 9, code: 'endBeforeStart', kept: false },
  ]);
});

test('overlapping cues are kept and mentioned', () => {
  const { cues, faults } = readCaptions(utf8('WEBVTT\n\n00:01.000 --> 00:05.000\na\n\n00:02.000 --> 00:03.000\nb\n'));
  expect(cues).toHaveLength(2);
  expect(faults).toEqual([{ line: 6, code: 'overlapsPrevious', kept: true }]);
});

describe('SubRip', () => {
  const one = { startMs: 1000, endMs: 2500, text: 'Hello' };
  const two = { startMs: 3000, endMs: 4000, text: 'Two\nlines' };
  test.each([
    ['plain', '1\n00:00:01,000 --> 00:00:02,500\nHello\n\n2\n00:00:03,000 --> 00:00:04,000\nTwo\nlines\n', [one, two]],
    [
      'CRLF',
      '1\r\n00:00:01,000 --> 00:00:02,500\r\nHello\r\n\r\n2\r\n00:00:03,000 --> 00:00:04,000\r\nTwo\r\nlines\r\n',
      [one, two],
    ],
    ['no numbers', '00:00:01,000 --> 00:00:02,500\nHello\n\n00:00:03,000 --> 00:00:04,000\nTwo\nlines', [one, two]],
    [
      'a number as words',
      '1\n00:00:01,000 --> 00:00:02,000\n42\n\n2\n00:00:03,000 --> 00:00:04,000\n1984\n',
      [
        { startMs: 1000, endMs: 2000, text: '42' },
        { startMs: 3000, endMs: 4000, text: '1984' },
      ],
    ],
    [
      'short times and a place',
      '1\n0:00:01,5 --> 0:00:02,25  X1:40 X2:600\nA\n',
      [{ startMs: 1500, endMs: 2250, text: 'A' }],
    ],
    [
      'markup',
      '1\n00:00:01,000 --> 00:00:02,000\n<font color="#fff">{\\an8}<i>A</i> & B < C</font>\n',
      [{ startMs: 1000, endMs: 2000, text: '<i>A</i> &amp; B &lt; C' }],
    ],
  ])('%s', (_, file, cues) => expect(readCaptions(utf8(file))).toEqual({ cues, faults: [] }));

  test('a faulty time is reported by its line, and its words do not run into the cue before', () => {
    const { cues, faults } = readCaptions(
      utf8('1\n00:00:01,000 --> 00:00:02,500\nHello\n\n2\n00:00:0x,000 --> 00:00:04,000\nLost\n'),
    );
    expect(cues).toEqual([one]);
    expect(faults).toEqual([{ line: 6, code: 'timeUnreadable', kept: false }]);
  });
});

test.each(['utf16le', 'utf16be', 'windows-1252'])('reads %s', (encoding) => {
  const text = 'WEBVTT\n\n00:01.000 --> 00:02.000\ncafé\n';
  const le = Buffer.from(`\ufeff${text}`, 'utf16le');
  const bytes = { utf16le: le, utf16be: Buffer.from(le).swap16(), 'windows-1252': Buffer.from(text, 'latin1') }[
    encoding
  ] as Buffer;
  expect(readCaptions(new Uint8Array(bytes)).cues.map((cue) => cue.text)).toEqual(['café']);
  if (encoding !== 'windows-1252') expect(readCaptions(new Uint8Array(bytes.subarray(2))).cues).toHaveLength(1);
});

test.each([
  ['nothing', ''],
  ['prose', 'Dear diary,\nno captions here.'],
  ['another signature', 'WEBVTTX\n\n'],
])('%s is not captions', (_, file) => {
  expect(readCaptions(utf8(file))).toEqual({ cues: [], faults: [{ line: 1, code: 'notCaptions', kept: false }] });
});

test('what is written is read back the same', () => {
  const word = fc
    .stringMatching(/^[A-Za-zÀ-ž0-9,.!?-]{1,12}$/)
    .filter((text) => !/^\d+$/.test(text) && !text.includes('--'));
  const cue = fc
    .tuple(fc.nat(359_999_000), fc.integer({ min: 1, max: 20_000 }), fc.array(word, { minLength: 1, maxLength: 3 }))
    .map(([startMs, lengthMs, lines]) => ({ startMs, endMs: startMs + lengthMs, text: lines.join('\n') }));
  const inOrder = fc
    .uniqueArray(cue, { selector: (one) => one.startMs, minLength: 1, maxLength: 12 })
    .map((cues) => cues.toSorted((a, b) => a.startMs - b.startMs));
  fc.assert(
    fc.property(inOrder, (cues) => {
      expect(readCaptions(utf8(writeVtt(cues))).cues).toEqual(cues);
      expect(readCaptions(utf8(writeSrt(cues))).cues).toEqual(cues);
    }),
  );
});
