import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { ImportRefused } from './import-result.ts';

/** What a document may unpack to. Genuine documents stay far below; what is refused here would cost gigabytes. */
const limits = {
  entries: 4_000,
  entryBytes: 64 * 1024 ** 2,
  xmlBytes: 16 * 1024 ** 2,
  totalBytes: 200 * 1024 ** 2,
  ratio: 200,
  /** A small entry may compress as well as it likes. */
  ratioFromBytes: 1024 ** 2,
  xmlDepth: 256,
};

/** The list of files of an open document (OpenDocument 1.3, part 2, 4). */
const openManifest = 'META-INF/manifest.xml';

export type ZipFiles = ReadonlyMap<string, Buffer>;

/**
 * Unpacks a zip with true sizes counted while unpacking, never believed. Stands before every library that reads one.
 * @throws ImportRefused damaged, passwordProtected, tooMuchInside
 */
export async function unpackSafely(bytes: Buffer): Promise<ZipFiles> {
  const zip = await openZip(bytes);
  try {
    if (zip.entryCount > limits.entries) throw new ImportRefused('tooMuchInside');
    const files = new Map<string, Buffer>();
    let totalBytes = 0;
    for await (const entry of entriesOf(zip)) {
      if (entry.fileName.endsWith('/')) continue;
      const content = await readEntry(zip, entry, limits.totalBytes - totalBytes);
      totalBytes += content.length;
      files.set(entry.fileName, content);
    }
    // What is under a password is no XML, whatever its name says.
    if (files.get(openManifest)?.includes('encryption-data')) throw new ImportRefused('passwordProtected');
    for (const [name, content] of files) if (isXml(name)) checkXml(content);
    return files;
  } finally {
    zip.close();
  }
}

const isXml = (name: string) => /\.(xml|rels|opf|ncx|xhtml|html?)$/i.test(name);

function openZip(bytes: Buffer): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    const options = { lazyEntries: true, validateEntrySizes: true, strictFileNames: true };
    yauzl.fromBuffer(bytes, options, (error, zip) => {
      if (zip) resolve(zip);
      else reject(new ImportRefused('damaged', error));
    });
  });
}

async function* entriesOf(zip: ZipFile): AsyncGenerator<Entry> {
  for (;;) {
    const entry = await new Promise<Entry | null>((resolve, reject) => {
      const settle =
        <T>(done: (value: T) => void) =>
        (value: T) => {
          for (const name of ['entry', 'end', 'error']) zip.removeAllListeners(name);
          done(value);
        };
      zip.once('entry', settle(resolve));
      zip.once(
        'end',
        settle(() => resolve(null)),
      );
      zip.once(
        'error',
        settle((error: unknown) => reject(new ImportRefused('damaged', error))),
      );
      zip.readEntry();
    });
    if (!entry) return;
    yield entry;
  }
}

function readEntry(zip: ZipFile, entry: Entry, leftBytes: number): Promise<Buffer> {
  if (entry.generalPurposeBitFlag & 1) throw new ImportRefused('passwordProtected');
  const maxBytes = Math.min(isXml(entry.fileName) ? limits.xmlBytes : limits.entryBytes, leftBytes);
  const isBloated =
    entry.uncompressedSize > limits.ratioFromBytes &&
    entry.uncompressedSize > limits.ratio * Math.max(1, entry.compressedSize);
  if (entry.uncompressedSize > maxBytes || isBloated) throw new ImportRefused('tooMuchInside');
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (!stream) return reject(new ImportRefused('damaged', error));
      const chunks: Buffer[] = [];
      let byteLength = 0;
      stream.on('data', (chunk: Buffer) => {
        byteLength += chunk.length;
        if (byteLength > maxBytes) {
          stream.destroy();
          reject(new ImportRefused('tooMuchInside'));
        } else chunks.push(chunk);
      });
      stream.on('error', (cause) => reject(new ImportRefused('damaged', cause)));
      stream.on('end', () => resolve(Buffer.concat(chunks)));
    });
  });
}

/**
 * Entities can unfold without end or name files of this machine, and no office document has any. XHTML may carry a
 * document type, but none with declarations of its own.
 */
export function checkXml(content: Buffer): void {
  const head = content.subarray(0, 4096);
  const text = head.toString('latin1') + head.toString('utf16le');
  if (/<!ENTITY/i.test(text) || /<!DOCTYPE[^<>[]*\[/i.test(text)) throw new ImportRefused('tooMuchInside');
  let depth = 0;
  for (let at = content.indexOf(60); at >= 0; at = content.indexOf(60, at + 1)) {
    const next = content[at + 1];
    if (next === 47) depth--;
    else if (next !== 63 && next !== 33) {
      const end = content.indexOf(62, at);
      if (content[end - 1] !== 47) depth++;
      if (depth > limits.xmlDepth) throw new ImportRefused('tooMuchInside');
    }
  }
}
