import { readFile } from 'node:fs/promises';
import { createReport, type ImportedLonePicture, ImportRefused } from './import-result.ts';
import { createPictureBox } from './picture-box.ts';

/**
 * Reads a picture that stands for itself.
 * @throws ImportRefused damaged for what cannot be decoded, is too large or is no picture to look at
 */
export async function importPicture(file: string, outDir: string): Promise<ImportedLonePicture> {
  const box = createPictureBox(outDir, createReport());
  await box.add(await readFile(file));
  const [picture] = box.list();
  if (!picture) throw new ImportRefused('damaged');
  return { kind: 'picture', pictures: [picture] };
}
