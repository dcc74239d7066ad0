import { DomUtils, parseDocument } from 'htmlparser2';
import type { Report } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';

/**
 * Takes the pictures that came with a page into the box and names them in the page.
 * @param findFile a picture by its source, where the page came with files
 * @returns what stands in the page's body; not safe yet
 */
export async function takePictures(
  html: string,
  pictures: PictureBox,
  report: Report,
  findFile: (src: string) => Buffer | undefined = () => undefined,
): Promise<string> {
  const document = parseDocument(html);
  for (const image of DomUtils.getElementsByTagName('img', document)) {
    const { src = '' } = image.attribs;
    const bytes = bytesOfDataUri(src) ?? findFile(src);
    if (!bytes) {
      if (src.startsWith('data:')) {
        report.add('picturesUnreadable');
        delete image.attribs.src;
      }
      continue;
    }
    const name = await pictures.add(bytes);
    if (name) image.attribs.src = name;
    else delete image.attribs.src;
  }
  const body = DomUtils.getElementsByTagName('body', document, true, 1)[0];
  return DomUtils.getInnerHTML(body ?? document);
}

/** The picture inside a data: address (RFC 2397), where it is base64. */
function bytesOfDataUri(src: string): Buffer | undefined {
  const match = /^data:image\/[\w.+-]+;base64,([\sA-Za-z0-9+/=]+)$/.exec(src);
  return match?.[1] === undefined ? undefined : Buffer.from(match[1], 'base64');
}
