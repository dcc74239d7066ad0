// What is stored lives for years: how a document says its shape, and how an older one becomes today's.
export { NewerShape } from './create-upgrader.ts';
export { upgrader } from './shapes.ts';
export type { StoredDocuments, StoredKind } from './stored-documents.ts';
