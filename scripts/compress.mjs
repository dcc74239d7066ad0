// Writes the built pages once more as brotli and gzip, as hard as both can: they are made once and sent for ever.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const written = /\.(?:js|mjs|css|html|svg|json|webmanifest|wasm|txt)$/;
/** Smaller ones fit into one packet as they are. */
const minBytes = 1_000;

/** @param {string} folder of a finished build */
export function compressFiles(folder) {
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (!written.test(name) || name.startsWith('.vite')) continue;
    const file = path.join(folder, name);
    const bytes = readFileSync(file);
    if (bytes.length < minBytes) continue;
    const params = {
      [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    };
    writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params }));
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: constants.Z_BEST_COMPRESSION }));
  }
}
