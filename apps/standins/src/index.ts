export { type CatalogueFilm, createMediaCatalogue } from './media-catalogue.ts';
