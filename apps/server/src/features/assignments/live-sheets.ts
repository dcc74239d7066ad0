import { type Channel, createChannel, createSession } from 'better-sse';
import type { Request, Response } from 'express';
import type { EventBus } from '../../events/event-bus.ts';
import { Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentService } from './assignment-service.ts';

interface Options {
  readonly bus: EventBus;
  readonly assignments: Pick<AssignmentService, 'findLine' | 'assertFollowed'>;
  readonly findActor: (req: Request) => Actor | null;
}

/** Streams that one person may have open: a browser opens six to one address at most. */
const mostPerPerson = 12;
/** How often it is looked whether who watches still may, in ms; at once where something is known to have changed. */
const lookAgainMs = 15_000;

interface Watcher {
  readonly userId: string;
  readonly mayWatch: () => boolean;
  readonly end: () => void;
}

/** Sheets that are being watched, each a channel of server-sent events; a line is read once per change and teacher. */
export function createLiveSheets({ bus, assignments, findActor }: Options) {
  const channels = new Map<string, Map<string, { readonly actor: Actor; readonly channel: Channel }>>();
  const watchers = new Set<Watcher>();

  const lookAgain = (userId: string | null) => {
    for (const watcher of watchers)
      if ((userId === null || watcher.userId === userId) && !watcher.mayWatch()) watcher.end();
  };
  const timer = setInterval(() => lookAgain(null), lookAgainMs);
  timer.unref();

  /** Each teacher follows their own students: a channel is one teacher's, in however many tabs. */
  const sendLine = (assignmentId: string, studentId: string) => {
    for (const { actor, channel } of channels.get(assignmentId)?.values() ?? []) {
      const line = assignments.findLine(actor, assignmentId, studentId);
      if (line) channel.broadcast(line, 'student');
    }
  };

  const undo = [
    bus.subscribe('attemptChanged', ({ assignmentId, studentId }) => sendLine(assignmentId, studentId)),
    bus.subscribe('recipientChanged', ({ assignmentId, studentId }) => sendLine(assignmentId, studentId)),
    bus.subscribe('rightsChanged', ({ userId }) => lookAgain(userId)),
  ];

  const mayWatch = (assignmentId: string, req: Request): boolean => {
    const actor = findActor(req);
    if (!actor?.roles.includes('teacher')) return false;
    try {
      assignments.assertFollowed(actor, assignmentId);
      return true;
    } catch (error) {
      if (error instanceof Refused) return false;
      throw error;
    }
  };

  return {
    /** @throws Refused tooManyRequests when the person has too many streams open */
    async watch(actor: Actor, assignmentId: string, req: Request, res: Response): Promise<void> {
      const open = [...watchers].filter(({ userId }) => userId === actor.id).length;
      if (open >= mostPerPerson) throw new Refused('tooManyRequests');
      const watcher: Watcher = {
        userId: actor.id,
        mayWatch: () => mayWatch(assignmentId, req),
        end: () => res.end(),
      };
      watchers.add(watcher);
      res.once('close', () => watchers.delete(watcher));
      const session = await createSession(req, res, { keepAlive: 15_000, retry: 2_000 });
      const here = channels.get(assignmentId) ?? new Map<string, { actor: Actor; channel: Channel }>();
      channels.set(assignmentId, here);
      const own = here.get(actor.id) ?? { actor, channel: createChannel() };
      here.set(actor.id, own);
      own.channel.register(session);
      session.once('disconnected', () => {
        if (own.channel.sessionCount > 0) return;
        here.delete(actor.id);
        if (here.size === 0) channels.delete(assignmentId);
      });
    },
    close(): void {
      clearInterval(timer);
      for (const stop of undo) stop();
    },
  };
}

export type LiveSheets = ReturnType<typeof createLiveSheets>;
