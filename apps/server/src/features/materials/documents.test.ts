import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { zipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { backUp, restore } from '../../backup.ts';
import { jobs, pictures } from '../../db/schema.ts';
import { removeLeftOvers } from '../../files-of-installation.ts';
import { type School, startSchool } from '../../test/harness.ts';
import { defaultFetchLimits } from './fetch-address.ts';

// Each document is read in a process of its own.
vi.setConfig({ testTimeout: 30_000 });

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const demoDocument = (name: string) =>
  fs.readFileSync(new URL(`../../../../../demo/documents/${name}`, import.meta.url));

const bringIn = (bytes: Buffer, name: string, replaces?: string) => school.bringIn(bytes, name, replaces);

describe('bringing in a document', () => {
  test('it becomes a reading whose pictures those can see to whom it was given, and nobody else', async () => {
    const { adaeze, id, material } = await bringIn(demoDocument('notebook.docx'), 'A notebook.docx');
    expect(material).toMatchObject({
      kind: 'document',
      status: 'ready',
      title: 'A notebook',
      leftOut: [],
      progress: null,
    });
    expect((await school.as('imani').ask('GET', `/api/materials/${id}/content`)).status).toBe(404);
    await school.give(id);
    const { body } = await school.as('imani').ask('GET', `/api/materials/${id}/content`);
    expect(body.blocks[0]).toMatchObject({ kind: 'heading', text: 'A bridge-keeper’s notebook' });
    const lengthMs = body.blocks.reduce((sum: number, block: { lengthMs: number }) => sum + block.lengthMs, 0);
    expect(material.lengthMs).toBe(lengthMs);
    const address = /src="([^"]+)"/.exec(body.blocks.map((block: { html: string }) => block.html).join(''))?.[1] ?? '';
    const picture = await school.as('imani').ask('GET', address);
    expect([picture.status, picture.headers.get('content-type')]).toEqual([200, 'image/webp']);
    expect(picture.headers.get('content-security-policy')).toContain('sandbox');
    expect((await school.as('outsider').ask('GET', address)).status).toBe(404);
    expect((await school.as('outsider').ask('GET', `/api/materials/${id}/content`)).status).toBe(404);
    expect((await adaeze.ask('GET', `/api/materials/${id}/pictures/p99`)).status).toBe(404);
  });

  const macro = () => {
    const files = {
      'word/document.xml': Buffer.from(
        '<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body><w:p><w:r><w:t>Words</w:t></w:r></w:p></w:body></w:document>',
      ),
    };
    const types =
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>';
    const rels =
      '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>';
    return Buffer.from(
      zipSync({
        '[Content_Types].xml': Buffer.from(types),
        '_rels/.rels': Buffer.from(rels),
        ...files,
        'word/vbaProject.bin': Buffer.from('Sub AutoOpen()'),
      }),
    );
  };

  test('macros are left out, and the teacher is told', async () => {
    const { material } = await bringIn(macro(), 'With macros.docm');
    expect(material).toMatchObject({ status: 'ready', leftOut: [{ code: 'macros', count: 1 }] });
  });

  test.each<[string, () => Buffer, string, string]>([
    ['cut in half', () => demoDocument('notebook.docx').subarray(0, 9_000), 'Half.docx', 'damaged'],
    ['a PDF cut in half', () => demoDocument('notebook.pdf').subarray(0, 200), 'Half.pdf', 'damaged'],
    ['of an old program, or under a password', () => Buffer.from('D0CF11E0A1B11AE1', 'hex'), 'Old.doc', 'oldFormat'],
    ['a zip of something else', () => Buffer.from(zipSync({ 'a.txt': Buffer.from('a') })), 'Bundle.zip', 'notKnown'],
    ['without a word', () => Buffer.from('   \n \n'), 'Empty.txt', 'noText'],
    [
      'a bomb',
      () => Buffer.from(zipSync({ 'word/document.xml': new Uint8Array(40 * 1024 ** 2) })),
      'Bomb.docx',
      'tooMuchInside',
    ],
  ])(
    '%s is refused with a reason, nothing is left behind, and the next one is taken',
    async (_, bytes, name, refusal) => {
      const refused = await bringIn(bytes(), name);
      expect(refused.material).toMatchObject({ status: 'refused', refusal });
      expect(fs.readdirSync(path.join(school.deps.dataDir, 'uploads'))).toEqual([]);
      expect((await bringIn(Buffer.from('# Fine'), 'Fine.md')).material.status).toBe('ready');
    },
  );

  test('a lesson made of it has one reading over the whole text', async () => {
    const { adaeze, id, material } = await bringIn(demoDocument('notebook.odt'), 'A notebook.odt');
    const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: id });
    const draft = (await adaeze.ask('GET', `/api/lessons/${body.id}`)).body;
    expect(draft.lesson.parts).toMatchObject([{ kind: 'reading', materialId: id, inMs: 0, outMs: material.lengthMs }]);
    expect(draft.faults).toEqual([]);
  });

  test('a newer version keeps the ids of the blocks it continues', async () => {
    const first = await bringIn(Buffer.from('# Beam\n\nIt bends in its middle.\n\nIt breaks.'), 'Notes.md');
    const second = await bringIn(
      Buffer.from('# Beam\n\nA new start.\n\nIt bends most in its middle.\n\nThe end.'),
      'Notes.md',
      first.id,
    );
    const idsOf = async (id: string) =>
      (await first.adaeze.ask('GET', `/api/materials/${id}/content`)).body.blocks.map(
        (block: { id: string }) => block.id,
      );
    const [heading, middle] = await idsOf(first.id);
    const ids = await idsOf(second.id);
    expect([ids[0], ids[2]]).toEqual([heading, middle]);
    expect(new Set(ids).size).toBe(4);
    expect(second.material.replacesId).toBe(first.id);
  });

  test('pictures without words are named before an edition is made, and a teacher can write them', async () => {
    const { adaeze, id } = await bringIn(demoDocument('notebook.pdf'), 'A notebook.pdf');
    const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: id });
    const make = (more = {}) => adaeze.ask('POST', `/api/lessons/${body.id}/editions`, { draftVersion: 1, ...more });
    const refused = await make();
    expect(refused).toMatchObject({ status: 422, body: { code: 'picturesWithoutAlt' } });
    expect(refused.body.detail.pictures).toHaveLength(1);
    const words = { words: 'An arch, <b>drawn</b> from the side' };
    const place = `/api/materials/${id}/pictures/p1/words`;
    expect((await school.as('bruno').ask('PUT', place, words)).status).toBe(404);
    expect((await adaeze.ask('PUT', place, words)).status).toBe(204);
    const { blocks } = (await adaeze.ask('GET', `/api/materials/${id}/content`)).body;
    const block = blocks.find((one: { kind: string }) => one.kind === 'picture');
    expect(block.text).toBe(words.words);
    expect(block.html).toContain('alt="An arch, &lt;b&gt;drawn&lt;/b&gt; from the side"');
    expect((await make()).status).toBe(200);
  });

  test('an edition can be made all the same, once the teacher has seen it', async () => {
    const { adaeze, id } = await bringIn(demoDocument('notebook.pdf'), 'A notebook.pdf');
    const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: id });
    const wish = { draftVersion: 1, acceptsPicturesWithoutAlt: true };
    expect((await adaeze.ask('POST', `/api/lessons/${body.id}/editions`, wish)).body).toEqual({ number: 1 });
  });

  test('how hard an English text is to read is told, of others nothing', async () => {
    const { material } = await bringIn(demoDocument('notebook.odt'), 'A notebook.odt');
    expect(material.level.grade).toBeGreaterThan(2);
    expect(material.level.grade).toBeLessThan(9);
    expect((await bringIn(demoDocument('arabic.docx'), 'Arabic.docx')).material.level).toBeNull();
  });

  test('a newer version goes into every draft that shows the older one; editions stay', async () => {
    const first = await bringIn(Buffer.from('# Beam\n\nIt bends in its middle.\n\nIt breaks.'), 'Notes.md');
    const { adaeze } = first;
    const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: first.id });
    await adaeze.ask('POST', `/api/lessons/${body.id}/editions`, { draftVersion: 1 });
    const newer = await bringIn(Buffer.from('# Beam\n\nAt first.\n\nIt bends in its middle.'), 'Notes.md', first.id);
    const put = await adaeze.ask('POST', `/api/materials/${newer.id}/drafts`);
    expect(put.body).toEqual({ lessons: [{ title: 'Notes', astrayCount: 0 }] });
    const draft = (await adaeze.ask('GET', `/api/lessons/${body.id}`)).body;
    expect(draft.lesson.parts).toMatchObject([{ materialId: newer.id, inMs: 0, outMs: newer.material.lengthMs }]);
    expect(draft).toMatchObject({ version: 2, edition: { number: 1, draftVersion: 1 } });
    expect((await adaeze.ask('POST', `/api/materials/${first.id}/drafts`)).status).toBe(404);
    expect((await school.as('bruno').ask('POST', `/api/materials/${newer.id}/drafts`)).status).toBe(404);
  });

  test('somebody else’s document is no older version', async () => {
    school.addMaterial('theirs', 1_000, 'bruno');
    expect((await bringIn(Buffer.from('Words'), 'Words.txt', 'theirs')).material.replacesId).toBeNull();
  });

  test('taking it off the shelf takes its pictures too, unless another document shows them', async () => {
    const { adaeze, id } = await bringIn(demoDocument('notebook.docx'), 'One.docx');
    const other = await bringIn(demoDocument('notebook.odt'), 'Two.odt');
    const shown = school.db.select().from(pictures).all();
    const fileOf = (sha256: string) => path.join(school.deps.dataDir, 'media', sha256.slice(0, 2), sha256);
    await adaeze.ask('DELETE', `/api/materials/${id}`);
    await adaeze.ask('DELETE', `/api/materials/${other.id}`);
    expect(shown.length).toBeGreaterThan(0);
    const before = school.clock.now;
    school.clock.now += 31 * 24 * 3_600_000;
    await school.services.materials.clearAway();
    school.clock.now = before;
    expect(shown.filter(({ sha256 }) => fs.existsSync(fileOf(sha256)))).toEqual([]);
    expect(school.db.select().from(pictures).all()).toEqual([]);
  });

  test('a backup holds the pictures inside documents', async () => {
    const { id } = await bringIn(demoDocument('notebook.docx'), 'One.docx');
    const copy = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-backup-'));
    const target = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-restored-'));
    await backUp(school.deps.dataDir, copy);
    await restore(copy, target);
    const { path: file } = school.services.materials.findPicture(
      { schoolId: 'quillhaven', roles: ['teacher'] } as never,
      id,
      'p1',
    );
    expect(fs.existsSync(path.join(target, path.relative(school.deps.dataDir, file)))).toBe(true);
    for (const folder of [copy, target]) fs.rmSync(folder, { recursive: true });
  });
});

