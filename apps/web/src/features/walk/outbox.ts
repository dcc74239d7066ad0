import type { SentEvent } from '@semita/core/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Events that the server has not confirmed yet, on this device, in the order they were made. */
export interface Outbox {
  add(attemptId: string, event: SentEvent): Promise<void>;
  list(attemptId: string): Promise<SentEvent[]>;
  remove(attemptId: string, eventIds: ReadonlySet<string>): Promise<void>;
  /** The attempts that have something here. */
  listAttempts(): Promise<string[]>;
}

interface Schema extends DBSchema {
  events: { key: number; value: { attemptId: string; event: SentEvent }; indexes: { byAttempt: string } };
}

type Store = IDBPDatabase<Schema>;

/**
 * The outbox in IndexedDB: survives a reload, a crash and a closed lid. Where the browser gives no room (a full disk,
 * a private window), events are kept in the page alone, and the walk goes on.
 */
export function openOutbox(): Outbox {
  const opening = openDB<Schema>('semita-outbox', 1, {
    upgrade(database) {
      database.createObjectStore('events', { autoIncrement: true }).createIndex('byAttempt', 'attemptId');
    },
  });
  const withStore = async <T>(work: (store: Store) => Promise<T>, otherwise: T): Promise<T> => {
    try {
      return await work(await opening);
    } catch (error) {
      if (error instanceof DOMException) return otherwise;
      throw error;
    }
  };
  return {
    add: (attemptId, event) =>
      withStore(async (store) => {
        await store.add('events', { attemptId, event });
      }, undefined),
    list: (attemptId) =>
      withStore(
        async (store) => (await store.getAllFromIndex('events', 'byAttempt', attemptId)).map((row) => row.event),
        [],
      ),
    remove: (attemptId, eventIds) =>
      withStore(async (store) => {
        const tx = store.transaction('events', 'readwrite');
        for await (const cursor of tx.store.index('byAttempt').iterate(attemptId))
          if (eventIds.has(cursor.value.event.id)) await cursor.delete();
        await tx.done;
      }, undefined),
    listAttempts: () =>
      withStore(async (store) => [...new Set((await store.getAll('events')).map((row) => row.attemptId))], []),
  };
}
