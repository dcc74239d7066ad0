import type { School } from '../apps/server/src/test/harness.ts';
import { createSender } from '../apps/server/src/test/harness.ts';
import { stepsTo } from './lesson-of-stops.ts';

/** As fast as a film may be met: half a minute of it at twice its rate. */
const perStopMs = 15_000;

/**
 * Walks somebody through a lesson of stops up to before its last one, answering each; the school's clock goes along.
 * @returns the attempt
 */
export async function walkAnswered(school: School, studentId: string, assignmentId: string, stopCount: number) {
  const { walks, attempts } = school.services;
  const actor = { id: studentId, roles: ['student'] as const, schoolId: 'quillhaven', displayName: studentId };
  const { attemptId } = await walks.begin(actor, assignmentId);
  const event = createSender(school.clock);
  await walks.takeInEvents(actor, attemptId, [event({ type: 'opened' })]);
  for (let i = 0; i < stopCount; i++) {
    school.clock.now += perStopMs;
    const { outcomes } = await walks.takeInEvents(actor, attemptId, stepsTo(i).map(event));
    if (outcomes.some(({ kind }) => kind !== 'taken'))
      throw new Error(`Refused at stop ${i}: ${JSON.stringify(outcomes)}`);
  }
  if (!attempts.getRow(attemptId)) throw new Error('Nothing was stored.');
  return attemptId;
}
