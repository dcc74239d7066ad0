import type { Material } from '@semita/core/contract';
import { hasMaterial, type Part } from '@semita/core/lesson';
import { createContext } from 'react';

/** Something a picture can be cut out of. */
export interface RegionSource {
  readonly id: string;
  readonly title: string;
  readonly materialId: string;
  /** Frames of a film, pages of a PDF, slides of a deck, or the pictures that stand in a text. */
  readonly kind: 'frames' | 'pages' | 'slides' | 'pictures';
  /** Where the teacher is in a film, in ms. */
  readonly nowMs: () => number;
  /** The window of it that is shown. */
  readonly inMs: number;
  readonly outMs: number;
}

/** What pictures can be cut out of on this page. */
export const RegionSources = createContext<readonly RegionSource[]>([]);

/** @returns null for what has nothing to look at, as a sound */
export function regionKindOf({ kind, mimeType }: Pick<Material, 'kind' | 'mimeType'>): RegionSource['kind'] | null {
  if (kind === 'film') return 'frames';
  if (kind === 'deck') return 'slides';
  if (kind === 'document') return mimeType === 'application/pdf' ? 'pages' : 'pictures';
  return null;
}

/** The parts of a lesson as sources; the part that is worked on comes first. */
export function sourcesOfParts(
  parts: readonly Part[],
  materials: readonly Material[],
  current: Part | undefined,
  nowMs: () => number,
): readonly RegionSource[] {
  const ordered = current ? [current, ...parts.filter((part) => part !== current)] : parts;
  return ordered.filter(hasMaterial).flatMap((part) => {
    const material = materials.find((one) => one.id === part.materialId);
    const kind = material && regionKindOf(material);
    if (!kind) return [];
    const { id, title, materialId, inMs, outMs } = part;
    return [{ id, title, materialId, kind, inMs, outMs, nowMs: part === current ? nowMs : () => inMs }];
  });
}
