import type { LearnerEventBody } from '@semita/core/attempt';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../packages/core/src/examples/kinds-lesson.ts';
import { attempts, bankResults, questionResults } from '../db/schema.ts';
import { rebuildStates } from '../features/attempts/rebuild-states.ts';
import { createSender, type School, startSchool } from '../test/harness.ts';

let school: School;
beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
});
afterAll(() => school.stop());

const rows = () =>
  new Set(
    [...school.db.select().from(questionResults).all(), ...school.db.select().from(bankResults).all()].map((row) =>
      JSON.stringify(row),
    ),
  );

test('what students did with a question is written with the event, changed by a mark, and the same when it is rebuilt', async () => {
  const choice = { ...everyKind.choice, asksConfidence: true, bankItemId: 'item' };
  const lesson = lessonOf([choice, everyKind.extendedText]);
  const { assignmentId } = await school.assignLesson(lesson);
  const stops = lesson.parts[0]?.stops ?? [];
  const imani = school.as('imani');
  const { body } = await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`);
  const event = createSender(school.clock);
  const send = async (...bodies: LearnerEventBody[]) => {
    school.clock.now += 60_000;
    const { status } = await imani.ask('POST', `/api/attempts/${body.attemptId}/events`, { events: bodies.map(event) });
    expect(status).toBe(200);
  };
  await send({ type: 'opened' });
  for (const stop of stops) {
    school.clock.now += 60_000;
    await send({ type: 'met', partId: 'clip', fromMs: 0, toMs: 0, rate: 1 }, { type: 'reachedStop', stopId: stop.id });
    const responses = Object.fromEntries(
      (stop.kind === 'checkpoint' ? stop.questions : []).map((question) => [
        question.id,
        question.kind === 'choice'
          ? { kind: 'choice' as const, optionIds: ['c2'], confidence: 3 as const }
          : { kind: 'extendedText' as const, text: 'Because it bends.' },
      ]),
    );
    await send({ type: 'answered', stopId: stop.id, responses });
  }
  const stored = () =>
    school.db
      .select()
      .from(questionResults)
      .all()
      .map(({ questionId, points, tries, confidence, stopSpentMs }) => [
        questionId,
        points,
        tries,
        confidence,
        stopSpentMs,
      ]);
  const before = stored();
  expect(before.map(([id, , tries, confidence]) => [id, tries, confidence])).toEqual([
    [choice.id, 1, 3],
    [everyKind.extendedText.id, 1, null],
  ]);
  expect(before[1]?.[1]).toBeNull();
  expect(before.every(([, , , , spent]) => Number(spent) > 0)).toBe(true);
  expect(school.db.select().from(bankResults).all()).toHaveLength(1);

  const stopId = stops.find(
    (stop) => stop.kind === 'checkpoint' && stop.questions.some(({ id }) => id === everyKind.extendedText.id),
  )?.id;
  const mark = { stopId, questionId: everyKind.extendedText.id, points: 100, comment: '' };
  const marked = await school.as('adaeze').ask('POST', `/api/assignments/${assignmentId}/students/imani/marks`, mark);
  expect(marked.status).toBe(200);
  expect(stored()[1]?.[1]).toBe(100);

  const whole = rows();
  expect(rebuildStates(school.db).changed).toEqual([]);
  expect(rows()).toEqual(whole);
  // A school that an older program leaves behind is brought up to date when its attempts are read.
  school.db.delete(questionResults).run();
  school.db.update(attempts).set({ reducer: 2 }).run();
  school.services.states.forget(body.attemptId);
  school.services.states.read(body.attemptId);
  expect(rows()).toEqual(whole);
});
