import type { Element } from '@xmldom/xmldom';
import type { FoundSlide, Report } from './import-result.ts';
import { createPainter, drawShape, toPx } from './odp-shapes.ts';
import type { PictureBox } from './picture-box.ts';
import { createOdtWriter } from './read-odt.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, elementsIn, findXml, firstNamed, parseXml } from './xml.ts';

const svg = 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0';
const presentation = 'urn:oasis:names:tc:opendocument:xmlns:presentation:1.0';
const drawing = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';
const style = 'urn:oasis:names:tc:opendocument:xmlns:style:1.0';
const fo = 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0';

/** Groups inside groups deeper than this are no drawing. */
const deepestGroup = 20;

/**
 * The slides of an OpenDocument presentation: frames with words, tables and pictures, and drawn shapes with their words,
 * in the order in which they lie on each other. Shapes that cannot be drawn are counted; their words stay.
 */
export async function readOdp(files: ZipFiles, pictures: PictureBox, report: Report): Promise<FoundSlide[]> {
  const content = parseXml(files.get('content.xml'));
  const paintOf = createPainter([findXml(files, 'styles.xml'), content].filter((one) => one !== undefined));
  const slides: FoundSlide[] = [];
  for (const page of allNamed(content, 'page')) {
    const size = pageSize(files, page);
    const pieces = piecesOf(page);
    let html = '';
    let title = '';
    for (const piece of pieces) {
      const writer = createOdtWriter(files, content, pictures, report);
      if (piece.localName === 'frame') {
        const table = firstNamed(piece, 'table');
        const inner = table ? await writer.block(table) : await writer.frame(piece);
        if (piece.getAttributeNS(presentation, 'class') === 'title' && title === '') title = wordsOf(piece);
        html += place(piece, inner);
        continue;
      }
      const words = await Promise.all(
        elementsIn(piece)
          .filter(({ localName }) => localName === 'p' || localName === 'list')
          .map((one) => writer.block(one)),
      );
      const written = paragraphsOf(piece).length > 0 ? words.join('') : '';
      const drawn = drawShape(piece, paintOf(piece), written);
      if (drawn === null) report.add('drawings');
      html += drawn ?? (written === '' ? '' : place(piece, written));
    }
    const notes = firstNamed(page, 'notes');
    const texts = pieces.map(wordsOf).filter((text) => text !== '');
    slides.push({
      title: (title || texts[0] || page.getAttributeNS(drawing, 'name') || '').slice(0, 200),
      html: `<div style="position: relative; width: ${size.width}px; height: ${size.height}px; overflow: hidden; background-color: #ffffff">${html}</div>`,
      ...size,
      text: texts.join('\n'),
      notes: notes ? paragraphsOf(notes).join('\n') : '',
      pictureCount: pieces.filter((piece) => firstNamed(piece, 'image')).length,
    });
  }
  return slides;
}

const shapeNames =
  /^(frame|rect|ellipse|circle|line|polyline|polygon|path|connector|custom-shape|regular-polygon|measure|caption)$/;

/** Frames and shapes of a page in their order, those inside groups among them. */
function piecesOf(node: Element, depth = 0): Element[] {
  return elementsIn(node).flatMap((element) => {
    if (element.localName === 'g' && depth < deepestGroup) return piecesOf(element, depth + 1);
    return shapeNames.test(element.localName ?? '') ? [element] : [];
  });
}

/** The size of a page is that of its master's layout. */
function pageSize(files: ZipFiles, page: Element): { width: number; height: number } {
  const styles = parseXml(files.get('styles.xml'));
  const named = (kind: string, name: string | null) =>
    allNamed(styles, kind).find((one) => one.getAttributeNS(style, 'name') === name);
  const master = named('master-page', page.getAttributeNS(drawing, 'master-page-name'));
  const layout = named('page-layout', master?.getAttributeNS(style, 'page-layout-name') ?? null);
  const properties = layout && firstNamed(layout, 'page-layout-properties');
  const read = (name: string, otherwise: number) =>
    Math.round(toPx(properties?.getAttributeNS(fo, name) ?? '')) || otherwise;
  return { width: read('page-width', 1058), height: read('page-height', 595) };
}

function place(frame: Element, inner: string): string {
  const px = (name: string) => Math.round(toPx(frame.getAttributeNS(svg, name)));
  const isTitle = frame.getAttributeNS(presentation, 'class') === 'title';
  const type = isTitle ? 'font-size: 40px; font-weight: 600' : 'font-size: 24px';
  return `<div style="position: absolute; left: ${px('x')}px; top: ${px('y')}px; width: ${px('width')}px; height: ${px('height')}px; overflow: hidden; line-height: 1.25; ${type}">${inner}</div>`;
}

const paragraphsOf = (element: Element): string[] =>
  [...allNamed(element, 'p'), ...allNamed(element, 'h')]
    .map((one) => one.textContent ?? '')
    .filter((text) => text !== '');

function wordsOf(frame: Element): string {
  const alt = (firstNamed(frame, 'desc') ?? firstNamed(frame, 'title'))?.textContent ?? '';
  return [...paragraphsOf(frame), ...(firstNamed(frame, 'image') ? [alt] : [])]
    .filter((text) => text !== '')
    .join('\n');
}
