import { found, Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { MaterialService } from '../materials/material-service.ts';
import type { MediaCatalogue } from './media-catalogue.ts';

type Names = 'searchCatalogue' | 'takeFromCatalogue';

export function catalogueHandlers(catalogue: MediaCatalogue | null, materials: MaterialService): Pick<Handlers, Names> {
  /** A catalogue that does not answer is no fault of ours, and is said as what it is. */
  const ask = <T>(question: (there: MediaCatalogue) => Promise<T>): Promise<T> =>
    question(found(catalogue)).catch((error: unknown) => {
      throw error instanceof Refused ? error : new Refused('catalogueSilent');
    });
  return {
    searchCatalogue: async ({ body }) =>
      catalogue === null
        ? { isThere: false, items: [] }
        : { isThere: true, items: await ask((one) => one.search(body)) },
    takeFromCatalogue: async ({ actor, body }) => {
      const { title, mediaUrl, captionsUrl } = found(await ask((one) => one.find(body.itemId)));
      return { id: materials.fetch(actor, mediaUrl, { title, captionsUrl }) };
    },
  };
}
