import type { MadeDeck } from '@semita/core/deck';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const madeSlidesOptions = (materialId: string) =>
  queryOptions({
    queryKey: ['made-slides', materialId],
    queryFn: () => call('readMadeSlides', { params: { materialId } }),
    // What is written here is newer than what was read.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });

/** How slides will look. The drawing before stays until the next is there. */
export const drawingOptions = (deck: MadeDeck) =>
  queryOptions({
    queryKey: ['drawing', deck],
    queryFn: () => call('drawMadeSlides', { body: { deck } }),
    placeholderData: keepPreviousData,
    gcTime: 10_000,
  });
