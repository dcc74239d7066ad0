import { type Channel, createChannel, createSession } from 'better-sse';
import type { Request, Response } from 'express';
import type { EventBus } from '../../events/event-bus.ts';
import type { AssignmentService } from './assignment-service.ts';

/** Sheets that are being watched, each a channel of server-sent events; a line goes out once per change and sheet. */
export function createLiveSheets(bus: EventBus, assignments: Pick<AssignmentService, 'findStudent'>) {
  const channels = new Map<string, Channel>();

  const unsubscribe = bus.subscribe('attemptChanged', ({ assignmentId, studentId }) => {
    const channel = channels.get(assignmentId);
    if (!channel) return;
    const student = assignments.findStudent(assignmentId, studentId);
    if (student) channel.broadcast(student, 'student');
  });

  return {
    async watch(assignmentId: string, req: Request, res: Response): Promise<void> {
      const session = await createSession(req, res, { keepAlive: 15_000, retry: 2_000 });
      const channel = channels.get(assignmentId) ?? createChannel();
      channels.set(assignmentId, channel);
      channel.register(session);
      session.once('disconnected', () => {
        if (channel.sessionCount === 0) channels.delete(assignmentId);
      });
    },
    close: unsubscribe,
  };
}

export type LiveSheets = ReturnType<typeof createLiveSheets>;
