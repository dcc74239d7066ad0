// The least that any program does with a PPTX: takes it out of its zip and parses its XML. Told the file, says when done.
import fs from 'node:fs';
import { DOMParser } from '@xmldom/xmldom';
import { strFromU8, unzipSync } from 'fflate';

process.once('message', (file) => {
  const files = unzipSync(fs.readFileSync(file));
  for (const [name, bytes] of Object.entries(files))
    if (/\.(xml|rels)$/.test(name)) new DOMParser().parseFromString(strFromU8(bytes), 'application/xml');
  process.send('done', () => process.exit(0));
});
