import { createHash } from 'node:crypto';
import path from 'node:path';
import type { ImportedPicture, Report } from './import-result.ts';

/** Loaded with the first picture: words need not wait for it. */
async function loadSharp() {
  const { default: sharp } = await import('sharp');
  // The process has a bound of memory and lives for one document.
  sharp.cache(false);
  sharp.concurrency(1);
  return sharp;
}

/** Enough for a picture that fills a large screen. */
const widestPx = 2_000;
/** What decoding may cost: 12,000 by 12,000 points. Above that a picture is left out. */
const maxPixels = 12_000 * 12_000;
/** Smaller pictures are no pictures but counters of who has opened a page. */
const smallestPx = 4;

/**
 * Takes the pictures of a document: each is decoded, turned upright, made no larger than a screen, stripped of where
 * and when it was taken, and written as WebP. The same picture twice is one.
 */
export function createPictureBox(outDir: string, report: Report) {
  const pictures = new Map<string, ImportedPicture | null>();

  const convert = async (bytes: Buffer, name: string): Promise<ImportedPicture | null> => {
    const file = path.join(outDir, `${name}.webp`);
    try {
      const sharp = await loadSharp();
      const source = sharp(bytes, { limitInputPixels: maxPixels, failOn: 'error' });
      const { width = 0, height = 0 } = await source.metadata();
      if (width < smallestPx || height < smallestPx) {
        report.add('trackingPictures');
        return null;
      }
      const info = await source
        .rotate()
        .resize({ width: widestPx, height: widestPx, fit: 'inside', withoutEnlargement: true })
        .webp({ quality: 84 })
        .toFile(file);
      return { name, file, mimeType: 'image/webp', width: info.width, height: info.height };
    } catch (error) {
      // The library's one kind of error for whatever it cannot decode.
      if (!(error instanceof Error)) throw error;
      report.add('picturesUnreadable');
      return null;
    }
  };

  return {
    /** @returns what to write as the picture's source, or null when it was left out */
    async add(bytes: Buffer): Promise<string | null> {
      const hash = createHash('sha256').update(bytes).digest('hex');
      let picture = pictures.get(hash);
      if (picture === undefined) {
        picture = await convert(bytes, `p${pictures.size + 1}`);
        pictures.set(hash, picture);
      }
      return picture && `picture:${picture.name}`;
    },
    list: (): ImportedPicture[] => [...pictures.values()].filter((picture) => picture !== null),
  };
}

export type PictureBox = ReturnType<typeof createPictureBox>;
