// How many bytes reach the disk for what a student writes, and how fast an hour without a connection is taken in.
import fs from 'node:fs';
import path from 'node:path';
import type { LearnerEventBody } from '@semita/core/attempt';
import { createSender, startSchool } from '../apps/server/src/test/harness.ts';
import { written } from '../packages/core/src/test/bridge-lesson.ts';
import type { Figure } from './compare.ts';
import { timeOf } from './compare.ts';

const minute = 60_000;
const clipMinutes = 60;

const lesson = {
  title: 'An hour',
  parts: [
    {
      ...{ id: 'clip', kind: 'clip' as const, title: 'Film', materialId: 'film', inMs: 0, outMs: clipMinutes * minute },
      stops: Array.from({ length: 12 }, (_, i) => ({
        ...{ id: `s-${i}`, kind: 'checkpoint' as const, atMs: (i + 1) * 4 * minute, required: true },
        questions: [{ ...written, id: `q-${i}` }],
      })),
    },
  ],
};

async function begin() {
  const school = await startSchool({ eventRequestsPerMinute: Number.MAX_SAFE_INTEGER });
  school.addMaterial('film', clipMinutes * minute);
  const { assignmentId } = await school.assignLesson(lesson);
  const imani = school.as('imani');
  const { attemptId } = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const event = createSender(school.clock);
  const send = async (events: unknown[]) => {
    const answer = await imani.ask('POST', `/api/attempts/${attemptId}/events`, { events });
    if (answer.status !== 200) throw new Error(answer.text);
    return answer;
  };
  return { school, event, send };
}

const longAnswer = { kind: 'extendedText' as const, text: 'The deck carries the load to its ends. '.repeat(100) };

/** Bytes in the write-ahead log for each byte of an answer that is typed for ten minutes, late in a lesson of long answers. */
async function measureBytes(): Promise<number> {
  const { school, event, send } = await begin();
  const { $client } = school.db;
  $client.pragma('wal_autocheckpoint = 0');
  await send([event({ type: 'opened' })]);
  for (let stop = 0; stop < 12; stop++) {
    for (let fromMs = stop * 4 * minute; fromMs < (stop + 1) * 4 * minute; fromMs += 5_000) {
      school.clock.now += 5_000;
      await send([event({ type: 'met', partId: 'clip', fromMs, toMs: fromMs + 5_000, rate: 1 })]);
    }
    const stopId = `s-${stop}`;
    await send([event({ type: 'reachedStop', stopId })]);
    if (stop < 11) await send([event({ type: 'answered', stopId, responses: { [`q-${stop}`]: longAnswer } })]);
  }
  $client.pragma('wal_checkpoint(TRUNCATE)');
  const wal = path.join(school.deps.dataDir, 'semita.db-wal');
  const before = fs.existsSync(wal) ? fs.statSync(wal).size : 0;
  let text = '';
  let sentBytes = 0;
  for (let i = 0; i < 200; i++) {
    school.clock.now += 3_000;
    text += 'A word more. ';
    const response = { kind: 'extendedText' as const, text };
    const events = [event({ type: 'draftSaved', stopId: 's-11', questionId: 'q-11', response })];
    sentBytes += JSON.stringify(events).length;
    await send(events);
  }
  const bytes = fs.statSync(wal).size - before;
  await school.stop();
  return bytes / sentBytes;
}

/** Time to take in an hour without a connection, for each time it takes to parse what is sent. */
async function measureFlush(): Promise<number> {
  const { school, event, send } = await begin();
  const events: unknown[] = [];
  const add = (body: LearnerEventBody) => {
    school.clock.now += 5_000;
    events.push(event(body));
  };
  add({ type: 'opened' });
  for (let i = 0; i < 12; i++) {
    for (let fromMs = i * 4 * minute; fromMs < (i + 1) * 4 * minute; fromMs += 5_000)
      add({ type: 'met', partId: 'clip', fromMs, toMs: fromMs + 5_000, rate: 1 });
    add({ type: 'reachedStop', stopId: `s-${i}` });
    const response = { kind: 'extendedText' as const, text: 'The deck carries the load to its ends. '.repeat(10) };
    add({ type: 'answered', stopId: `s-${i}`, responses: { [`q-${i}`]: response } });
  }
  const batches = Array.from({ length: Math.ceil(events.length / 50) }, (_, i) => events.slice(i * 50, (i + 1) * 50));
  const startedAt = performance.now();
  for (const batch of batches) {
    const { body } = await send(batch);
    if (body.outcomes.some(({ kind }: { kind: string }) => kind !== 'taken')) throw new Error('not all was taken');
  }
  const flushMs = performance.now() - startedAt;
  await school.stop();
  const texts = batches.map((batch) => JSON.stringify({ events: batch }));
  return flushMs / timeOf(() => texts.map((text) => JSON.parse(text)));
}

export async function measureWriting(): Promise<Figure[]> {
  const bytes = await measureBytes();
  const flushes = [await measureFlush(), await measureFlush(), await measureFlush()].toSorted((a, b) => a - b);
  return [
    { name: 'Bytes written for ten minutes of typing ÷ bytes sent', ratio: bytes, goal: 15, better: 'lower' },
    { name: 'An hour offline sent at once ÷ parsing it', ratio: flushes[1] as number, goal: 400, better: 'lower' },
  ];
}
