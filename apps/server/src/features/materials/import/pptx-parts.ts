import path from 'node:path';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, findXml } from './xml.ts';

export const relationships = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

/** English Metric Units in a point of CSS: 914,400 an inch, 96 points an inch (ECMA-376-1, 20.1.2.1). */
export const emuPerPx = 9_525;

/** The parts that a part points at, by id. */
export function relationsOf(files: ZipFiles, part: string): Map<string, { type: string; part: string }> {
  const folder = path.posix.dirname(part);
  const file = findXml(files, path.posix.join(folder, '_rels', `${path.posix.basename(part)}.rels`));
  const relations = file ? allNamed(file, 'Relationship') : [];
  return new Map(
    relations.map((relation) => {
      const target = relation.getAttribute('Target') ?? '';
      const absolute = target.startsWith('/') ? target.slice(1) : path.posix.join(folder, target);
      return [
        relation.getAttribute('Id') ?? '',
        { type: (relation.getAttribute('Type') ?? '').split('/').pop() ?? '', part: absolute },
      ];
    }),
  );
}
