import path from 'node:path';
import type { Probe } from '../../reading/probe-media.ts';
import { type Format, sniffFormat } from '../materials/import/sniff-format.ts';

const documentTypes: Partial<Record<Format, string>> = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  odt: 'application/vnd.oasis.opendocument.text',
  odp: 'application/vnd.oasis.opendocument.presentation',
  epub: 'application/epub+zip',
  oldOffice: 'application/octet-stream',
  text: 'text/plain',
  markdown: 'text/plain',
};

const pictureTypes: Readonly<Record<string, string>> = {
  '.png': 'image/png',
  '.gif': 'image/gif',
  '.webp': 'image/webp',
};

/**
 * What a handed-in file is by what is in it; null for what is not taken: programs, pages, archives, and what is not
 * what it says.
 * @param probe looks into a film or a sound
 */
export async function identifyAnswerFile(
  file: string,
  name: string,
  probe: () => Promise<Probe>,
): Promise<string | null> {
  const format = await sniffFormat(file, name);
  if (format === 'picture') return pictureTypes[path.extname(name).toLowerCase()] ?? 'image/jpeg';
  if (format !== 'media') return documentTypes[format] ?? null;
  const probed = await probe();
  return probed.ok ? probed.mimeType : null;
}
