import * as v from 'valibot';
import { bankEntrySchema, bankItemSchema, qtiLeftOutSchema } from './bank-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for the question bank. */
export const bankRoutes = {
  listBank: route(...routePaths.listBank, 'teacher', { output: v.array(bankItemSchema) }),
  putIntoBank: route(...routePaths.putIntoBank, 'teacher', {
    body: v.object({ entries: v.pipe(v.array(bankEntrySchema), v.minLength(1), v.maxLength(200)) }),
    output: v.object({ ids: v.array(v.string()) }),
  }),
  changeBankItem: route(...routePaths.changeBankItem, 'teacher', { body: bankEntrySchema }),
  removeBankItem: route(...routePaths.removeBankItem, 'teacher'),
  /** The body is a package of QTI, or one of its items. */
  takeInPackage: route(...routePaths.takeInPackage, 'teacher', {
    output: v.object({ count: v.number(), leftOut: v.array(qtiLeftOutSchema) }),
    rawBodyLimit: 60_000_000,
  }),
  /** What other programs would not find in the items named, with commas between their ids. */
  describePackage: route(...routePaths.describePackage, 'teacher', {
    output: v.array(v.object({ stem: v.string(), fields: v.array(v.string()) })),
  }),
  writePackage: route(...routePaths.writePackage, 'teacher'),
} as const;
