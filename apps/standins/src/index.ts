export { type CatalogueFilm, createMediaCatalogue } from './media-catalogue.ts';
export { createRecordStore } from './record-store.ts';
