import { type LiveMessages, type LiveName, type LiveTopic, permissions } from '@semita/core/contract';
import type { SheetLine } from '@semita/core/sheet';
import { createSession, type Session } from 'better-sse';
import type { Request, Response } from 'express';
import type { EventBus } from '../events/event-bus.ts';
import type { Actor } from '../features/accounts/session-service.ts';
import { Refused } from '../http/refused.ts';
import type { Door } from '../http/serve-route.ts';
import type { ChangeLog, VersionedChange } from './change-log.ts';

interface Options {
  readonly bus: EventBus;
  readonly changes: ChangeLog;
  readonly mayDo: Door['mayDo'];
  /** Who is asking; a stream that stays open is nobody at work. */
  readonly findActor: (req: Request) => Actor | null;
  /** One student's line, as somebody who follows the assignment sees it. */
  readonly findLine: (actor: Actor, assignmentId: string, studentId: string) => SheetLine | null;
  /** Whether an assignment reached a student. */
  readonly isReceived: (studentId: string, assignmentId: string) => boolean;
}

/** Streams that one person may have open: a browser opens six to one address at most. */
const maxPerPerson = 12;
const maxTopics = 20;
/** How often it is looked whether who watches still may, in ms; at once where something is known to have changed. */
const lookAgainMs = 15_000;
/** Whoever comes back after more than this many changes asks anew. */
const maxTold = 200;

interface Watcher {
  readonly actor: Actor;
  readonly req: Request;
  readonly topics: ReadonlySet<LiveTopic>;
  readonly session: Session;
  readonly end: () => void;
}

/**
 * The one channel by which browsers are told what happens: server-sent events, with rights looked at when it is opened
 * and when they change, and a version to go on from.
 */
export function createLiveChannel({ bus, changes, mayDo, findActor, findLine, isReceived }: Options) {
  const watchers = new Set<Watcher>();
  const opening = new Map<string, number>();

  const mayWatch = (actor: Actor, topic: LiveTopic): boolean => {
    if (topic === 'own') return actor.roles.includes('student');
    const assignmentId = topic.slice('sheet:'.length);
    return actor.roles.includes('teacher') && mayDo(actor, permissions.followAssignment, assignmentId);
  };

  const send = <Name extends LiveName>(
    { session }: Watcher,
    name: Name,
    message: LiveMessages[Name],
    version: string,
  ) => {
    if (session.isConnected) session.push(message, name, version);
  };

  /** A line is read once for each teacher, in however many tabs they look at it. */
  type Lines = Map<string, SheetLine | null>;
  const lineFor = ({ actor }: Watcher, { assignmentId, studentId }: VersionedChange, lines: Lines) => {
    if (studentId === null) return null;
    const known = lines.get(actor.id);
    if (known !== undefined) return known;
    const line = findLine(actor, assignmentId, studentId);
    lines.set(actor.id, line);
    return line;
  };

  const tell = (watcher: Watcher, change: VersionedChange, lines: Lines) => {
    const { assignmentId, studentId, byOthers, version } = change;
    if (watcher.topics.has(`sheet:${assignmentId}`)) {
      if (studentId === null) return send(watcher, 'askAgain', {}, version);
      const line = lineFor(watcher, change, lines);
      if (line) send(watcher, 'line', { assignmentId, line }, version);
    }
    const isOwn = studentId === null ? isReceived(watcher.actor.id, assignmentId) : studentId === watcher.actor.id;
    if (byOthers && watcher.topics.has('own') && isOwn) send(watcher, 'changed', { assignmentId }, version);
  };

  const lookAgain = (userId: string | null) => {
    for (const watcher of watchers) {
      if (userId !== null && watcher.actor.id !== userId) continue;
      const actor = findActor(watcher.req);
      if (actor?.id !== watcher.actor.id || [...watcher.topics].some((topic) => !mayWatch(actor, topic))) watcher.end();
    }
  };
  const timer = setInterval(() => lookAgain(null), lookAgainMs);
  timer.unref();

  const undo = [
    changes.onChange((change) => {
      const lines: Lines = new Map();
      for (const watcher of watchers) tell(watcher, change, lines);
    }),
    bus.subscribe('rightsChanged', ({ userId }) => lookAgain(userId)),
  ];

  /** What happened while somebody was on the way here; or that it is too much to tell. */
  const catchUp = (watcher: Watcher, since: string) => {
    const missed = changes.since(since);
    if (!missed || missed.length > maxTold) return send(watcher, 'askAgain', {}, changes.version());
    for (const change of missed) tell(watcher, change, new Map());
  };

  return {
    /**
     * @param topics as asked for
     * @param since the version of what the browser shows
     * @throws Refused notFound for a topic that is not theirs, tooManyRequests when the person has too many streams open
     */
    async watch(actor: Actor, topics: readonly string[], since: string | null, req: Request, res: Response) {
      const wanted = new Set(topics.filter(isTopic));
      const mayAll = [...wanted].every((topic) => mayWatch(actor, topic));
      if (wanted.size === 0 || wanted.size < new Set(topics).size || wanted.size > maxTopics || !mayAll)
        throw new Refused('notFound');
      const open = [...watchers].filter((one) => one.actor.id === actor.id).length + (opening.get(actor.id) ?? 0);
      if (open >= maxPerPerson) throw new Refused('tooManyRequests');
      opening.set(actor.id, (opening.get(actor.id) ?? 0) + 1);
      try {
        res.socket?.setNoDelay(true);
        res.set('x-accel-buffering', 'no');
        // Not all at once, when the server has been away.
        const retry = 500 + Math.round(Math.random() * 2_500);
        const session = await createSession(req, res, { keepAlive: 15_000, retry });
        const watcher: Watcher = { actor, req, topics: wanted, session, end: () => res.end() };
        watchers.add(watcher);
        res.once('close', () => watchers.delete(watcher));
        if (since !== null) catchUp(watcher, since);
      } finally {
        opening.set(actor.id, (opening.get(actor.id) ?? 1) - 1);
      }
    },
    close(): void {
      clearInterval(timer);
      for (const stop of undo) stop();
    },
  };
}

const isTopic = (topic: string): topic is LiveTopic => topic === 'own' || topic.startsWith('sheet:');

export type LiveChannel = ReturnType<typeof createLiveChannel>;
