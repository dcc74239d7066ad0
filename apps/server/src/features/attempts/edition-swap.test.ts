import type { Lesson } from '@semita/core/lesson';
import { decodeSheetRow } from '@semita/core/sheet';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { lessons, questionResults } from '../../db/schema.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from './rebuild-states.ts';

let school: School;
let assignmentId: string;
let lessonId: string;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  ({ assignmentId, lessonId } = await school.assignLesson(bridgeLesson));
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const at = () => `/api/assignments/${assignmentId}`;

/** A second edition. */
async function correct(change: (stops: Lesson['parts'][0]['stops']) => Lesson['parts'][0]['stops']) {
  const draft = { ...bridgeLesson, parts: bridgeLesson.parts.map((part) => ({ ...part, stops: change(part.stops) })) };
  school.db.update(lessons).set({ draft, version: 2 }).where(eq(lessons.id, lessonId)).run();
  const made = await ask('adaeze', 'POST', `/api/lessons/${lessonId}/editions`, { draftVersion: 2 });
  expect(made.status).toBe(200);
}

async function walk(who: string, count = wholeWalk.length) {
  const { attemptId } = (await ask(who, 'PUT', `${at()}/walk`)).body;
  const event = createSender(school.clock);
  const send = async (body: Parameters<typeof event>[0]) => {
    school.clock.now += 60_000;
    return (await ask(who, 'POST', `/api/attempts/${attemptId}/events`, { events: [event(body)] })).body;
  };
  for (const body of wholeWalk.slice(0, count)) await send(body);
  return { attemptId: attemptId as string, send };
}
const rowOf = async (who: string) => {
  const { students } = (await ask('adaeze', 'GET', `${at()}/sheet`)).body;
  const { row } = students.find(({ studentId }: { studentId: string }) => studentId === who);
  return decodeSheetRow(row);
};

test('what fits is carried over, what does not is said before, and all of it comes back', async () => {
  await walk('imani');
  await ask('adaeze', 'POST', `${at()}/students/imani/marks`, {
    ...{ stopId: 's-two', questionId: 'q-written', points: 300, comment: 'Good.' },
  });
  const before = await rowOf('imani');
  await correct((stops) => stops.filter(({ id }) => id !== 's-one'));
  const { newer } = (await ask('adaeze', 'GET', `${at()}/sheet`)).body;
  expect(newer).toEqual({ editionNumber: 2, studentIds: ['tomas'], begunCount: 1 });
  const plan = (await ask('adaeze', 'POST', `${at()}/swap/plan`, { editionNumber: 2 })).body;
  expect(plan).toEqual([
    {
      ...{ studentId: 'imani', displayName: 'imani', carried: 2, lost: ['Which force squeezes?'] },
      ...{ wasHandedIn: true, isHandedIn: true },
      ...{ before: { earned: 500, possible: 900 }, after: { earned: 300, possible: 700 } },
    },
  ]);
  // Looking changes nothing.
  expect(await rowOf('imani')).toEqual(before);
  const swap = (editionNumber: number, studentIds = ['imani'], who = 'adaeze') =>
    ask(who, 'POST', `${at()}/swap`, { editionNumber, studentIds });
  expect((await swap(2, ['imani'], 'bruno')).status).toBe(404);
  expect((await swap(2, ['tomas'])).status).toBe(404);
  expect((await swap(2)).body).toEqual([{ studentId: 'imani', editionNumber: 1 }]);
  expect(await rowOf('imani')).toMatchObject({ earned: 300, possible: 700 });
  const seen = (await ask('imani', 'PUT', `${at()}/walk`)).body.view;
  expect(seen.lesson.parts[0].stops.map(({ id }: { id: string }) => id)).toEqual(['s-pause', 's-two']);
  const results = school.db.select().from(questionResults).all();
  expect(results.some(({ questionId }) => questionId === 'q-one')).toBe(false);
  expect(rebuildStates(school.db).changed).toEqual([]);
  const made = (await ask('adaeze', 'GET', `${at()}/students/imani/adjustments`)).body;
  expect(made[0]).toMatchObject({ kind: 'editionSwapped', by: 'adaeze' });
  expect((await swap(1)).body).toEqual([{ studentId: 'imani', editionNumber: 2 }]);
  expect(await rowOf('imani')).toEqual(before);
  expect(rebuildStates(school.db).changed).toEqual([]);
});

test('a swap while a student answers: what was sent before counts, and they go on in the other edition', async () => {
  const { attemptId, send } = await walk('imani', 4);
  await correct((stops) => stops.map((stop) => (stop.id === 's-two' ? { ...stop, id: 's-other' } : stop)));
  const event = createSender(school.clock);
  school.clock.now += 60_000;
  const [answered, swapped] = await Promise.all([
    ask('imani', 'POST', `/api/attempts/${attemptId}/events`, { events: [event({ type: 'opened' })] }),
    ask('adaeze', 'POST', `${at()}/swap`, { editionNumber: 2, studentIds: ['imani'] }),
  ]);
  expect([answered.status, swapped.status]).toEqual([200, 200]);
  for (const body of wholeWalk.slice(4, 8)) await send(body);
  // The stop of before is not there any more: said, and nothing breaks.
  const refused = await send({ type: 'reachedStop', stopId: 's-two' });
  expect(refused.outcomes[0].kind).toBe('refused');
  const taken = await send({ type: 'reachedStop', stopId: 's-other' });
  expect(taken.outcomes[0].kind).toBe('taken');
  expect(rebuildStates(school.db).changed).toEqual([]);
});
