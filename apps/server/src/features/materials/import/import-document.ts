import { readFile } from 'node:fs/promises';
import { readingLevel } from '@semita/core/level';
import type { BlockKind } from '@semita/core/script';
import { decodeText } from '@semita/core/text';
import { cleanHtml } from './clean-html.ts';
import { createReport, type ImportedReading, ImportRefused, type Report } from './import-result.ts';
import { createPictureBox, type PictureBox } from './picture-box.ts';
import { takePictures } from './read-html.ts';
import { unpackSafely } from './safe-zip.ts';
import type { DocumentFormat } from './sniff-format.ts';
import { splitBlocks } from './split-blocks.ts';

/** A document may weigh this much; text files less, since all of one is words. */
const largestDocumentBytes = 200 * 1024 ** 2;
const largestTextBytes = 20 * 1024 ** 2;

interface Source {
  readonly bytes: Buffer;
  readonly pictures: PictureBox;
  readonly report: Report;
  readonly onProgress: (share: number) => void;
}

/** Each loads its library only when it is needed: the process lives for one document. */
const readers: Readonly<Record<DocumentFormat, (source: Source) => Promise<string> | string>> = {
  docx: async ({ bytes, pictures, report }) => {
    const { readDocx } = await import('./read-docx.ts');
    return readDocx(await unpackSafely(bytes), pictures, report);
  },
  odt: async ({ bytes, pictures, report }) => {
    const { readOdt } = await import('./read-odt.ts');
    return readOdt(await unpackSafely(bytes), pictures, report);
  },
  epub: async ({ bytes, pictures, report }) => {
    const { readEpub } = await import('./read-epub.ts');
    return readEpub(await unpackSafely(bytes), pictures, report);
  },
  pdf: async ({ bytes, pictures, report, onProgress }) => {
    const { readPdf } = await import('./read-pdf.ts');
    return readPdf(bytes, pictures, report, onProgress);
  },
  html: ({ bytes, pictures, report }) => takePictures(decodeText(bytes), pictures, report),
  markdown: async ({ bytes, pictures, report }) => {
    const { readMarkdown } = await import('./read-plain.ts');
    return takePictures(readMarkdown(decodeText(bytes)), pictures, report);
  },
  text: async ({ bytes }) => (await import('./read-plain.ts')).readPlainText(decodeText(bytes)),
};

/** Blocks that hold sentences. */
const runningText: ReadonlySet<BlockKind> = new Set(['paragraph', 'list', 'quote']);

const textFormats: ReadonlySet<DocumentFormat> = new Set(['html', 'markdown', 'text']);

/**
 * Reads a document of any format into the blocks of a reading.
 * @param outDir where its pictures are written
 * @param onProgress told a share from 0 to 1
 * @throws ImportRefused with the reason a teacher is told
 */
export async function importDocument(
  file: string,
  format: DocumentFormat,
  outDir: string,
  onProgress: (share: number) => void,
): Promise<ImportedReading> {
  const bytes = await readFile(file);
  if (bytes.length === 0) throw new ImportRefused('fileEmpty');
  const largest = textFormats.has(format) ? largestTextBytes : largestDocumentBytes;
  if (bytes.length > largest) throw new ImportRefused('tooMuchInside');
  const report = createReport();
  const pictures = createPictureBox(outDir, report);
  const html = cleanHtml(await readers[format]({ bytes, pictures, report, onProgress }), report);
  const blocks = splitBlocks(html);
  if (blocks.length === 0) throw new ImportRefused('noText');
  const title = blocks.find((block) => block.kind === 'heading')?.text.slice(0, 200) ?? null;
  const shown = pictures.list().filter((picture) => html.includes(`"picture:${picture.name}"`));
  const sentences = blocks.filter((block) => runningText.has(block.kind)).map((block) => block.text);
  return { kind: 'document', title, level: readingLevel(sentences), blocks, pictures: shown, leftOut: report.list() };
}
