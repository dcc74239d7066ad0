import { readFile } from 'node:fs/promises';
import { type PictureSize, toQtiItem, withMedia, writeXml } from '@semita/core/qti';
import type { Question } from '@semita/core/question';
import { zipSync } from 'fflate';
import { manifestName, type PackagedItem, writeManifest } from './package-files.ts';
import { qtiProse } from './qti-prose.ts';

export interface PackageEntry {
  readonly id: string;
  readonly question: Question;
  readonly tags: readonly string[];
}

/** A file that a question shows. */
export interface PackageMedia {
  readonly path: string;
  readonly extension: string;
  readonly size: PictureSize | null;
}

export interface LostFields {
  readonly stem: string;
  /** Names of fields that other programs will not find. */
  readonly fields: readonly string[];
}

interface Source {
  readonly findMedia: (materialId: string) => PackageMedia | null;
}

/** Questions as items of QTI 3.0, each with the files it shows, and what other programs will not find in them. */
export function toItems(entries: readonly PackageEntry[], { findMedia }: Source) {
  const mediaOf = new Map<string, PackageMedia>();
  const nameOf = (materialId: string): string | null => {
    const media = findMedia(materialId);
    if (!media) return null;
    const href = `media/${materialId}.${media.extension}`;
    mediaOf.set(href, media);
    return href;
  };
  const written = entries.map(({ id, question, tags }) => {
    const shown: string[] = [];
    const named = withMedia(question, (materialId) => {
      const href = nameOf(materialId);
      if (href) shown.push(href);
      // Items stand in a folder of their own.
      return href && `../${href}`;
    });
    const sizeOf = (href: string) => mediaOf.get(href.replace(/^\.\.\//, ''))?.size ?? null;
    const { item, lost } = toQtiItem(named, id, { prose: qtiProse, sizeOf });
    const packaged: PackagedItem = {
      identifier: `item-${id}`,
      href: `items/${id}.xml`,
      title: item.attributes.title ?? '',
      tags,
      media: shown,
    };
    return { packaged, xml: writeXml(item), lost: { stem: question.stem, fields: lost } };
  });
  return { written, mediaOf };
}

/** A package of QTI 3.0: a zip with a manifest, an item for each question, and the files they show. */
export async function writePackage(entries: readonly PackageEntry[], source: Source): Promise<Buffer> {
  const { written, mediaOf } = toItems(entries, source);
  const files: Record<string, Uint8Array> = {};
  const put = (name: string, text: string) => {
    files[name] = new TextEncoder().encode(text);
  };
  put(manifestName, writeManifest(written.map(({ packaged }) => packaged)));
  for (const { packaged, xml } of written) put(packaged.href, xml);
  for (const [href, { path }] of mediaOf) files[href] = await readFile(path);
  return Buffer.from(zipSync(files, { level: 6 }));
}
