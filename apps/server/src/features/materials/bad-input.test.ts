import fs from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { type School, startSchool } from '../../test/harness.ts';
import { makePdf } from '../../test/make-pdf.ts';

// Each file is read in a process of its own.
vi.setConfig({ testTimeout: 60_000 });

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const demoDocument = (name: string) =>
  fs.readFileSync(new URL(`../../../../../demo/documents/${name}`, import.meta.url));

/** A demo document with some of its files changed. */
function changed(name: string, change: (files: Record<string, Uint8Array>) => void): Buffer {
  const files: Record<string, Uint8Array> = unzipSync(demoDocument(name));
  change(files);
  return Buffer.from(zipSync(files));
}

/** A PDF that only opens with a password: its keys fit no password that anybody knows (ISO 32000-1, 7.6.3). */
function lockedPdf(): Buffer {
  const keys = 'A'.repeat(32);
  const encrypt = `/Encrypt << /Filter /Standard /V 1 /R 2 /O (${keys}) /U (${keys}) /P -4 >> /ID [(semita) (semita)]`;
  return Buffer.from(makePdf(1).toString('latin1').replace('/Root 1 0 R', `/Root 1 0 R ${encrypt}`), 'latin1');
}

/** The head and the directory of a compound file as programs write them round a document under a password (MS-CFB 2.2, 2.6). */
function lockedOffice(): Buffer {
  const file = Buffer.alloc(2048);
  Buffer.from('d0cf11e0a1b11ae1', 'hex').copy(file);
  file.writeUInt16LE(9, 30);
  file.writeUInt32LE(1, 48);
  Buffer.from('Root Entry', 'utf16le').copy(file, 1024);
  Buffer.from('EncryptedPackage', 'utf16le').copy(file, 1024 + 128);
  return file;
}

const entity = '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><a>&x;</a>';

test.each<[string, string, () => Buffer, string]>([
  ['a PDF under a password', 'Locked.pdf', lockedPdf, 'passwordProtected'],
  ['a DOCX under a password', 'Locked.docx', lockedOffice, 'passwordProtected'],
  ['a PPTX under a password', 'Locked.pptx', lockedOffice, 'passwordProtected'],
  [
    'an ODT under a password',
    'Locked.odt',
    () =>
      changed('notebook.odt', (files) => {
        files['META-INF/manifest.xml'] = strToU8('<manifest:manifest><manifest:encryption-data/></manifest:manifest>');
        files['content.xml'] = Uint8Array.from({ length: 9_000 }, (_, index) => (index % 3 === 0 ? 60 : 97));
      }),
    'passwordProtected',
  ],
  ['a PDF cut off', 'Half.pdf', () => demoDocument('notebook.pdf').subarray(0, 3_000), 'damaged'],
  ['a PPTX cut off', 'Half.pptx', () => demoDocument('paper-bridge.pptx').subarray(0, 9_000), 'damaged'],
  [
    'XML with entities of other files, in a DOCX',
    'Entity.docx',
    () => changed('notebook.docx', (files) => Object.assign(files, { 'word/document.xml': strToU8(entity) })),
    'tooMuchInside',
  ],
  [
    'XML with entities of other files, in a PPTX',
    'Entity.pptx',
    () => changed('paper-bridge.pptx', (files) => Object.assign(files, { 'ppt/slides/slide1.xml': strToU8(entity) })),
    'tooMuchInside',
  ],
  [
    'a bomb behind the name of a slide’s picture',
    'Bomb.pptx',
    () =>
      changed('paper-bridge.pptx', (files) =>
        Object.assign(files, { 'ppt/media/bomb.png': new Uint8Array(60 * 1024 ** 2) }),
      ),
    'tooMuchInside',
  ],
  ['a deck without slides', 'Empty.pptx', () => Buffer.from(zipSync({ 'a.xml': strToU8('<a/>') })), 'damaged'],
])('%s is refused with its reason, and the server goes on', async (_, name, bytes, refusal) => {
  const { adaeze, material } = await school.bringIn(bytes(), name);
  expect(material).toMatchObject({ status: 'refused', refusal });
  expect((await adaeze.ask('GET', '/api/lessons')).status).toBe(200);
});

test('macros stay behind, and the teacher is told', async () => {
  const bytes = changed('paper-bridge.pptx', (files) =>
    Object.assign(files, { 'ppt/vbaProject.bin': strToU8('Sub AutoOpen()') }),
  );
  const { material } = await school.bringIn(bytes, 'With macros.pptm');
  expect(material).toMatchObject({ status: 'ready', leftOut: [{ code: 'macros', count: 1 }] });
});

test('a slide with a picture of 12,000 points comes in at the size of a screen', async () => {
  const create = { width: 12_000, height: 8_000, channels: 3 as const, background: '#5A2A54' };
  const png = await sharp({ create, limitInputPixels: false }).png().toBuffer();
  const bytes = changed('paper-bridge.pptx', (files) => {
    const [name] = Object.keys(files).filter((one) => /^ppt\/media\/.+\.png$/.test(one));
    if (!name) throw new Error('the demo deck has no picture');
    files[name] = png;
  });
  const { adaeze, id, material } = await school.bringIn(bytes, 'Large.pptx');
  expect(material).toMatchObject({ status: 'ready', leftOut: [] });
  const shown = await adaeze.ask('GET', `/api/materials/${id}/pictures/p1`);
  expect(shown.status).toBe(200);
  const { body } = await adaeze.ask('GET', `/api/materials/${id}/content`);
  expect(body.isDrawing).toBe(false);
  expect(body.slides[2].html).toContain(`/api/materials/${id}/pictures/p1`);
});
