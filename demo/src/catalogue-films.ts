import { fileURLToPath } from 'node:url';
import type { CatalogueFilm } from '@semita/standins';

const fileOf = (name: string) => fileURLToPath(new URL(`../${name}`, import.meta.url));

/** What the demo's media catalogue holds: made films, and nothing else. */
export const catalogueFilms: readonly CatalogueFilm[] = [
  {
    id: 'bridges',
    title: 'Four kinds of bridges',
    description: 'A beam, an arch, a suspension bridge and a cable-stayed one: what is squeezed, and what is pulled.',
    author: 'Quillhaven workshop',
    licence: 'CC-BY-4.0',
    seconds: 191,
    file: fileOf('film/bridges-720.webm'),
    captionsFile: fileOf('film/bridges.en.vtt'),
  },
  {
    id: 'counting',
    title: 'One minute, counted',
    description: 'A minute that counts its own seconds, with a tone at each.',
    author: 'Quillhaven workshop',
    licence: 'CC0-1.0',
    seconds: 60,
    file: fileOf('../e2e/media/timecode-60.webm'),
    captionsFile: null,
  },
];
