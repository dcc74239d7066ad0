import type { Logger } from 'pino';
import type { Db } from './db/open.ts';
import type { EventBus } from './events/event-bus.ts';

/** What use-cases are built from. Time and ids are passed in, so that tests and the demo can choose them. */
export interface Deps {
  readonly db: Db;
  readonly bus: EventBus;
  readonly log: Logger;
  /** Epoch ms. */
  readonly clock: () => number;
  /** UUIDv7. */
  readonly newId: () => string;
  /** Folder of this installation's files: `media/`, `uploads/`, `semita.db`. */
  readonly dataDir: string;
}
