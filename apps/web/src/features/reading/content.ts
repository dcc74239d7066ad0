import { deckScript, type Slide } from '@semita/core/deck';
import { type ReadingBlock, readingScript } from '@semita/core/reading';
import type { ScriptLine } from '@semita/core/script';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** What a document or a deck holds; the other list is empty. */
export interface Content {
  readonly blocks: readonly ReadingBlock[];
  readonly slides: readonly Slide[];
  /** Slides come with their words first; their looks follow. */
  readonly isDrawing: boolean;
}

/** It never changes but for the words of pictures: a newer version is another material. */
export const contentOptions = (materialId: string) =>
  queryOptions({
    queryKey: ['content', materialId],
    queryFn: (): Promise<Content> => call('readContent', { params: { materialId } }),
    staleTime: Number.POSITIVE_INFINITY,
    refetchInterval: ({ state }) => (state.data?.isDrawing ? 1_000 : false),
  });

/** Its lines, whichever it is. */
export const contentScript = ({ blocks, slides }: Content): readonly ScriptLine[] =>
  blocks.length > 0 ? readingScript(blocks) : deckScript(slides);
