import { createCanvas } from '@napi-rs/canvas';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import type { FoundSlide } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';
import { escapeHtml } from './xml.ts';

/** Points across a slide's picture: enough for a projector. */
const pictureWidthPx = 1_600;
/** Pages wider than tall by this are slides and no text to read. Common practice, no source. */
const minSlant = 1.2;

/** Whether a PDF was made of slides: its first pages are all wider than tall. */
export async function isMadeOfSlides(document: PDFDocumentProxy): Promise<boolean> {
  for (let number = 1; number <= Math.min(10, document.numPages); number++) {
    const { width, height } = (await document.getPage(number)).getViewport({ scale: 1 });
    if (width < height * minSlant) return false;
  }
  return true;
}

/** Every page as a picture with its words, which are read aloud in the picture's place. */
export async function readPdfSlides(
  document: PDFDocumentProxy,
  pictures: PictureBox,
  onProgress: (share: number) => void,
): Promise<FoundSlide[]> {
  const slides: FoundSlide[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const lines = items
      .map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : ''))
      .join('')
      .split('\n')
      .map((line) => line.replace(/\s+/g, ' ').trim())
      .filter((line) => line !== '');
    const viewport = page.getViewport({ scale: pictureWidthPx / width });
    const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
    await page.render({
      canvas: null,
      // The library takes any canvas that draws like a browser's.
      canvasContext: canvas.getContext('2d') as unknown as CanvasRenderingContext2D,
      viewport,
    }).promise;
    const src = (await pictures.add(canvas.toBuffer('image/png'))) ?? '';
    page.cleanup();
    slides.push({
      title: (lines[0] ?? '').slice(0, 200),
      html: `<img src="${src}" alt="${escapeHtml(lines.join(' '))}" style="position: absolute; left: 0px; top: 0px; width: 100%; height: 100%">`,
      width: Math.round(width),
      height: Math.round(height),
      text: lines.join('\n'),
      notes: '',
      pictureCount: 0,
    });
    onProgress(number / document.numPages);
  }
  return slides;
}
