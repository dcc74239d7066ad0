import { fork } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { type Figure, medianRatio } from './compare.ts';

const demoDeck = new URL('../demo/documents/paper-bridge.pptx', import.meta.url);
// As it is installed: compiled, since compiling the sources on the way would hide what is measured.
const installed = new URL('../apps/server/dist/features/materials/import/run-import.js', import.meta.url);
const slideCount = 20;

/** Makes a deck of twenty slides out of one of six: each again and again under a name of its own. */
function makeDeck(): Uint8Array {
  const files: Record<string, Uint8Array> = unzipSync(fs.readFileSync(demoDeck));
  const read = (name: string) => strFromU8(files[name] as Uint8Array);
  const there = Object.keys(files).filter((name) => /^ppt\/slides\/slide\d+\.xml$/.test(name)).length;
  let [types, list, relations] = ['[Content_Types].xml', 'ppt/presentation.xml', 'ppt/_rels/presentation.xml.rels'].map(
    read,
  ) as [string, string, string];
  for (let number = there + 1; number <= slideCount; number++) {
    const source = ((number - 1) % there) + 1;
    files[`ppt/slides/slide${number}.xml`] = files[`ppt/slides/slide${source}.xml`] as Uint8Array;
    files[`ppt/slides/_rels/slide${number}.xml.rels`] = files[`ppt/slides/_rels/slide${source}.xml.rels`] as Uint8Array;
    const kind = 'application/vnd.openxmlformats-officedocument.presentationml.slide+xml';
    types = types.replace(
      '</Types>',
      `<Override PartName="/ppt/slides/slide${number}.xml" ContentType="${kind}"/></Types>`,
    );
    list = list.replace('</p:sldIdLst>', `<p:sldId id="${1_000 + number}" r:id="again${number}"/></p:sldIdLst>`);
    const type = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/slide';
    relations = relations.replace(
      '</Relationships>',
      `<Relationship Id="again${number}" Type="${type}" Target="slides/slide${number}.xml"/></Relationships>`,
    );
  }
  files['[Content_Types].xml'] = strToU8(types);
  files['ppt/presentation.xml'] = strToU8(list);
  files['ppt/_rels/presentation.xml.rels'] = strToU8(relations);
  return zipSync(files);
}

/**
 * How soon a PPTX of twenty slides is a script that stops can be put into, against a process that only unzips the same
 * file and parses its XML: every document is read in a process of its own, so both sides begin one.
 */
export async function measureDeck(): Promise<Figure[]> {
  const { runImport } = (await import(
    installed.href
  )) as typeof import('../apps/server/src/features/materials/import/run-import.ts');
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bench-'));
  const file = path.join(folder, 'deck.pptx');
  fs.writeFileSync(file, makeDeck());
  const ours = async () => {
    const startedAt = performance.now();
    let wordsAt = 0;
    await runImport(
      { file, format: 'pptx', fileName: 'deck.pptx', outDir: path.join(folder, 'out') },
      {
        onProgress: () => undefined,
        onWords: (slides) => {
          if (slides.length !== slideCount) throw new Error(`${slides.length} slides`);
          wordsAt = performance.now();
        },
      },
    );
    return wordsAt - startedAt;
  };
  const baseline = async () => {
    const startedAt = performance.now();
    const child = fork(fileURLToPath(new URL('./unzip-and-parse.mjs', import.meta.url)));
    child.send(file);
    await once(child, 'message');
    const tookMs = performance.now() - startedAt;
    await once(child, 'exit');
    return tookMs;
  };
  await ours();
  const ratio = await medianRatio(5, ours, baseline);
  fs.rmSync(folder, { recursive: true });
  return [{ name: 'PPTX of 20 slides into a script ÷ unzip and parse its XML', ratio, goal: 4, better: 'lower' }];
}