test('what a stop left lying about is taken away, uploads under way are not', async () => {
  const uploads = path.join(school.deps.dataDir, 'uploads');
  fs.mkdirSync(path.join(uploads, 'import-left'));
  fs.writeFileSync(path.join(uploads, 'import-left', 'p1.webp'), 'x');
  fs.writeFileSync(path.join(uploads, 'under-way'), 'x');
  await removeLeftOvers(school.deps.dataDir);
  expect(fs.readdirSync(uploads)).toEqual(['under-way']);
});

test('a job that was begun three times without an end is given up, and the teacher is told', async () => {
  const { id } = await bringIn(Buffer.from('Words'), 'Words.txt');
  school.db.$client.prepare("UPDATE materials SET status = 'checking'").run();
  school.db.update(jobs).set({ status: 'running', tries: 3 }).run();
  school.services.jobs.resume();
  await school.services.jobs.settle();
  const { body } = await school.as('adaeze').ask('GET', `/api/materials/${id}`);
  expect(body).toMatchObject({ status: 'refused', refusal: 'damaged' });
});

describe('from an address', () => {
  const fetchIt = async (at: School, address: string) => {
    const adaeze = at.as('adaeze');
    const { status, body } = await adaeze.ask('POST', '/api/materials/from-address', { address });
    await at.services.jobs.settle();
    return { status, material: (await adaeze.ask('GET', `/api/materials/${body.id}`)).body };
  };

  test('a document is fetched by the server and brought in like any other', async () => {
    const source = http.createServer((_request, response) => response.end('# Beam\n\nIt bends.'));
    await new Promise<void>((resolve) => source.listen(0, '127.0.0.1', resolve));
    const address = `http://127.0.0.1:${(source.address() as AddressInfo).port}/Beam_notes.md`;
    const open = await startSchool({ fetchLimits: { ...defaultFetchLimits, isAllowed: () => true } });
    const { material } = await fetchIt(open, address);
    expect(material).toMatchObject({
      status: 'ready',
      kind: 'document',
      title: 'Beam notes',
      fileName: 'Beam_notes.md',
    });
    await open.stop();
    source.close();
  });

  test('an address of the inner network is refused, and nothing is left behind', async () => {
    const { material } = await fetchIt(school, 'http://127.0.0.1:9/secret.md');
    expect(material).toMatchObject({ status: 'refused', refusal: 'addressPrivate' });
    expect(fs.readdirSync(path.join(school.deps.dataDir, 'uploads'))).toEqual([]);
  });
});
