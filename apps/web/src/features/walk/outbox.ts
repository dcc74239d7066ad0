import type { SentEvent } from '@semita/core/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Events that the server has not confirmed yet, on this device, in the order they were made. */
export interface Outbox {
  add(attemptId: string, event: SentEvent): Promise<void>;
  list(attemptId: string): Promise<SentEvent[]>;
  remove(attemptId: string, eventIds: ReadonlySet<string>): Promise<void>;
}

interface Schema extends DBSchema {
  events: { key: number; value: { attemptId: string; event: SentEvent }; indexes: { byAttempt: string } };
}

/** The outbox in IndexedDB: survives a reload, a crash and a closed lid. */
export function openOutbox(): Outbox {
  const db: Promise<IDBPDatabase<Schema>> = openDB<Schema>('semita-outbox', 1, {
    upgrade(database) {
      database.createObjectStore('events', { autoIncrement: true }).createIndex('byAttempt', 'attemptId');
    },
  });
  return {
    async add(attemptId, event) {
      await (await db).add('events', { attemptId, event });
    },
    async list(attemptId) {
      return (await (await db).getAllFromIndex('events', 'byAttempt', attemptId)).map((row) => row.event);
    },
    async remove(attemptId, eventIds) {
      const tx = (await db).transaction('events', 'readwrite');
      for await (const cursor of tx.store.index('byAttempt').iterate(attemptId))
        if (eventIds.has(cursor.value.event.id)) await cursor.delete();
      await tx.done;
    },
  };
}
