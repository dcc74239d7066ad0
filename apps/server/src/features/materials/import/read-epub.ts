import path from 'node:path';
import { decodeText } from '@semita/core/text';
import { ImportRefused, type Report } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';
import { takePictures } from './read-html.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, parseXml } from './xml.ts';

/** The chapters of a book in reading order as HTML (EPUB 3.3: container, package document, spine). */
export async function readEpub(files: ZipFiles, pictures: PictureBox, report: Report): Promise<string> {
  const encryption = files.get('META-INF/encryption.xml');
  // Fonts may be scrambled; a chapter or a picture must not be.
  if (
    encryption &&
    /CipherReference[^<>"]{0,40}"[^<>"]{0,400}\.(x?html?|jpe?g|png)"/i.test(encryption.toString('utf8'))
  )
    throw new ImportRefused('passwordProtected');
  const container = parseXml(files.get('META-INF/container.xml'));
  const packagePath = allNamed(container, 'rootfile')[0]?.getAttribute('full-path') ?? '';
  const book = parseXml(files.get(packagePath));
  const folder = path.posix.dirname(packagePath);
  const items = new Map(
    allNamed(book, 'item').map((item) => [
      item.getAttribute('id') ?? '',
      {
        file: path.posix.join(folder, decodeName(item.getAttribute('href') ?? '')),
        isNavigation: (item.getAttribute('properties') ?? '').split(' ').includes('nav'),
      },
    ]),
  );
  let html = '';
  for (const reference of allNamed(book, 'itemref')) {
    const item = items.get(reference.getAttribute('idref') ?? '');
    const bytes = item && files.get(item.file);
    if (!bytes || item.isNavigation || reference.getAttribute('linear') === 'no') continue;
    const chapterFolder = path.posix.dirname(item.file);
    html += await takePictures(decodeText(bytes), pictures, report, (src) =>
      files.get(path.posix.join(chapterFolder, decodeName(src))),
    );
  }
  return html;
}

function decodeName(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
