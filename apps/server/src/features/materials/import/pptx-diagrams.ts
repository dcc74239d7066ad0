import { relationships, relationsOf } from './pptx-parts.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, escapeHtml, findXml, parseXml } from './xml.ts';

/** A deck whose diagrams are shapes like others, and how many could be kept by their words only. */
export interface WithDiagrams {
  readonly files: ZipFiles;
  readonly wordsOnlyCount: number;
}

const frames = /<p:graphicFrame\b(?:(?!<\/p:graphicFrame>)[\s\S])*?<dgm:relIds\b[\s\S]*?<\/p:graphicFrame>/g;

/**
 * Puts the shapes of diagrams into the slides. A slide only points at a diagram's data, which says nothing of how it
 * looks; beside it lies a drawing of shapes that the writing program made for readers that cannot lay it out
 * ([MS-ODRAWXML] 2.2, from memory). Where there is none, its words stand in its place, one below the other.
 */
export function withDiagramsDrawn(files: ZipFiles): WithDiagrams {
  let wordsOnlyCount = 0;
  const drawn = [...files].map(([name, content]): [string, Buffer] => {
    if (!/^ppt\/slides\/[^/]+\.xml$/.test(name) || !content.includes('dgm:relIds')) return [name, content];
    const text = content.toString('utf8').replace(frames, (frame) => {
      const shapes = shapesOf(files, name, frame);
      if (shapes !== null) return shapes;
      wordsOnlyCount++;
      return wordsIn(files, name, frame);
    });
    return [name, Buffer.from(text)];
  });
  return { files: new Map(drawn), wordsOnlyCount };
}

/** The diagram's data, as the frame points at it. */
function dataOf(files: ZipFiles, slide: string, frame: string) {
  const id = /\br:dm="([^"]+)"/.exec(frame)?.[1] ?? '';
  const part = relationsOf(files, slide).get(id)?.part;
  return part === undefined ? undefined : findXml(files, part);
}

/** Where the frame stands, in English Metric Units, as it is written. */
function placeOf(frame: string) {
  const off = /<a:off\b[^<>]*\/>/.exec(frame)?.[0];
  const ext = /<a:ext\b[^<>]*\bcx="\d{1,12}"[^<>]*\/>/.exec(frame)?.[0];
  return off && ext ? { off, ext } : null;
}

const headOf = (frame: string) =>
  /<p:cNvPr\b[^<>]*>/.exec(frame)?.[0].replace(/\/?>$/, '/>') ?? '<p:cNvPr id="1" name=""/>';

/** A group in the frame's place with the shapes of the drawing; null where there is none. */
function shapesOf(files: ZipFiles, slide: string, frame: string): string | null {
  const data = dataOf(files, slide, frame);
  const id = data && allNamed(data, 'dataModelExt')[0]?.getAttribute('relId');
  const part = id ? relationsOf(files, slide).get(id)?.part : undefined;
  const drawing = part === undefined ? undefined : files.get(part)?.toString('utf8');
  const place = placeOf(frame);
  const shapes = drawing?.match(/<dsp:sp\b[\s\S]*?<\/dsp:sp>/g);
  if (!shapes || !place) return null;
  const own = shapes.map((shape) =>
    shape
      .replace(/<dsp:txXfrm\b[\s\S]*?<\/dsp:txXfrm>/g, '')
      // Its pictures are pointed at from the drawing, not from the slide.
      .replace(/<a:blipFill\b[\s\S]*?<\/a:blipFill>/g, '<a:noFill/>')
      .replace(/<(\/?)dsp:/g, '<$1p:')
      .replace(/<p:cNvSpPr\/><\/p:nvSpPr>/g, '<p:cNvSpPr/><p:nvPr/></p:nvSpPr>'),
  );
  const child = place.ext.replace('<a:ext', '<a:chExt');
  return `<p:grpSp><p:nvGrpSpPr>${headOf(frame)}<p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr><p:grpSpPr><a:xfrm>${place.off}${place.ext}<a:chOff x="0" y="0"/>${child}</a:xfrm></p:grpSpPr>${own.join('')}</p:grpSp>`;
}

/** The words of the data in a box of the frame's size. */
function wordsIn(files: ZipFiles, slide: string, frame: string): string {
  const data = dataOf(files, slide, frame);
  const place = placeOf(frame);
  const lines = (data ? allNamed(data, 'p') : []).map((paragraph) =>
    allNamed(paragraph, 't')
      .map((run) => run.textContent ?? '')
      .join('')
      .trim(),
  );
  const words = lines.filter((line) => line !== '');
  if (!place || words.length === 0) return '';
  const paragraphs = words.map(
    (line) => `<a:p><a:r><a:rPr lang="en" sz="1800"/><a:t>${escapeHtml(line)}</a:t></a:r></a:p>`,
  );
  return `<p:sp><p:nvSpPr>${headOf(frame)}<p:cNvSpPr txBox="1"/><p:nvPr/></p:nvSpPr><p:spPr><a:xfrm>${place.off}${place.ext}</a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></p:spPr><p:txBody><a:bodyPr wrap="square"/><a:lstStyle/>${paragraphs.join('')}</p:txBody></p:sp>`;
}

/** Pictures of old Windows kinds that a slide shows and no browser can. */
export function unreadablePictures(files: ZipFiles, slide: string): number {
  const shown = parseXml(files.get(slide));
  const relations = relationsOf(files, slide);
  return allNamed(shown, 'blip').filter((blip) =>
    /\.(emf|wmf|emz|wmz)$/i.test(relations.get(blip.getAttributeNS(relationships, 'embed') ?? '')?.part ?? ''),
  ).length;
}
