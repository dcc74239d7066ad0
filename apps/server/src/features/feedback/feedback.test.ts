import { defaultTerms } from '@semita/core/attempt';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { countStatements } from '../../test/count-statements.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
let open: string;
let held: string;
const { id: questionId } = everyKind.extendedText;

async function answer(studentId: string, assignmentId: string): Promise<void> {
  const send = await school.beginWalk(studentId, assignmentId);
  const responses = { [questionId]: { kind: 'extendedText' as const, text: 'It bends.' } };
  await send(
    { type: 'opened' },
    { type: 'reachedStop', stopId: 'stop' },
    { type: 'answered', stopId: 'stop', responses },
  );
}

const mark = (studentId: string, assignmentId: string, comment: string) =>
  school.as('adaeze').ask('POST', `/api/assignments/${assignmentId}/students/${studentId}/marks`, {
    ...{ stopId: 'stop', questionId, points: 100, comment },
  });
const feedback = async (studentId = 'imani') => (await school.as(studentId).ask('GET', '/api/feedback')).body;
const see = (studentId = 'imani') => school.as(studentId).ask('POST', '/api/feedback/seen');
const writeBack = (studentId: string, assignmentId: string, text: string) =>
  school.as(studentId).ask('POST', `/api/assignments/${assignmentId}/questions/${questionId}/talk`, { text });
const answerBack = (studentId: string, text: string, as = 'adaeze') =>
  school.as(as).ask('POST', `/api/assignments/${open}/students/${studentId}/questions/${questionId}/talk`, { text });
const talkOf = async (studentId = 'imani', assignmentId = open) =>
  (await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/students/${studentId}/talk`)).body;

beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  ({ assignmentId: open } = await school.assignLesson(lessonOf([everyKind.extendedText])));
  const shown = { points: 'whenReleased', feedback: 'whenReleased', keys: 'whenReleased' } as const;
  ({ assignmentId: held } = await school.assignLesson(lessonOf([everyKind.extendedText]), { ...defaultTerms, shown }));
  for (const id of ['imani', 'tomas']) await answer(id, open);
  await answer('imani', held);
});
afterAll(() => school.stop());

test('what is said is new until it was seen, and new again when more is said; the teacher knows which', async () => {
  expect(await feedback()).toEqual([]);
  expect((await mark('imani', open, 'Say which side.')).status).toBe(200);
  expect(await feedback()).toMatchObject([{ assignmentId: open, isNew: true, mayTalk: true, talk: [] }]);
  expect(await talkOf()).toMatchObject([{ questionId, isSeen: false }]);
  expect((await see()).status).toBe(204);
  expect(await feedback()).toMatchObject([{ isNew: false }]);
  expect(await talkOf()).toMatchObject([{ isSeen: true }]);
  await mark('imani', open, 'Say which side is pulled.');
  expect(await feedback()).toMatchObject([{ isNew: true }]);
  await see();
});

test('a student writes back, waits, and is answered', async () => {
  const waiting = async () => (await school.as('adaeze').ask('GET', `/api/assignments/${open}/talk`)).body;
  school.clock.now += 1_000;
  expect((await writeBack('imani', open, 'The lower one?')).status).toBe(204);
  expect(await waiting()).toMatchObject([{ studentId: 'imani', questionId, stopId: 'stop', text: 'The lower one?' }]);
  const [row] = (await school.as('adaeze').ask('GET', '/api/assignments')).body.filter(
    ({ id }: { id: string }) => id === open,
  );
  expect(row.wroteBackCount).toBe(1);
  // One's own words are nothing new.
  expect(await feedback()).toMatchObject([{ isNew: false, talk: [{ text: 'The lower one?', byTeacher: false }] }]);
  school.clock.now += 1_000;
  expect((await answerBack('imani', 'Yes.')).status).toBe(204);
  expect(await waiting()).toEqual([]);
  expect(await feedback()).toMatchObject([
    { isNew: true, talk: [{ byTeacher: false }, { text: 'Yes.', byTeacher: true }] },
  ]);
  const { body } = await school.as('imani').ask('GET', '/api/notices');
  expect(JSON.stringify(body)).toContain('wroteBack');
});

test('what is held back is not shown, and cannot be answered, until it is released', async () => {
  await mark('imani', held, 'Held back.');
  expect((await feedback()).map(({ assignmentId }: { assignmentId: string }) => assignmentId)).toEqual([open]);
  expect((await writeBack('imani', held, 'What did you say?')).status).toBe(404);
  await see();
  await school.as('adaeze').ask('POST', `/api/assignments/${held}/release`, { isReleased: true });
  const now = (await feedback()).find(({ assignmentId }: { assignmentId: string }) => assignmentId === held);
  expect(now).toMatchObject({ isNew: true, mayTalk: true, result: { comment: 'Held back.' } });
});

test('nobody writes to others’ answers, to what was not said, or without end', async () => {
  expect((await writeBack('tomas', open, 'Me too')).status).toBe(404);
  expect((await writeBack('cobalt', open, 'Hello')).status).toBe(404);
  expect((await answerBack('imani', 'Hm', 'bruno')).status).toBe(404);
  expect((await answerBack('imani', '   ')).status).toBe(422);
  expect((await school.as('imani').ask('GET', `/api/assignments/${open}/students/imani/talk`)).status).toBe(404);
  for (let i = 0; i < 18; i++) await writeBack('imani', open, `Again ${i}`);
  expect((await writeBack('imani', open, 'Once more')).status).toBe(429);
});

test('as many statements for much feedback as for little', async () => {
  const imani = school.as('imani');
  await imani.ask('GET', '/api/feedback');
  expect(await countStatements(school.db, () => imani.ask('GET', '/api/feedback'))).toBeLessThanOrEqual(10);
});
