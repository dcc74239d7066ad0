import { readFile } from 'node:fs/promises';
import { slideLengthMs } from '@semita/core/deck';
import { DomUtils, parseDocument } from 'htmlparser2';
import { cleanSlide } from './clean-slide.ts';
import { drawChart } from './draw-chart.ts';
import {
  createReport,
  type FoundSlide,
  type ImportedDeck,
  ImportRefused,
  type RawSlide,
  type Report,
} from './import-result.ts';
import { createPictureBox, type PictureBox } from './picture-box.ts';
import type { PlacedChart } from './pptx-charts.ts';
import type { SlideWords } from './read-pptx-words.ts';
import { unpackSafely, type ZipFiles } from './safe-zip.ts';
import type { DeckFormat } from './sniff-format.ts';
import { escapeHtml } from './xml.ts';

const largestDeckBytes = 200 * 1024 ** 2;
const maxSlides = 400;

/** Whom the importer tells how far it is. */
export interface DeckListener {
  readonly onProgress: (share: number) => void;
  /** The slides with their words and without their looks, where those come later. */
  readonly onWords: (slides: readonly RawSlide[]) => void;
}

interface Source extends DeckListener {
  readonly bytes: Buffer;
  readonly pictures: PictureBox;
  readonly report: Report;
}

const readers: Readonly<Record<DeckFormat | 'pdf', (source: Source) => Promise<FoundSlide[]>>> = {
  pptx: readPptx,
  pdf: async ({ bytes, pictures, onProgress }) => {
    const { openPdf } = await import('./read-pdf.ts');
    const { readPdfSlides } = await import('./read-pdf-slides.ts');
    const document = await openPdf(bytes);
    if (document.numPages > maxSlides) throw new ImportRefused('tooManyPages');
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
  listener: DeckListener,
): Promise<ImportedDeck> {
  const bytes = await readFile(file);
  if (bytes.length > largestDeckBytes) throw new ImportRefused('tooMuchInside');
  const report = createReport();
  const pictures = createPictureBox(outDir, report);
  const slides = await readers[format]({ bytes, pictures, report, ...listener });
  if (slides.length === 0) throw new ImportRefused('noText');
  if (slides.length > maxSlides) throw new ImportRefused('tooManyPages');
  return {
    kind: 'deck',
    slides: slides.map((slide) => toRaw(slide, report)),
    pictures: pictures.list(),
    leftOut: report.list(),
  };
}

function toRaw({ pictureCount, ...slide }: FoundSlide, report: Report): RawSlide {
  return { ...slide, html: cleanSlide(slide.html, report), lengthMs: slideLengthMs(slide.text, pictureCount) };
}

async function readPptx({ bytes, pictures, report, onProgress, onWords }: Source): Promise<FoundSlide[]> {
  const { readPptxWords } = await import('./read-pptx-words.ts');
  const { unreadablePictures, withDiagramsDrawn } = await import('./pptx-diagrams.ts');
  const unpacked = await unpackSafely(bytes);
  if (!unpacked.has('ppt/presentation.xml')) throw new ImportRefused('damaged');
  const { files, wordsOnlyCount } = withDiagramsDrawn(unpacked);
  report.add('diagrams', wordsOnlyCount);
  if ([...files.keys()].some((name) => name.endsWith('vbaProject.bin'))) report.add('macros');
  report.add('films', [...files.keys()].filter((name) => /^ppt\/media\/.+\.(mp4|mov|wmv|avi|m4v)$/i.test(name)).length);
  const { size, slides: words } = readPptxWords(files);
  const shown = words.flatMap((of, index) => (of.isHidden ? [] : [{ of, index }]));
  report.add('hiddenSlides', words.length - shown.length);
  report.add(
    'picturesUnreadable',
    shown.reduce((sum, { of }) => sum + unreadablePictures(files, of.part), 0),
  );
  report.add('charts', shown.flatMap(({ of }) => of.charts).filter(({ chart }) => chart === null).length);
  // How long a slide takes is said of its words alone, so that it stays as it is when the drawing comes.
  const found = shown.map(({ of: { title, text, notes, alts } }): FoundSlide => {
    return { title, text, notes, ...size, html: wordsOnly(title, text), pictureCount: alts.length };
  });
  onWords(found.map((slide) => toRaw(slide, createReport())));
  const { drawPptx } = await import('./draw-pptx.ts');
  const drawn = await drawPptx(withoutCharts(files, words), onProgress).catch((error: unknown) => {
    throw new ImportRefused('damaged', error);
  });
  const slides: FoundSlide[] = [];
  for (const [place, { of, index }] of shown.entries()) {
    const { html = '', ...drawnSize } = drawn.slides[index] ?? {};
    const withPictures = await takeSlidePictures(html, of.alts, pictures, drawn.findPicture);
    slides.push({ ...(found[place] as FoundSlide), ...drawnSize, html: withCharts(withPictures, of.charts) });
  }
  return slides;
}

const chartFrame = /<p:graphicFrame\b(?:(?!<\/p:graphicFrame>)[\s\S])*?<c:chart\b[\s\S]*?<\/p:graphicFrame>/g;

/** Without the charts that we draw ourselves: of those the library draws the legends, and nothing else. */
function withoutCharts(files: ZipFiles, slides: readonly SlideWords[]): ZipFiles {
  const ours = slides.filter(({ charts }) => charts.length > 0 && charts.every(({ chart }) => chart !== null));
  const parts = new Set(ours.map(({ part }) => part));
  return new Map(
    [...files].map(([name, content]) => [
      name,
      parts.has(name) ? Buffer.from(content.toString('utf8').replace(chartFrame, '')) : content,
    ]),
  );
}

/** Charts lie on the drawing: the library leaves their places empty. */
function withCharts(html: string, charts: readonly PlacedChart[]): string {
  const drawn = charts.flatMap((placed) => (placed.chart ? [drawChart(placed, placed.chart)] : []));
  return drawn.length === 0 ? html : `${html}${drawn.join('')}`;
}

/** How a slide is shown until it is drawn: its words, one below the other. */
function wordsOnly(title: string, text: string): string {
  const lines = text.split('\n').filter((line) => line !== title);
  const rest = lines.map((line) => `<p style="margin: 0 0 12px 0">${escapeHtml(line)}</p>`).join('');
  return `<div style="padding: 48px; font-size: 26px"><p style="margin: 0 0 24px 0; font-size: 40px; font-weight: 700">${escapeHtml(title)}</p>${rest}</div>`;
}

/** Bullets from fonts of symbols stand in the private area of Unicode, where no other font has anything. */
const symbolFontLetters = /[\uE000-\uF8FF]/g;

/** Puts the pictures of a drawing into the box, with the words that the deck has for them. */
async function takeSlidePictures(
  html: string,
  alts: readonly string[],
  pictures: PictureBox,
  findPicture: (address: string) => Promise<Buffer | undefined>,
): Promise<string> {
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
  return DomUtils.getInnerHTML(document, { xmlMode: false, encodeEntities: 'utf8' });
}
