import path from 'node:path';
import type { Document, Element } from '@xmldom/xmldom';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, findXml, parseXml } from './xml.ts';

/** What a slide says, read from its own XML (ECMA-376, PresentationML). */
export interface SlideWords {
  readonly title: string;
  readonly text: string;
  readonly notes: string;
  readonly isHidden: boolean;
  /** Words for its pictures, in their order; empty where there are none. */
  readonly alts: readonly string[];
}

const relationships = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

/** English Metric Units in a point of CSS: 914,400 an inch, 96 points an inch (ECMA-376-1, 20.1.2.1). */
const emuPerPx = 9_525;

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
  const title = titleShape ? paragraphsOf(titleShape).join(' ') : (texts[0] ?? '');
  return {
    title: title.slice(0, 200),
    text: [...texts, ...alts].filter((text) => text !== '').join('\n'),
    notes: notesOf(files, part),
    isHidden: slide.documentElement?.getAttribute('show') === '0',
    alts,
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

/** The parts that a part points at, by id. */
function relationsOf(files: ZipFiles, part: string): Map<string, { type: string; part: string }> {
  const folder = path.posix.dirname(part);
  const file = findXml(files, path.posix.join(folder, '_rels', `${path.posix.basename(part)}.rels`));
  const relations = file ? allNamed(file, 'Relationship') : [];
  return new Map(
    relations.map((relation) => {
      const target = relation.getAttribute('Target') ?? '';
      const absolute = target.startsWith('/') ? target.slice(1) : path.posix.join(folder, target);
      return [
        relation.getAttribute('Id') ?? '',
        { type: (relation.getAttribute('Type') ?? '').split('/').pop() ?? '', part: absolute },
      ];
    }),
  );
}
