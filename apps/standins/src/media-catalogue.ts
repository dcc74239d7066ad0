import express, { type Express } from 'express';

/** A film that the catalogue holds, with where its files lie on this machine. */
export interface CatalogueFilm {
  readonly id: string;
  readonly title: string;
  readonly description: string;
  readonly author: string;
  /** As SPDX names it. */
  readonly licence: string;
  readonly seconds: number;
  readonly file: string;
  readonly captionsFile: string | null;
}

/**
 * A media catalogue as a school might subscribe to one: a search by words, length and licence that answers JSON, and
 * the files. Small, and it ships with the product, so that everything can be tried without a network.
 */
export function createMediaCatalogue(films: readonly CatalogueFilm[]): Express {
  const app = express();
  app.disable('x-powered-by');
  app.get('/search', (req, res) => {
    const words = String(req.query.words ?? '')
      .toLowerCase()
      .split(/\s+/)
      .filter(Boolean);
    const maxSeconds = Number(req.query.maxSeconds ?? Number.POSITIVE_INFINITY);
    const licence = String(req.query.licence ?? '');
    const base = `${req.protocol}://${req.get('host')}`;
    const found = films.filter((film) => {
      const text = `${film.title} ${film.description} ${film.author}`.toLowerCase();
      const isFitting = words.every((word) => text.includes(word)) && film.seconds <= maxSeconds;
      return isFitting && (licence === '' || film.licence === licence);
    });
    res.json({
      items: found.map(({ file: _file, captionsFile, ...film }) => ({
        ...film,
        mediaUrl: `${base}/films/${film.id}`,
        captionsUrl: captionsFile === null ? null : `${base}/films/${film.id}/captions`,
      })),
    });
  });
  app.get('/films/:id', (req, res) => {
    const film = films.find((one) => one.id === req.params.id);
    if (film) res.sendFile(film.file);
    else res.status(404).end();
  });
  app.get('/films/:id/captions', (req, res) => {
    const film = films.find((one) => one.id === req.params.id);
    if (film?.captionsFile) res.type('text/vtt').sendFile(film.captionsFile);
    else res.status(404).end();
  });
  return app;
}
