import { randomUUID } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { questionSchema } from '@semita/core/contract';
import { fromQtiItem, type QtiLeftOut, type QtiLeftOutCode, withMedia, type XmlElement } from '@semita/core/qti';
import type { Question } from '@semita/core/question';
import sharp from 'sharp';
import * as v from 'valibot';
import type { ImportedQuestions } from '../../materials/import/import-result.ts';
import { ImportRefused } from '../../materials/import/import-result.ts';
import { unpackSafely, type ZipFiles } from '../../materials/import/safe-zip.ts';
import { type ManifestItem, manifestName, readManifest } from './package-files.ts';
import { qtiProse } from './qti-prose.ts';
import { treeOf } from './xml-to-tree.ts';

/** More than any question bank that was written by hand. */
const maxItems = 2_000;

/**
 * Reads a package of QTI 3.0, 2.2 or 2.1, or a single item. Runs in the process that is watched for time and memory.
 * @param outDir where the files that questions show are put
 * @throws ImportRefused notKnown when it is neither, and what the zip guard says no to
 */
export async function readPackage(file: string, outDir: string): Promise<ImportedQuestions> {
  const bytes = await readFile(file);
  const report = createReport();
  const { files, items, testCount } = await openPackage(bytes);
  report.add('test', testCount);
  if (items.length > maxItems) throw new ImportRefused('tooMuchInside');
  const kept = new Map<string, string>();
  const sizes = await sizesOf(files);
  const entries: { question: Question; tags: readonly string[] }[] = [];
  for (const { href, tags } of items) {
    const content = files.get(href);
    if (!content) {
      report.add('fileMissing');
      continue;
    }
    const item = itemTree(content);
    if (!item) {
      report.add('notAnItem');
      continue;
    }
    const besides = (source: string) => resolve(href, source);
    const read = fromQtiItem(item, {
      newId: randomUUID,
      prose: qtiProse,
      sizeOf: (source) => sizes.get(besides(source) ?? '') ?? null,
    });
    for (const { code, count } of read.leftOut) report.add(code, count);
    for (const question of read.questions) {
      const named = withMedia(question, (source) => {
        const name = besides(source);
        if (name === null) report.add('fileUnsafe');
        else if (files.has(name)) {
          kept.set(name, path.basename(name));
          return name;
        } else report.add('fileMissing');
        return null;
      });
      const checked = v.safeParse(questionSchema, named);
      if (checked.success) entries.push({ question: checked.output, tags });
      else report.add('notValid');
    }
  }
  const media = [...kept].map(([name, fileName], index) => ({
    name,
    fileName,
    file: path.join(outDir, `media-${index}`),
  }));
  for (const { name, file: target } of media) await writeFile(target, files.get(name) as Buffer);
  return { kind: 'questions', entries, media, leftOut: report.list() };
}

function createReport() {
  const counts = new Map<QtiLeftOutCode, number>();
  return {
    add: (code: QtiLeftOutCode, count = 1) => {
      if (count > 0) counts.set(code, (counts.get(code) ?? 0) + count);
    },
    list: (): QtiLeftOut[] => [...counts].map(([code, count]) => ({ code, count })),
  };
}

interface Opened {
  readonly files: ZipFiles;
  readonly items: readonly ManifestItem[];
  readonly testCount: number;
}

async function openPackage(bytes: Buffer): Promise<Opened> {
  if (!bytes.subarray(0, 4).equals(Buffer.from('PK\u0003\u0004'))) {
    const name = 'item.xml';
    const root = itemTree(bytes);
    if (!root || !/^(?:qti-)?assessment-?item$/i.test(root.name)) throw new ImportRefused('notKnown');
    return { files: new Map([[name, bytes]]), items: [{ href: name, tags: [] }], testCount: 0 };
  }
  const files = await unpackSafely(bytes);
  const manifest = files.get(manifestName);
  if (!manifest) throw new ImportRefused('notKnown');
  const { items, testCount } = readManifest(treeOf(manifest));
  if (items.length === 0 && testCount === 0) throw new ImportRefused('notKnown');
  return { files, items, testCount };
}

/** One broken item leaves the others as they are. */
function itemTree(content: Buffer): XmlElement | null {
  try {
    return treeOf(content);
  } catch (error) {
    if (error instanceof ImportRefused && error.reason === 'damaged') return null;
    throw error;
  }
}

/** The name in the zip of a file that an item points to; null for what lies outside the package. */
function resolve(from: string, source: string): string | null {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(source)) return null;
  const [file = ''] = source.split(/[?#]/);
  const name = path.posix.normalize(path.posix.join(path.posix.dirname(from), decode(file)));
  return name.startsWith('..') || path.posix.isAbsolute(name) ? null : name;
}

function decode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch (error) {
    if (error instanceof URIError) return text;
    throw error;
  }
}

/** Pixels of every picture in the package, by which places on it are told. */
async function sizesOf(files: ZipFiles) {
  const sizes = new Map<string, { width: number; height: number }>();
  for (const [name, content] of files) {
    if (!/\.(png|jpe?g|gif|webp)$/i.test(name)) continue;
    const { width, height } = await sharp(content, { limitInputPixels: 2 ** 28 })
      .metadata()
      // What is no picture is refused when it is brought in.
      .catch(() => ({ width: 0, height: 0 }));
    if (width && height) sizes.set(name, { width, height });
  }
  return sizes;
}
