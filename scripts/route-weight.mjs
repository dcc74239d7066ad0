// What the browser must load before a route can be shown, read from Vite's manifest.
import fs from 'node:fs';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';

/**
 * @param {string} outDir a folder that Vite built with a manifest
 * @param {string[]} entries keys of the manifest: the page, and the lazy routes it loads
 * @returns {number} bytes of JavaScript, each file in brotli, as it is sent
 */
export function scriptBytes(outDir, entries) {
  const manifest = JSON.parse(fs.readFileSync(path.join(outDir, '.vite/manifest.json'), 'utf8'));
  const files = new Set();
  const visit = (key) => {
    const chunk = manifest[key];
    if (!chunk) throw new Error(`${key} is not in the manifest of ${outDir}`);
    if (files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const imported of chunk.imports ?? []) visit(imported);
  };
  for (const entry of entries) visit(entry);
  return [...files]
    .filter((file) => file.endsWith('.js'))
    .reduce((sum, file) => sum + brotliCompressSync(fs.readFileSync(path.join(outDir, file))).length, 0);
}

/** The walk, as a student's browser loads it. */
export const learnerRoute = ['index.html', 'src/features/walk/walk-route.tsx'];
