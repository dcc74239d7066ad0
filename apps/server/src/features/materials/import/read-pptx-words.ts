import type { Document, Element } from '@xmldom/xmldom';
import { chartsOf, chartWords, type PlacedChart } from './pptx-charts.ts';
import { emuPerPx, relationships, relationsOf } from './pptx-parts.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, findXml, parseXml } from './xml.ts';

/** What a slide says, read from its own XML (ECMA-376, PresentationML). */
export interface SlideWords {
  /** Where in the file it stands. */
  readonly part: string;
  readonly title: string;
  readonly text: string;
  readonly notes: string;
  readonly isHidden: boolean;
  /** Words for its pictures, in their order; empty where there are none. */
  readonly alts: readonly string[];
  readonly charts: readonly PlacedChart[];
}

/** The size of the slides and the words of each, in the order of the deck. */
export function readPptxWords(files: ZipFiles): {
  readonly size: { readonly width: number; readonly height: number };
  readonly slides: readonly SlideWords[];
} {
  const main = 'ppt/presentation.xml';
  const presentation = parseXml(files.get(main));
  const parts = relationsOf(files, main);
  const sizeOf = (name: string, otherwise: number) =>
    Math.round(Number(allNamed(presentation, 'sldSz')[0]?.getAttribute(name) ?? otherwise) / emuPerPx);
  const slides = allNamed(presentation, 'sldId').flatMap((id): SlideWords[] => {
    const part = parts.get(id.getAttributeNS(relationships, 'id') ?? '')?.part;
    const slide = part === undefined ? undefined : findXml(files, part);
    return slide && part !== undefined ? [readSlide(files, part, slide)] : [];
  });
  return { size: { width: sizeOf('cx', 9_144_000), height: sizeOf('cy', 6_858_000) }, slides };
}

function readSlide(files: ZipFiles, part: string, slide: Document): SlideWords {
  const shapes = allNamed(slide, 'sp');
  const titleShape = shapes.find((shape) => /title/i.test(placeholderOf(shape)));
  const texts = [
    ...(titleShape ? paragraphsOf(titleShape) : []),
    ...shapes.filter((shape) => shape !== titleShape).flatMap(paragraphsOf),
    ...allNamed(slide, 'tbl').flatMap(paragraphsOf),
  ];
  const alts = allNamed(slide, 'pic').map((picture) => allNamed(picture, 'cNvPr')[0]?.getAttribute('descr') ?? '');
  const charts = chartsOf(files, part, slide);
  const title = titleShape ? paragraphsOf(titleShape).join(' ') : (texts[0] ?? '');
  return {
    part,
    title: title.slice(0, 200),
    text: [...texts, ...alts, ...charts.flatMap(chartWords)].filter((text) => text !== '').join('\n'),
    notes: notesOf(files, part),
    isHidden: slide.documentElement?.getAttribute('show') === '0',
    alts,
    charts,
  };
}

/** What stands on a page of notes besides them: the slide's picture, running titles, numbers. */
const besideNotes = new Set(['sldImg', 'hdr', 'ftr', 'dt', 'sldNum']);

function notesOf(files: ZipFiles, part: string): string {
  const notes = [...relationsOf(files, part).values()].find((relation) => relation.type === 'notesSlide');
  const document = notes && findXml(files, notes.part);
  const shapes = document ? allNamed(document, 'sp') : [];
  return shapes
    .filter((shape) => !besideNotes.has(placeholderOf(shape)))
    .flatMap(paragraphsOf)
    .join('\n');
}

const placeholderOf = (shape: Element): string => allNamed(shape, 'ph')[0]?.getAttribute('type') ?? '';

const paragraphsOf = (element: Element): string[] =>
  allNamed(element, 'p')
    .filter((paragraph) => paragraph.namespaceURI?.includes('drawingml'))
    .map((paragraph) =>
      allNamed(paragraph, 't')
        .map((run) => run.textContent)
        .join(''),
    )
    .filter((text) => text.trim() !== '');
