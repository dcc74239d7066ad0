import type { Terms } from '@semita/core/attempt';
import { defaultTerms } from '@semita/core/attempt';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const window = { opensAt: null, dueAt: '2026-11-26T12:00', closesAt: null };
const dueAt = Date.UTC(2026, 10, 26, 11);
const day = 24 * 3_600_000;

async function give(terms: Partial<Terms>) {
  const { assignmentId } = await school.assignLesson(bridgeLesson, { ...defaultTerms, ...terms }, window);
  return assignmentId;
}

/** Walks it all and hands it in; five points of nine, and four that a teacher marks. */
async function walk(assignmentId: string, who = 'imani', verb = 'PUT', path = 'walk') {
  const begun = await ask(who, verb, `/api/assignments/${assignmentId}/${path}`);
  const event = createSender(school.clock);
  for (const body of wholeWalk) {
    school.clock.now += 60_000;
    await ask(who, 'POST', `/api/attempts/${begun.body.attemptId}/events`, { events: [event(body)] });
  }
}
const walkOf = async (assignmentId: string, who = 'imani') =>
  (await ask(who, 'PUT', `/api/assignments/${assignmentId}/walk`)).body;
const itemOf = async (who = 'imani') => (await ask(who, 'GET', '/api/todo')).body.items[0];
const mark = (assignmentId: string, points = 400) =>
  ask('adaeze', 'POST', `/api/assignments/${assignmentId}/students/imani/marks`, {
    ...{ stopId: 's-two', questionId: 'q-written', points, comment: 'WORDS of a teacher' },
  });
const change = (assignmentId: string, terms: Partial<Terms>) =>
  ask('adaeze', 'PUT', `/api/assignments/${assignmentId}/terms`, { terms: { ...defaultTerms, ...terms } });

test('late work is worth less: on the sheet, in the list, in the spreadsheet; not for who has more time', async () => {
  const late = { kind: 'worthLess', percentEachDay: 20, maxPercent: 50, graceMinutes: 60 } as const;
  const id = await give({ late, worth: 1_000 });
  school.clock.now = dueAt + 2 * 3_600_000;
  await walk(id);
  await mark(id);
  // Two of two, none of three, four of four; a fifth less, for the day begun.
  expect(await itemOf()).toMatchObject({ earned: 480, possible: 900, latePercent: 20, worth: 1_000, late });
  const lineOf = async () =>
    (await ask('adaeze', 'GET', `/api/assignments/${id}/sheet`)).body.students.find(
      ({ studentId }: { studentId: string }) => studentId === 'imani',
    );
  expect((await lineOf()).result).toEqual({ earned: 480, latePercent: 20 });
  const csv = (await ask('adaeze', 'GET', `/api/assignments/${id}/sheet.csv`)).text;
  expect(csv).toContain(',4.8,9,20,5.33,10,');
  await ask('adaeze', 'POST', `/api/assignments/${id}/adjustments`, {
    ...{ studentIds: ['imani'], change: { kind: 'extendedBy', days: 3 } },
  });
  expect((await lineOf()).result).toBeUndefined();
  expect(await itemOf()).toMatchObject({ earned: 600, latePercent: 0 });
});

test('where no late work is taken it closes when it is due, for each by their own date', async () => {
  const id = await give({ late: { kind: 'refused' } });
  expect(await itemOf()).toMatchObject({ dueAt, closesAt: dueAt });
  await ask('adaeze', 'POST', `/api/assignments/${id}/adjustments`, {
    ...{ studentIds: ['tomas'], change: { kind: 'extendedBy', days: 1 } },
  });
  school.clock.now = dueAt + 1;
  expect((await ask('imani', 'PUT', `/api/assignments/${id}/walk`)).body.code).toBe('windowClosed');
  expect((await ask('tomas', 'PUT', `/api/assignments/${id}/walk`)).status).toBe(200);
});

test('the mean of several attempts is what counts', async () => {
  const id = await give({ attempts: 2, counted: 'mean' });
  await walk(id);
  await mark(id, 400);
  await walk(id, 'imani', 'POST', 'attempts');
  // The second waits to be marked: 6 of 9, and 2 of 9.
  expect(await itemOf()).toMatchObject({ earned: 400, possible: 900 });
});

