import { createRequire } from 'node:module';
import path from 'node:path';
import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';
import { getDocument, OPS, Util } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { ImportRefused, type Report } from './import-result.ts';
import { bodyHeightOf, htmlOfLines } from './pdf-blocks.ts';
import { linesOf, type PdfLine, type PdfPiece, withoutRunningTitles } from './pdf-lines.ts';
import { htmlOfTags, type PagePicture } from './pdf-tags.ts';
import type { PictureBox } from './picture-box.ts';

/** A book of more pages than this is no reading; the teacher takes the part they need. */
const maxPages = 800;
const maxPicturePixels = 16_777_216;

/** Folder of the library, which reads its own tables of old encodings and standard letters from there. */
const library = path.dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'));

/**
 * A PDF as HTML: by its tags where it has them, else by where its words stand.
 * @throws ImportRefused passwordProtected, damaged, tooManyPages
 */
export async function readPdf(
  bytes: Buffer,
  pictures: PictureBox,
  report: Report,
  onProgress: (share: number) => void,
): Promise<string> {
  const document = await openPdf(bytes);
  if (document.numPages > maxPages) throw new ImportRefused('tooManyPages');
  const pages: Page[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    pages.push(await readPage(page, pictures, report));
    page.cleanup();
    onProgress(number / document.numPages);
  }
  await document.destroy();
  const bodyHeight = bodyHeightOf(pages.flatMap((page) => page.lines));
  const lines = withoutRunningTitles(pages);
  return joinPages(pages, lines, bodyHeight);
}

/** @throws ImportRefused passwordProtected, damaged */
export async function openPdf(bytes: Buffer): Promise<PDFDocumentProxy> {
  try {
    return await getDocument({
      data: new Uint8Array(bytes),
      cMapUrl: `${library}/cmaps/`,
      cMapPacked: true,
      standardFontDataUrl: `${library}/standard_fonts/`,
      wasmUrl: `${library}/wasm/`,
      isEvalSupported: false,
      maxImageSize: maxPicturePixels,
      verbosity: 0,
    }).promise;
  } catch (error) {
    throw new ImportRefused(
      error instanceof Error && error.name === 'PasswordException' ? 'passwordProtected' : 'damaged',
      error,
    );
  }
}

interface Page {
  readonly height: number;
  readonly lines: readonly PdfLine[];
  /** The whole page as HTML where its tags say what is what. */
  readonly tagged: string | null;
  readonly pictures: readonly PagePicture[];
}

async function readPage(page: PDFPageProxy, box: PictureBox, report: Report): Promise<Page> {
  const viewport = page.getViewport({ scale: 1 });
  const { items } = await page.getTextContent();
  const pictures = await takePagePictures(page, viewport.transform, box);
  const isBold = (fontName: string): boolean =>
    page.commonObjs.has(fontName) && /bold|black|heavy/i.test(page.commonObjs.get(fontName)?.name ?? '');
  const pieces = items.flatMap((item): PdfPiece[] => {
    if (!('str' in item) || item.str.trim() === '') return [];
    const [a, b, c, d, x, y] = Util.transform(viewport.transform, item.transform) as number[];
    // Words set at an angle are stamps and labels of diagrams.
    if (Math.abs(b ?? 0) > 0.01 * Math.abs(a ?? 1)) return [];
    const height = Math.hypot(c ?? 0, d ?? 0);
    return [{ text: item.str, x: x ?? 0, y: y ?? 0, width: item.width, height, isBold: isBold(item.fontName) }];
  });
  if (pieces.length === 0 && pictures.length > 0) report.add('pagesWithoutText');
  const tagged = await htmlOfTags(page, pictures);
  return { height: viewport.height, lines: linesOf(pieces, viewport.width), tagged, pictures };
}

/** Pages in order; between words by place, pictures stand where they stood. */
function joinPages(pages: readonly Page[], linesByPage: readonly PdfLine[][], bodyHeight: number): string {
  let html = '';
  let run: PdfLine[] = [];
  const closeRun = () => {
    html += htmlOfLines(run, bodyHeight);
    run = [];
  };
  for (const [index, page] of pages.entries()) {
    if (page.tagged !== null) {
      closeRun();
      html += page.tagged;
      continue;
    }
    const pictures = page.pictures.toSorted((a, b) => a.y - b.y);
    for (const line of linesByPage[index] ?? []) {
      while (pictures[0] && pictures[0].y <= line.y) {
        closeRun();
        html += `<p><img src="${pictures.shift()?.src}" alt=""></p>`;
      }
      run.push(line);
    }
    for (const picture of pictures) {
      closeRun();
      html += `<p><img src="${picture.src}" alt=""></p>`;
    }
  }
  closeRun();
  return html;
}

/** What the library gives of a picture: its points, one, three or four bytes each, or one bit. */
interface PdfImage {
  readonly width: number;
  readonly height: number;
  readonly kind?: number;
  readonly data?: Uint8Array | Uint8ClampedArray;
}

async function takePagePictures(page: PDFPageProxy, toPage: number[], box: PictureBox) {
  const { fnArray, argsArray } = await page.getOperatorList();
  const pictures: { src: string; y: number }[] = [];
  const stack: number[][] = [];
  let matrix = toPage;
  for (const [index, operator] of fnArray.entries()) {
    const args = argsArray[index];
    if (operator === OPS.save) stack.push(matrix);
    else if (operator === OPS.restore) matrix = stack.pop() ?? toPage;
    else if (operator === OPS.transform) matrix = Util.transform(matrix, args as number[]);
    else if (operator === OPS.paintImageXObject || operator === OPS.paintInlineImageXObject) {
      const png = await toPng(await findImage(page, args[0]));
      const src = png && (await box.add(png));
      if (src) pictures.push({ src, y: Math.min(matrix[5] ?? 0, (matrix[5] ?? 0) + (matrix[3] ?? 0)) });
    }
  }
  return pictures;
}

function findImage(page: PDFPageProxy, named: string | PdfImage): Promise<PdfImage | null> | PdfImage {
  if (typeof named !== 'string') return named;
  const objects = named.startsWith('g_') ? page.commonObjs : page.objs;
  return new Promise((resolve) => objects.get(named, (image: PdfImage | null) => resolve(image)));
}

async function toPng(image: PdfImage | null): Promise<Buffer | null> {
  if (!image?.data) return null;
  const { width, height, data } = image;
  const channels = data.length / (width * height);
  if (channels !== 1 && channels !== 3 && channels !== 4) return oneBitToPng(image);
  return sharp(data, { raw: { width, height, channels } }).png({ compressionLevel: 1 }).toBuffer();
}

/** Black and white, eight points a byte, each row from a new byte (ISO 32000-1, 8.9.5). */
async function oneBitToPng({ width, height, data }: PdfImage): Promise<Buffer | null> {
  const rowBytes = Math.ceil(width / 8);
  if (data?.length !== rowBytes * height) return null;
  const points = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const byte = data[y * rowBytes + (x >> 3)] ?? 0;
      points[y * width + x] = byte & (128 >> (x & 7)) ? 255 : 0;
    }
  return sharp(points, { raw: { width, height, channels: 1 } })
    .png({ compressionLevel: 1 })
    .toBuffer();
}
