import { zipSync } from 'fflate';
import mammoth from 'mammoth';
import { ImportRefused, type Report } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, findXml } from './xml.ts';

const styleMap = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Subtitle'] => p:fresh",
  "p[style-name='Quote'] => blockquote > p:fresh",
  "p[style-name='Intense Quote'] => blockquote > p:fresh",
  "p[style-name='Quotations'] => blockquote > p:fresh",
  "p[style-name='Preformatted Text'] => pre:separator('\n')",
  "r[style-name='Strong'] => strong",
  "r[style-name='Emphasis'] => em",
];

/** A text document of the OOXML family as HTML; pictures go to the box. */
export async function readDocx(files: ZipFiles, pictures: PictureBox, report: Report): Promise<string> {
  const main = findXml(files, 'word/document.xml');
  if (!main) throw new ImportRefused('damaged');
  if ([...files.keys()].some((name) => name.endsWith('vbaProject.bin'))) report.add('macros');
  report.add('equations', allNamed(main, 'oMath').length);
  report.add('comments', allNamed(main, 'commentReference').length);
  report.add('trackedChanges', allNamed(main, 'del').length);
  report.add('drawings', allNamed(main, 'wsp').length);
  // Packed anew from what the guard let through, so that the library never sees the file itself.
  const buffer = Buffer.from(zipSync(Object.fromEntries(files), { level: 0 }));
  const convertImage = mammoth.images.imgElement(async (image) => {
    const src = await pictures.add(await image.readAsBuffer());
    return { src: src ?? '' };
  });
  try {
    const { value } = await mammoth.convertToHtml({ buffer }, { styleMap, convertImage });
    // Arrows that lead from a note back to its place; places have no address here.
    return value.replace(/<a href="#[^"]*">↑<\/a>/g, '');
  } catch (error) {
    throw new ImportRefused('damaged', error);
  }
}
