import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, describe, expect, test } from 'vitest';
import { importDeck } from './import-deck.ts';

const deck = new URL('../../../../../../demo/documents/paper-bridge.pptx', import.meta.url).pathname;
const folder = mkdtempSync(path.join(os.tmpdir(), 'semita-diagrams-'));
afterAll(() => rmSync(folder, { recursive: true }));

const office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const diagramNs = 'http://schemas.openxmlformats.org/drawingml/2006/diagram';
const drawingNs = 'http://schemas.microsoft.com/office/drawing/2008/diagram';
const main = 'http://schemas.openxmlformats.org/drawingml/2006/main';

/** As programs write them: a frame that points at the data, and a drawing beside it (from memory). */
const frame = `<p:graphicFrame xmlns:dgm="${diagramNs}"><p:nvGraphicFramePr><p:cNvPr id="90" name="Diagram 1"/><p:cNvGraphicFramePr/><p:nvPr/></p:nvGraphicFramePr><p:xfrm><a:off x="914400" y="914400"/><a:ext cx="4572000" cy="2743200"/></p:xfrm><a:graphic><a:graphicData uri="${diagramNs}"><dgm:relIds r:dm="rId91" r:lo="rId92" r:qs="rId93" r:cs="rId94"/></a:graphicData></a:graphic></p:graphicFrame>`;
const words = ['Plan a bridge', 'Build a bridge'];
const data = (extension: string) =>
  `<dgm:dataModel xmlns:dgm="${diagramNs}" xmlns:a="${main}"><dgm:ptLst>${words.map((text, index) => `<dgm:pt modelId="${index}"><dgm:t><a:bodyPr/><a:p><a:r><a:t>${text}</a:t></a:r></a:p></dgm:t></dgm:pt>`).join('')}</dgm:ptLst>${extension}</dgm:dataModel>`;
const extension = `<dgm:extLst><a:ext uri="x"><dsp:dataModelExt xmlns:dsp="${drawingNs}" relId="rId95"/></a:ext></dgm:extLst>`;
const shape = (text: string, x: number) =>
  `<dsp:sp modelId="${x}"><dsp:nvSpPr><dsp:cNvPr id="0" name=""/><dsp:cNvSpPr/></dsp:nvSpPr><dsp:spPr><a:xfrm><a:off x="${x}" y="0"/><a:ext cx="2000000" cy="900000"/></a:xfrm><a:prstGeom prst="roundRect"><a:avLst/></a:prstGeom><a:solidFill><a:srgbClr val="336699"/></a:solidFill></dsp:spPr><dsp:txBody><a:bodyPr/><a:lstStyle/><a:p><a:r><a:rPr lang="en" sz="1800"/><a:t>${text}</a:t></a:r></a:p></dsp:txBody><dsp:txXfrm><a:off x="0" y="0"/><a:ext cx="1" cy="1"/></dsp:txXfrm></dsp:sp>`;
const drawing = `<dsp:drawing xmlns:dsp="${drawingNs}" xmlns:a="${main}"><dsp:spTree><dsp:nvGrpSpPr><dsp:cNvPr id="0" name=""/><dsp:cNvGrpSpPr/></dsp:nvGrpSpPr><dsp:grpSpPr/>${words.map((text, index) => shape(text, index * 2_200_000)).join('')}</dsp:spTree></dsp:drawing>`;
const picture =
  '<p:pic><p:nvPicPr><p:cNvPr id="96" name="Old" descr="A sketch"/><p:cNvPicPr/><p:nvPr/></p:nvPicPr><p:blipFill><a:blip r:embed="rId96"/><a:stretch><a:fillRect/></a:stretch></p:blipFill><p:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="914400" cy="914400"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></p:spPr></p:pic>';

async function bringIn(name: string, added: string, more: Readonly<Record<string, string>>) {
  const files = unzipSync(readFileSync(deck));
  const slide = 'ppt/slides/slide2.xml';
  const links = 'ppt/slides/_rels/slide2.xml.rels';
  const relation = (id: string, type: string, target: string) =>
    `<Relationship Id="${id}" Type="${office}/${type}" Target="${target}"/>`;
  const put = (file: string, before: string, text: string) => {
    files[file] = strToU8(strFromU8(files[file] as Uint8Array).replace(before, `${text}${before}`));
  };
  put(slide, '</p:spTree>', added);
  put(
    links,
    '</Relationships>',
    relation('rId91', 'diagramData', '../diagrams/data1.xml') +
      relation('rId95', 'diagramDrawing', '../diagrams/drawing1.xml') +
      relation('rId96', 'image', '../media/old.emf'),
  );
  for (const [file, text] of Object.entries(more)) files[file] = strToU8(text);
  const place = path.join(folder, `${name}.pptx`);
  writeFileSync(place, zipSync(files));
  return importDeck(place, 'pptx', folder, { onProgress: () => undefined, onWords: () => undefined });
}

describe('diagrams of a PPTX', () => {
  test('are drawn as the writing program drew them, where the frame stands', async () => {
    const { slides, leftOut } = await bringIn('drawn', frame, {
      'ppt/diagrams/data1.xml': data(extension),
      'ppt/diagrams/drawing1.xml': drawing,
    });
    for (const text of words) {
      expect(slides[1]?.text).toContain(text);
      expect(slides[1]?.html).toContain(text);
    }
    expect(slides[1]?.html).toMatch(/336699|51, ?102, ?153/i);
    expect(leftOut).toEqual([]);
  }, 60_000);

  test('of which there is no drawing keep their words, and it is said', async () => {
    const { slides, leftOut } = await bringIn('words', frame, { 'ppt/diagrams/data1.xml': data('') });
    for (const text of words) {
      expect(slides[1]?.text).toContain(text);
      expect(slides[1]?.html).toContain(text);
    }
    expect(leftOut).toEqual([{ code: 'diagrams', count: 1 }]);
  }, 60_000);

  test('a picture that no browser shows is told of, and its words are kept', async () => {
    const { slides, leftOut } = await bringIn('old', picture, { 'ppt/media/old.emf': 'no picture for a browser' });
    expect(slides[1]?.text).toContain('A sketch');
    expect(leftOut).toEqual([{ code: 'picturesUnreadable', count: 1 }]);
  }, 60_000);
});
