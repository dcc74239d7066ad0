import { type StoredDocuments, type StoredKind, upgrader } from '@semita/core/upgrade';
import { customType } from 'drizzle-orm/sqlite-core';

/**
 * A column of documents that say their shape. Older ones are today's when they are read, and are stored as such when
 * they are next written.
 */
export const stored = <Kind extends StoredKind>(kind: Kind) =>
  customType<{ data: StoredDocuments[Kind]; driverData: string | null }>({
    dataType: () => 'text',
    // A prepared statement hands on null as well.
    toDriver: (document) => (document === null ? null : JSON.stringify(upgrader.toStored(kind, document))),
    fromDriver: (json) => {
      const document = json === null ? null : JSON.parse(json);
      return document === null ? (document as never) : upgrader.fromStored(kind, document);
    },
  })();
