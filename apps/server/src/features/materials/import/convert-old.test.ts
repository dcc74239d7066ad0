import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { convertOld, hasOffice } from './convert-old.ts';
import { importDocument } from './import-document.ts';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-old-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));
const isThere = await hasOffice();

/** The demo's notebook as a document of an older kind, written by the office program itself. */
function makeOld(): string {
  const source = new URL('../../../../../../demo/documents/notebook.odt', import.meta.url).pathname;
  const profile = `-env:UserInstallation=file://${folder}/writer`;
  execFileSync('soffice', ['--headless', profile, '--convert-to', 'doc', '--outdir', folder, source], {
    stdio: 'ignore',
  });
  return path.join(folder, 'notebook.doc');
}

test.skipIf(!isThere)(
  'a document of an older kind comes in where an office program is',
  async () => {
    const { file, format } = await convertOld(makeOld(), 'Notebook.doc', folder);
    expect(format).toBe('docx');
    const { title, blocks } = await importDocument(file, 'docx', folder, () => undefined);
    expect(title).toBe('A bridge-keeper’s notebook');
    expect(blocks.map((block) => block.kind)).toEqual(expect.arrayContaining(['list', 'table', 'picture']));
  },
  120_000,
);

test('what the program cannot open, or no program, is a refusal and not a crash', async () => {
  const file = path.join(folder, 'broken.doc');
  fs.writeFileSync(file, Buffer.from('D0CF11E0A1B11AE1', 'hex'));
  await expect(convertOld(file, 'broken.ppt', folder)).rejects.toMatchObject({ reason: 'oldFormat' });
}, 120_000);
