import type { Element } from '@xmldom/xmldom';
import type { FoundSlide, Report } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';
import { createOdtWriter } from './read-odt.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, elementsIn, firstNamed, parseXml } from './xml.ts';

const svg = 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0';
const presentation = 'urn:oasis:names:tc:opendocument:xmlns:presentation:1.0';
const drawing = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';
const style = 'urn:oasis:names:tc:opendocument:xmlns:style:1.0';
const fo = 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0';

/** CSS points per centimetre, at 96 to the inch. */
const pxPerCm = 96 / 2.54;

/**
 * The slides of an OpenDocument presentation: frames with words, tables and pictures at their places. Drawn shapes are
 * left out and counted.
 */
export async function readOdp(files: ZipFiles, pictures: PictureBox, report: Report): Promise<FoundSlide[]> {
  const content = parseXml(files.get('content.xml'));
  const slides: FoundSlide[] = [];
  for (const page of allNamed(content, 'page')) {
    const size = pageSize(files, page);
    const frames = elementsIn(page).filter((element) => element.localName === 'frame');
    report.add(
      'drawings',
      elementsIn(page).filter((one) => /shape|rect|ellipse|path|line$|^g$/.test(one.localName ?? '')).length,
    );
    let html = '';
    let title = '';
    for (const frame of frames) {
      const writer = createOdtWriter(files, content, pictures, report);
      const table = firstNamed(frame, 'table');
      const inner = table ? await writer.block(table) : await writer.frame(frame);
      if (frame.getAttributeNS(presentation, 'class') === 'title' && title === '') title = wordsOf(frame);
      html += place(frame, inner);
    }
    const notes = firstNamed(page, 'notes');
    const texts = frames.map(wordsOf).filter((text) => text !== '');
    slides.push({
      title: (title || texts[0] || page.getAttributeNS(drawing, 'name') || '').slice(0, 200),
      html: `<div style="position: relative; width: ${size.width}px; height: ${size.height}px; overflow: hidden; background-color: #ffffff">${html}</div>`,
      ...size,
      text: texts.join('\n'),
      notes: notes ? paragraphsOf(notes).join('\n') : '',
      pictureCount: frames.filter((frame) => firstNamed(frame, 'image')).length,
    });
  }
  return slides;
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
    Math.round(toCm(properties?.getAttributeNS(fo, name) ?? '') * pxPerCm) || otherwise;
  return { width: read('page-width', 1058), height: read('page-height', 595) };
}

/** Lengths as ODF writes them (ODF 1.3 part 3, 18.3.18): a number and a unit. */
function toCm(length: string): number {
  const [, value = '0', unit = 'cm'] = /^([\d.-]+)(cm|mm|in|pt)?$/.exec(length) ?? [];
  return Number(value) * { cm: 1, mm: 0.1, in: 2.54, pt: 2.54 / 72 }[unit as 'cm'];
}

function place(frame: Element, inner: string): string {
  const px = (name: string) => Math.round(toCm(frame.getAttributeNS(svg, name) ?? '') * pxPerCm);
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
