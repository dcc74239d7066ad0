import * as v from 'valibot';
import { rowId } from './base-schemas.ts';
import { madeDeckSchema } from './lesson-schemas.ts';
import {
  captionFaultSchema,
  catalogueItemSchema,
  contentSchema,
  cueSchema,
  materialSchema,
  slideSchema,
} from './material-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for materials, and the media catalogue. */
export const materialRoutes = {
  listMaterials: route(...routePaths.listMaterials, 'teacher', { output: v.array(materialSchema) }),
  fetchMaterial: route(...routePaths.fetchMaterial, 'teacher', {
    body: v.object({ address: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(2_000)) }),
    output: v.object({ id: v.string() }),
  }),
  readMaterial: route(...routePaths.readMaterial, 'teacher', { output: materialSchema }),
  deleteMaterial: route(...routePaths.deleteMaterial, 'teacher'),
  bringBackMaterial: route(...routePaths.bringBackMaterial, 'teacher'),
  uploadFile: route(...routePaths.uploadFile, 'teacher'),
  streamMedia: route(...routePaths.streamMedia, 'signedIn'),
  readContent: route(...routePaths.readContent, 'signedIn', { output: contentSchema }),
  readMadeSlides: route(...routePaths.readMadeSlides, 'teacher', {
    output: v.object({ title: v.string(), deck: madeDeckSchema, print: v.string() }),
  }),
  /** Slides as they would look, without keeping them. */
  drawMadeSlides: route(...routePaths.drawMadeSlides, 'teacher', {
    body: v.object({ deck: madeDeckSchema }),
    output: v.array(slideSchema),
  }),
  /** Answers with the rowId of the deck that is shown from now on: another one where an edition shows the older. */
  saveMadeSlides: route(...routePaths.saveMadeSlides, 'teacher', {
    body: v.object({
      materialId: v.nullable(rowId),
      title: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
      deck: madeDeckSchema,
      /** Print of the slides that were changed; null for new ones. */
      before: v.nullable(v.pipe(v.string(), v.maxLength(40))),
      /** Of this save: one that is sent again because its answer was lost makes no second deck. */
      saveId: v.pipe(v.string(), v.uuid()),
    }),
    output: v.object({ id: v.string(), print: v.string() }),
  }),
  describePicture: route(...routePaths.describePicture, 'teacher', {
    body: v.object({ words: v.pipe(v.string(), v.trim(), v.maxLength(1_000)) }),
  }),
  showPicture: route(...routePaths.showPicture, 'signedIn'),
  bringInCaptions: route(...routePaths.bringInCaptions, 'teacher', {
    output: v.object({ cueCount: v.number(), faults: v.array(captionFaultSchema) }),
    rawBodyLimit: 5_000_000,
  }),
  readCaptions: route(...routePaths.readCaptions, 'signedIn', { output: v.array(cueSchema) }),
  correctCaptions: route(...routePaths.correctCaptions, 'teacher', {
    body: v.object({
      /** Fingerprint of the captions that were corrected. */
      before: v.pipe(v.string(), v.maxLength(40)),
      cues: v.pipe(v.array(cueSchema), v.maxLength(20_000)),
    }),
    output: v.object({ cueCount: v.number() }),
  }),
  writeCaptions: route(...routePaths.writeCaptions, 'teacher'),
  writeSrt: route(...routePaths.writeSrt, 'teacher'),
  searchCatalogue: route(...routePaths.searchCatalogue, 'teacher', {
    body: v.object({
      words: v.pipe(v.string(), v.trim(), v.maxLength(200)),
      maxSeconds: v.nullable(v.pipe(v.number(), v.minValue(1))),
      licence: v.pipe(v.string(), v.maxLength(60)),
    }),
    output: v.object({ isThere: v.boolean(), items: v.array(catalogueItemSchema) }),
  }),
  takeFromCatalogue: route(...routePaths.takeFromCatalogue, 'teacher', {
    body: v.object({ itemId: rowId }),
    output: v.object({ id: v.string() }),
  }),
} as const;
