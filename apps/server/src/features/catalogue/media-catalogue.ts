import type { CatalogueItem } from '@semita/core/contract';
import * as v from 'valibot';

/** What a media catalogue answers: open JSON, the same from the stand-in that ships with us and from a real one. */
const answerSchema = v.object({
  items: v.array(
    v.object({
      id: v.string(),
      title: v.string(),
      description: v.string(),
      author: v.string(),
      licence: v.string(),
      seconds: v.number(),
      mediaUrl: v.pipe(v.string(), v.url()),
      captionsUrl: v.nullable(v.pipe(v.string(), v.url())),
    }),
  ),
});
type Answer = v.InferOutput<typeof answerSchema>['items'][0];

export interface CatalogueSearch {
  readonly words: string;
  readonly maxSeconds: number | null;
  readonly licence: string;
}

const silentMs = 10_000;

/** A catalogue of films that the school may use. Null where the installation has none. */
export function createMediaCatalogue(baseUrl: string) {
  const ask = async ({ words, maxSeconds, licence }: CatalogueSearch): Promise<readonly Answer[]> => {
    const query = new URLSearchParams({ words, licence, ...(maxSeconds ? { maxSeconds: String(maxSeconds) } : {}) });
    const response = await fetch(`${baseUrl}/search?${query}`, { signal: AbortSignal.timeout(silentMs) });
    return v.parse(answerSchema, await response.json()).items;
  };
  return {
    /** Addresses that begin like this are the catalogue's own, wherever in the network it stands. */
    baseUrl,
    async search(wish: CatalogueSearch): Promise<CatalogueItem[]> {
      const items = await ask(wish);
      return items.slice(0, 100).map(({ id, title, description, author, licence, seconds, captionsUrl }) => ({
        ...{ id, title, description, author, licence, seconds },
        hasCaptions: captionsUrl !== null,
      }));
    },
    /** A film of the catalogue by its id. */
    async find(itemId: string): Promise<Answer | undefined> {
      const items = await ask({ words: '', maxSeconds: null, licence: '' });
      return items.find((item) => item.id === itemId);
    },
  };
}

export type MediaCatalogue = ReturnType<typeof createMediaCatalogue>;
