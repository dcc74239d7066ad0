import { type FileHandle, open } from 'node:fs/promises';
import path from 'node:path';

export type DocumentFormat = 'docx' | 'odt' | 'epub' | 'pdf' | 'html' | 'markdown' | 'text';
export type DeckFormat = 'pptx' | 'odp';
export type Format = DocumentFormat | DeckFormat | 'picture' | 'media' | 'zip' | 'oldOffice' | 'locked' | 'unknown';

/** Enough of a file to know what it is, zip directory entries of the first few files included. */
const headBytes = 4096;

/** Names that tell what is in a text file, where its words do not. */
const textFormats: Readonly<Record<string, DocumentFormat>> = {
  '.md': 'markdown',
  '.markdown': 'markdown',
  '.html': 'html',
  '.htm': 'html',
  '.xhtml': 'html',
  '.txt': 'text',
  '.text': 'text',
};

/** What a file is by its first bytes; its name is asked only where bytes cannot tell. */
export async function sniffFormat(file: string, fileName: string): Promise<Format> {
  const handle = await open(file);
  try {
    const buffer = Buffer.alloc(headBytes);
    const { bytesRead } = await handle.read(buffer, 0, headBytes, 0);
    const head = buffer.subarray(0, bytesRead);
    const format = formatOfHead(head, fileName);
    return format === 'oldOffice' && (await isLocked(handle, head)) ? 'locked' : format;
  } finally {
    await handle.close();
  }
}

/**
 * Whether a compound file is a newer document under a password: then its directory names a stream "EncryptedPackage"
 * (MS-OFFCRYPTO 2.3.4.4). Where the directory begins stands in the header (MS-CFB 2.2).
 */
async function isLocked(handle: FileHandle, head: Buffer): Promise<boolean> {
  if (head.length < 512 || head.readUInt32BE(0) !== 0xd0cf11e0) return false;
  const sectorBytes = 2 ** Math.min(12, head.readUInt16LE(30));
  const directory = Buffer.alloc(headBytes);
  const { bytesRead } = await handle.read(directory, 0, headBytes, (head.readUInt32LE(48) + 1) * sectorBytes);
  return directory.subarray(0, bytesRead).includes(Buffer.from('EncryptedPackage', 'utf16le'));
}

export function formatOfHead(head: Buffer, fileName: string): Format {
  const extension = path.extname(fileName).toLowerCase();
  const latin = head.toString('latin1');
  if (latin.startsWith('PK\u0003\u0004')) return zipFormat(latin, extension);
  if (latin.slice(0, 1024).includes('%PDF-')) return 'pdf';
  if ((head.length >= 4 && head.readUInt32BE(0) === 0xd0cf11e0) || latin.startsWith('{\\rtf')) return 'oldOffice';
  if (isPicture(head, latin)) return 'picture';
  if (isText(head)) return textFormats[extension] ?? (/<(!doctype html|html|body)\b/i.test(latin) ? 'html' : 'unknown');
  return 'media';
}

/** PNG, JPEG, GIF and WebP by their signatures (W3C PNG 3rd ed. 5.2; ITU-T T.81 B.1.1.3; GIF89a 17; RFC 9649 2.5). */
function isPicture(head: Buffer, latin: string): boolean {
  return (
    latin.startsWith('\x89PNG\r\n\x1a\n') ||
    (head[0] === 0xff && head[1] === 0xd8 && head[2] === 0xff) ||
    /^GIF8[79]a/.test(latin) ||
    /^RIFF[\s\S]{4}WEBP/.test(latin)
  );
}

/** Open documents say what they are in a first, unpacked entry; the others are known by their names and their parts. */
function zipFormat(latin: string, extension: string): Format {
  const mimeType = /mimetype(?:application\/)([\w.+-]+)/.exec(latin)?.[1] ?? '';
  if (mimeType.startsWith('vnd.oasis.opendocument.text')) return 'odt';
  if (mimeType.startsWith('vnd.oasis.opendocument.presentation')) return 'odp';
  if (mimeType.startsWith('epub+zip')) return 'epub';
  if (['.docx', '.docm', '.dotx'].includes(extension)) return 'docx';
  if (['.pptx', '.pptm', '.ppsx'].includes(extension)) return 'pptx';
  if (extension === '.odt' || extension === '.odp' || extension === '.epub') return extension.slice(1) as Format;
  return 'zip';
}

/** Text has no control characters but those of layout, or it is UTF-16 with its mark. */
function isText(head: Buffer): boolean {
  if (head.length >= 2 && ((head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff)))
    return true;
  return head.every((byte) => byte >= 32 || byte === 9 || byte === 10 || byte === 13 || byte === 12);
}
