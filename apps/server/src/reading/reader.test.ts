import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { readFixture } from '../test/harness.ts';
import { createReader, ReadFailed } from './reader.ts';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-reader-'));
const reader = createReader({ timeMs: 6_000 });
const lane = { schoolId: 'school', personId: 'person' };
afterAll(() => {
  reader.close();
  fs.rmSync(folder, { recursive: true });
});

let count = 0;
function media(bytes: Buffer) {
  const file = path.join(folder, `${count++}`);
  fs.writeFileSync(file, bytes);
  return reader.read(lane, { kind: 'media', file, byteLength: bytes.length });
}

/** A box of ISO/IEC 14496-12, 4.2: its size, its name, and what is in it. */
function box(type: string, ...content: (Buffer | number[])[]): Buffer {
  const inside = Buffer.concat(content.map((one) => (Buffer.isBuffer(one) ? one : uint32s(one))));
  return Buffer.concat([uint32s([8 + inside.length]), Buffer.from(type, 'latin1'), inside]);
}

function uint32s(values: number[]): Buffer {
  const buffer = Buffer.alloc(values.length * 4);
  for (const [index, value] of values.entries()) buffer.writeUInt32BE(value >>> 0, index * 4);
  return buffer;
}

/** The head of a sound file whose tables say more than anybody could read. */
function soundOf(tables: Buffer[]): Buffer {
  const brand = box('ftyp', Buffer.from('M4A '), [0], Buffer.from('M4A isom'));
  const matrix = [0x10000, 0, 0, 0, 0x10000, 0, 0, 0, 0x40000000];
  const movieHead = box('mvhd', [0, 0, 0, 1000, 1000, 0x10000, 0x1000000, 0, 0, ...matrix, 0, 0, 0, 0, 0, 0, 2]);
  const trackHead = box('tkhd', [3, 0, 0, 1, 0, 1000, 0, 0, 0, 0x1000000, ...matrix, 0, 0]);
  const mediaHead = box('mdhd', [0, 0, 0, 44_100, 44_100, 0x55c40000]);
  const handler = box('hdlr', [0, 0], Buffer.from('soun'), [0, 0, 0, 0]);
  const entry = box('mp4a', [0, 1, 0, 0, 0x00020010, 0, 44_100 << 16]);
  const description = box('stsd', [0, 1], entry);
  const table = box('stbl', description, ...tables);
  const information = box('minf', box('smhd', [0, 0]), box('dinf', box('dref', [0, 1], box('url ', [1]))), table);
  const mediaBox = box('mdia', mediaHead, handler, information);
  return Buffer.concat([brand, box('moov', movieHead, box('trak', trackHead, mediaBox)), box('mdat', [0, 0])]);
}

const most = 0xffffffff;

describe('a file made to harm costs its own reading, and nothing else', () => {
  test.each<[string, () => Buffer]>([
    [
      'billions of samples in a chunk',
      () =>
        soundOf([
          box('stts', [0, 1, most, 1]),
          box('stsc', [0, 1, 1, most, 1]),
          box('stsz', [0, 4, most]),
          box('stco', [0, 1, 32]),
        ]),
    ],
    [
      'billions of chunks',
      () =>
        soundOf([
          box('stts', [0, 1, most, 1]),
          box('stsc', [0, 1, 1, 1, 1]),
          box('stsz', [0, 4, most]),
          box('stco', [0, most]),
        ]),
    ],
    [
      'half a million empty boxes',
      () => Buffer.concat([box('ftyp', Buffer.from('isom'), [0]), Buffer.alloc(4_000_000, box('free'))]),
    ],
    [
      'boxes inside boxes',
      () => Array.from({ length: 3_000 }).reduce<Buffer>((inner) => box('moov', inner), Buffer.alloc(0)),
    ],
  ])('%s', async (_, make) => {
    let longestStallMs = 0;
    let last = performance.now();
    const watch = setInterval(() => {
      longestStallMs = Math.max(longestStallMs, performance.now() - last);
      last = performance.now();
    }, 5);
    const verdict = await media(make()).then(
      ({ ok }) => ok,
      (error) => (error instanceof ReadFailed ? false : Promise.reject(error)),
    );
    clearInterval(watch);
    expect(verdict).toBe(false);
    expect(longestStallMs).toBeLessThan(1_000);
    const good = await media(readFixture('timecode-60.webm'));
    expect(good).toMatchObject({ ok: true, kind: 'film' });
  });
});

test('what brought a reader down is known, and not tried again', async () => {
  const quick = createReader({ timeMs: 1 });
  const file = path.join(folder, 'slow');
  fs.writeFileSync(file, readFixture('timecode-60.webm'));
  const read = () => quick.read(lane, { kind: 'media', file, byteLength: fs.statSync(file).size });
  await expect(read()).rejects.toBeInstanceOf(ReadFailed);
  const before = performance.now();
  await expect(read()).rejects.toBeInstanceOf(ReadFailed);
  expect(performance.now() - before).toBeLessThan(500);
  quick.close();
});

test('captions are read there as well', async () => {
  const file = path.join(folder, 'captions.srt');
  fs.writeFileSync(file, '1\n00:00:01,000 --> 00:00:02,000\nA beam bends.\n');
  const { cues } = await reader.read(lane, { kind: 'captions', file });
  expect(cues).toEqual([{ startMs: 1_000, endMs: 2_000, text: 'A beam bends.' }]);
});
