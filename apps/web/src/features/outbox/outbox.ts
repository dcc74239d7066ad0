import type { SentEvent } from '@semita/core/contract';
import { upgrader } from '@semita/core/upgrade';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Events of one person that the server has not confirmed yet, on this device, in the order they were made. */
export interface Outbox {
  add(attemptId: string, event: SentEvent): Promise<void>;
  list(attemptId: string): Promise<SentEvent[]>;
  remove(attemptId: string, eventIds: ReadonlySet<string>): Promise<void>;
  /** The attempts that have something here. */
  listAttempts(): Promise<string[]>;
  /** Forgets all of this person's. */
  clear(): Promise<void>;
}

interface Row {
  /** Of rows of the first editions of this program it is not known. */
  readonly userId?: string;
  readonly attemptId: string;
  /** Says its shape: the page that made it may be older than the one that sends it. */
  readonly event: Pick<SentEvent, 'id'>;
}

interface Schema extends DBSchema {
  events: { key: number; value: Row; indexes: { byAttempt: string; byUser: string } };
}

type Store = IDBPDatabase<Schema>;

let opening: Promise<Store> | undefined;

const openStore = (): Promise<Store> => {
  opening ??= openDB<Schema>('semita-outbox', 2, {
    upgrade(database, from, _to, tx) {
      const store = from < 1 ? database.createObjectStore('events', { autoIncrement: true }) : tx.objectStore('events');
      if (from < 1) store.createIndex('byAttempt', 'attemptId');
      if (from < 2) store.createIndex('byUser', 'userId');
    },
  });
  return opening;
};

/**
 * The outbox of a person in IndexedDB: survives a reload, a crash and a closed lid, and is never sent under another's
 * name. Where the browser gives no room (a full disk, a private window), events are kept in the page alone, and the walk
 * goes on.
 */
export function openOutbox(userId: string): Outbox {
  const withStore = async <T>(work: (store: Store) => Promise<T>, otherwise: T): Promise<T> => {
    try {
      return await work(await openStore());
    } catch (error) {
      if (error instanceof DOMException) return otherwise;
      throw error;
    }
  };
  return {
    add: (attemptId, event) =>
      withStore(async (store) => {
        await store.add('events', { userId, attemptId, event: { id: event.id, ...upgrader.toStored('event', event) } });
      }, undefined),
    list: (attemptId) =>
      withStore(
        async (store) =>
          (await store.getAllFromIndex('events', 'byAttempt', attemptId))
            // An attempt is one person's, so what stands under it without a name is theirs.
            .filter((row) => row.userId === undefined || row.userId === userId)
            .map((row) => upgrader.fromStored('event', row.event) as SentEvent),
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
      withStore(async (store) => {
        const rows = await store.getAllFromIndex('events', 'byUser', userId);
        return [...new Set(rows.map((row) => row.attemptId))];
      }, []),
    clear: () =>
      withStore(async (store) => {
        const tx = store.transaction('events', 'readwrite');
        for await (const cursor of tx.store.index('byUser').iterate(userId)) await cursor.delete();
        await tx.done;
      }, undefined),
  };
}