test('what is shown later is nowhere until then, whatever a student asks', async () => {
  const id = await give({ shown: { points: 'afterDue', feedback: 'whenReleased', keys: 'whenReleased' } });
  await walk(id);
  await mark(id);
  const seen = async () => {
    const [walked, list, feedback] = [
      await ask('imani', 'PUT', `/api/assignments/${id}/walk`),
      await ask('imani', 'GET', '/api/todo'),
      await ask('imani', 'GET', '/api/feedback'),
    ];
    return { all: walked.text + list.text + feedback.text, results: walked.body.view.results, feedback: feedback.body };
  };
  const before = await seen();
  expect(before.all).not.toMatch(/SECRET|WORDS|optionIds":\["o-cable","o-hanger/);
  expect(before.feedback).toEqual([]);
  expect(before.results['q-one']).toMatchObject({ points: null, answerKey: null, isFull: false });
  expect(await itemOf()).toMatchObject({ earned: 0, isWithheld: true });
  school.clock.now = dueAt + 1;
  const due = await seen();
  expect(due.all).not.toMatch(/SECRET|WORDS/);
  expect(due.results['q-one']).toMatchObject({ points: 200, answerKey: null });
  expect(await itemOf()).toMatchObject({ earned: 600, isWithheld: false });
  const release = (isReleased: boolean) => ask('adaeze', 'POST', `/api/assignments/${id}/release`, { isReleased });
  expect((await release(true)).status).toBe(204);
  expect((await seen()).all).toMatch(/WORDS of a teacher/);
  await release(false);
  expect((await seen()).all).not.toMatch(/WORDS/);
});

test('an answer says nothing by its own answer either, and cannot be tried until it is right', async () => {
  const id = await give({ shown: { points: 'atHandIn', feedback: 'atHandIn', keys: 'atHandIn' } });
  const { attemptId } = await walkOf(id);
  const event = createSender(school.clock);
  const steps = wholeWalk.slice(0, 4);
  let last = '';
  for (const body of steps) {
    school.clock.now += 60_000;
    last = (await ask('imani', 'POST', `/api/attempts/${attemptId}/events`, { events: [event(body)] })).text;
  }
  expect(last).toContain('"results"');
  expect(last).not.toMatch(/SECRET|"points":200,"comment"|"markedBy":"program"/);
  for (const body of wholeWalk.slice(4)) {
    school.clock.now += 60_000;
    last = (await ask('imani', 'POST', `/api/attempts/${attemptId}/events`, { events: [event(body)] })).text;
  }
  expect(last).toContain('SECRET feedback compression');
});

test('terms are changed as long as they move no ground, and the computed follows at once', async () => {
  const id = await give({});
  expect((await change(id, { skipping: true, shown: { points: 'atHandIn' } })).status).toBe(204);
  expect((await change(id, {})).status).toBe(204);
  school.clock.now = dueAt + day;
  await walk(id);
  await mark(id);
  const refused = await change(id, { skipping: true, rewindAtStops: false, late: { kind: 'refused' } });
  expect(refused.status).toBe(409);
  expect(refused.body).toMatchObject({
    ...{ code: 'termsFixed', detail: { terms: ['skipping', 'rewindAtStops', 'late'] } },
  });
  const late = { kind: 'worthLess', percentEachDay: 10, maxPercent: 90, graceMinutes: 0 } as const;
  expect((await change(id, { late, isExtra: true, category: 'Homework', attempts: 3 })).status).toBe(204);
  expect(await itemOf()).toMatchObject({ earned: 480, latePercent: 20, isExtra: true, category: 'Homework' });
  expect((await ask('adaeze', 'GET', `/api/assignments/${id}/sheet`)).body).toMatchObject({
    ...{ terms: { late, attempts: 3 }, mostAttempts: 1, releasedAt: null },
  });
  // A class of somebody else is not theirs to change.
  expect((await ask('bruno', 'PUT', `/api/assignments/${id}/terms`, { terms: defaultTerms })).status).toBe(404);
  expect((await ask('bruno', 'POST', `/api/assignments/${id}/release`, { isReleased: true })).status).toBe(404);
});
