import { readFile } from 'node:fs/promises';
import { DomUtils, parseDocument } from 'htmlparser2';
import { cleanSlide } from './clean-slide.ts';
import { createReport, type ImportedDeck, ImportRefused, type RawSlide, type Report } from './import-result.ts';
import { createPictureBox, type PictureBox } from './picture-box.ts';
import { unpackSafely } from './safe-zip.ts';
import type { DeckFormat } from './sniff-format.ts';

const largestDeckBytes = 200 * 1024 ** 2;
const mostSlides = 400;

interface Source {
  readonly bytes: Buffer;
  readonly pictures: PictureBox;
  readonly report: Report;
  readonly onProgress: (share: number) => void;
}

const readers: Readonly<Record<DeckFormat | 'pdf', (source: Source) => Promise<RawSlide[]>>> = {
  pptx: readPptx,
  pdf: async ({ bytes, pictures, onProgress }) => {
    const { openPdf } = await import('./read-pdf.ts');
    const { readPdfSlides } = await import('./read-pdf-slides.ts');
    const document = await openPdf(bytes);
    if (document.numPages > mostSlides) throw new ImportRefused('tooManyPages');
    return readPdfSlides(document, pictures, onProgress);
  },
  odp: async ({ bytes, pictures, report }) => {
    const { readOdp } = await import('./read-odp.ts');
    return readOdp(await unpackSafely(bytes), pictures, report);
  },
};

/**
 * Reads a deck of any format into slides that look as they did, with their words as words.
 * @throws ImportRefused with the reason a teacher is told
 */
export async function importDeck(
  file: string,
  format: DeckFormat | 'pdf',
  outDir: string,
  onProgress: (share: number) => void,
): Promise<ImportedDeck> {
  const bytes = await readFile(file);
  if (bytes.length > largestDeckBytes) throw new ImportRefused('tooMuchInside');
  const report = createReport();
  const pictures = createPictureBox(outDir, report);
  const slides = await readers[format]({ bytes, pictures, report, onProgress });
  if (slides.length === 0) throw new ImportRefused('noText');
  if (slides.length > mostSlides) throw new ImportRefused('tooManyPages');
  const cleaned = slides.map((slide) => ({ ...slide, html: cleanSlide(slide.html, report) }));
  return { kind: 'deck', slides: cleaned, pictures: pictures.list(), leftOut: report.list() };
}

async function readPptx({ bytes, pictures, report, onProgress }: Source): Promise<RawSlide[]> {
  const { drawPptx } = await import('./draw-pptx.ts');
  const { readPptxWords } = await import('./read-pptx-words.ts');
  const files = await unpackSafely(bytes);
  if (!files.has('ppt/presentation.xml')) throw new ImportRefused('damaged');
  if ([...files.keys()].some((name) => name.endsWith('vbaProject.bin'))) report.add('macros');
  report.add('charts', [...files.keys()].filter((name) => /^ppt\/charts\/chart\d+\.xml$/.test(name)).length);
  report.add('films', [...files.keys()].filter((name) => /^ppt\/media\/.+\.(mp4|mov|wmv|avi|m4v)$/i.test(name)).length);
  const words = readPptxWords(files);
  const drawn = await drawPptx(files, onProgress).catch((error: unknown) => {
    throw new ImportRefused('damaged', error);
  });
  const slides: RawSlide[] = [];
  for (const [index, { html, width, height }] of drawn.slides.entries()) {
    const { title = '', text = '', notes = '', isHidden = false, alts = [] } = words[index] ?? {};
    if (isHidden) {
      report.add('hiddenSlides');
      continue;
    }
    const placed = await takeSlidePictures(html, alts, pictures, drawn.findPicture);
    slides.push({ title, text, notes, width, height, html: placed.html, pictureCount: placed.count });
  }
  return slides;
}

/** Bullets from fonts of symbols stand in the private area of Unicode, where no other font has anything. */
const symbolFontLetters = /[\uE000-\uF8FF]/g;

/** Puts the pictures of a drawing into the box, with the words that the deck has for them. */
async function takeSlidePictures(
  html: string,
  alts: readonly string[],
  pictures: PictureBox,
  findPicture: (address: string) => Promise<Buffer | undefined>,
): Promise<{ html: string; count: number }> {
  const document = parseDocument(html.replace(symbolFontLetters, '•'), {
    lowerCaseTags: false,
    lowerCaseAttributeNames: false,
  });
  const images = DomUtils.findAll((node) => node.name === 'img' || node.name === 'image', document.children);
  for (const [index, image] of images.entries()) {
    const name = image.name === 'img' ? 'src' : 'href';
    const bytes = await findPicture(image.attribs[name] ?? image.attribs['xlink:href'] ?? '');
    const source = bytes && (await pictures.add(bytes));
    image.attribs[name] = source ?? '';
    if (image.name === 'img') image.attribs.alt = alts[index] ?? '';
  }
  return { html: DomUtils.getInnerHTML(document, { xmlMode: false, encodeEntities: 'utf8' }), count: images.length };
}
