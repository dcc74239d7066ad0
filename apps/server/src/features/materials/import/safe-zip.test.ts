import { zipSync } from 'fflate';
import { expect, test } from 'vitest';
import { unpackSafely } from './safe-zip.ts';

const text = (value: string) => new TextEncoder().encode(value);
const zip = (files: Record<string, Uint8Array>, level: 0 | 9 = 9) => Buffer.from(zipSync(files, { level }));
const reasonOf = (bytes: Buffer) =>
  unpackSafely(bytes).then(
    () => 'taken',
    (error: { reason?: string }) => error.reason,
  );

test('an honest zip is unpacked', async () => {
  const files = await unpackSafely(zip({ 'a.xml': text('<a><b/></a>'), 'folder/b.txt': text('b') }));
  expect([...files].map(([name, bytes]) => [name, bytes.toString()])).toEqual([
    ['a.xml', '<a><b/></a>'],
    ['folder/b.txt', 'b'],
  ]);
});

test.each<[string, () => Buffer, string]>([
  [
    'a bomb: 60 MB of nothing in a few kB',
    () => zip({ 'word/document.xml': new Uint8Array(60 * 1024 ** 2) }),
    'tooMuchInside',
  ],
  [
    'many middling files that are too much together',
    () => zip(Object.fromEntries(Array.from({ length: 5 }, (_, i) => [`${i}.bin`, new Uint8Array(45 * 1024 ** 2)])), 0),
    'tooMuchInside',
  ],
  [
    'five thousand files',
    () => zip(Object.fromEntries(Array.from({ length: 5_000 }, (_, i) => [`${i}`, text('x')]))),
    'tooMuchInside',
  ],
  [
    'entities that unfold',
    () => zip({ 'a.xml': text('<!DOCTYPE a [<!ENTITY b "bbbb">]><a>&b;</a>') }),
    'tooMuchInside',
  ],
  [
    'an entity that names a file of this machine',
    () => zip({ 'a.xml': text('<!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/hostname">]><a>&b;</a>') }),
    'tooMuchInside',
  ],
  ['elements within elements without end', () => zip({ 'a.xml': text('<a>'.repeat(10_000)) }), 'tooMuchInside'],
  ['a file cut in half', () => zip({ 'a.xml': text('<a/>'), 'b.xml': text('<b/>') }).subarray(0, 90), 'damaged'],
  ['a name that climbs out of its folder', () => zip({ '../../outside': text('x') }), 'damaged'],
])('%s is refused', async (_, bytes, reason) => {
  expect(await reasonOf(bytes())).toBe(reason);
});

test('sizes are counted while unpacking, not believed', async () => {
  const bytes = zip({ 'a.bin': new Uint8Array(3 * 1024 ** 2).fill(7) });
  const directory = bytes.lastIndexOf(Buffer.from('PK\u0001\u0002', 'latin1'));
  // The directory says ten bytes (APPNOTE 4.3.12, uncompressed size at offset 24).
  bytes.writeUInt32LE(10, directory + 24);
  expect(await reasonOf(bytes)).toBe('damaged');
});

test('an entry under a password is told as that', async () => {
  const bytes = zip({ 'a.xml': text('<a/>') });
  const directory = bytes.lastIndexOf(Buffer.from('PK\u0001\u0002', 'latin1'));
  // Bit 0 of the general purpose flag, at offset 8 of the directory and 6 of the entry (APPNOTE 4.4.4).
  bytes.writeUInt16LE(1, directory + 8);
  bytes.writeUInt16LE(1, 6);
  expect(await reasonOf(bytes)).toBe('passwordProtected');
});
