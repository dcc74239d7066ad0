import type { Logger } from 'pino';

/** What happened, for those who watch; published after the commit, never before. */
export interface EventMap {
  /** Somebody's sessions or rights are others now: what they have open is looked at again. */
  rightsChanged: { readonly userId: string };
  /** Something is different for a student from now on. */
  recipientChanged: { readonly assignmentId: string; readonly studentId: string };
  /** An attempt is somebody else's now. */
  attemptMoved: { readonly attemptId: string };
  /** Something of an assignment is different for everybody. */
  assignmentChanged: { readonly assignmentId: string };
  attemptChanged: {
    readonly assignmentId: string;
    readonly attemptId: string;
    readonly studentId: string;
    /** By somebody else than the student. */
    readonly byOthers: boolean;
  };
}

type Listener<Name extends keyof EventMap> = (payload: EventMap[Name]) => void;

export interface EventBus {
  publish<Name extends keyof EventMap>(name: Name, payload: EventMap[Name]): void;
  /** Returns its undo. */
  subscribe<Name extends keyof EventMap>(name: Name, listener: Listener<Name>): () => void;
}

/** A failing listener is logged and stops nobody. */
export function createEventBus(log: Logger): EventBus {
  const listeners: { [Name in keyof EventMap]: Set<Listener<Name>> } = {
    attemptChanged: new Set(),
    attemptMoved: new Set(),
    recipientChanged: new Set(),
    assignmentChanged: new Set(),
    rightsChanged: new Set(),
  };
  return {
    publish(name, payload) {
      for (const listener of listeners[name]) {
        try {
          listener(payload);
        } catch (error) {
          log.error({ err: error, name }, 'listener failed');
        }
      }
    },
    subscribe(name, listener) {
      listeners[name].add(listener);
      return () => listeners[name].delete(listener);
    },
  };
}
