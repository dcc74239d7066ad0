import type { LearnerEventBody } from '@semita/core/attempt';
import { type Route, routes } from '@semita/core/contract';
import type { Question, Response } from '@semita/core/question';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../packages/core/src/examples/kinds-lesson.ts';
import { type Client, createSender, type School, startSchool } from './test/harness.ts';

/** Questions of every kind, each with all it keeps to itself; and words of another student. */
const questions: readonly Question[] = Object.values(everyKind).map((question) =>
  'points' in question && question.kind === 'choice'
    ? { ...question, tries: { count: 2, laterPercent: 50 } }
    : question,
);
const keys = [
  '3.2345678',
  '"correctId"',
  '"correctIds"',
  '"accepted"',
  '"standing"',
  '"worth"',
  '"teacherNote"',
  '"key"',
];

let school: School;
let assignmentId: string;
let imani: Client;
let attemptId: string;

beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('picture', 0);
  ({ assignmentId } = await school.assignLesson(lessonOf(questions)));
  imani = school.as('imani');
  attemptId = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body.attemptId;
  await walk('tomas', { 'q-written': 'SECRET of another', 'q-discussion': 'SECRET post of another' });
});
afterAll(() => school.stop());

/** What answers a question without knowing anything. */
function guessAt(question: Question, words: Readonly<Record<string, string>>): Response {
  switch (question.kind) {
    case 'choice':
      return { kind: 'choice', optionIds: ['c2'] };
    case 'poll':
      return { kind: 'choice', optionIds: ['p1'] };
    case 'hottext':
      return { kind: 'choice', optionIds: ['h4'] };
    case 'hotspot':
      return { kind: 'choice', optionIds: ['s2'] };
    case 'inlineChoice':
      return { kind: 'gaps', gaps: { i1: 'ia' } };
    case 'gapMatch':
      return { kind: 'gaps', gaps: { g1: 'w3' } };
    case 'textEntry':
      return { kind: 'gaps', gaps: { t1: 'x' } };
    case 'graphicGapMatch':
      return { kind: 'gaps', gaps: { y1: 'x1' } };
    case 'numeric':
      return { kind: 'number', text: '1' };
    case 'order':
      return { kind: 'order', itemIds: ['o1', 'o2', 'o3', 'o4'] };
    case 'match':
      return { kind: 'pairs', pairs: [['l1', 'r3']] };
    case 'associate':
      return { kind: 'pairs', pairs: [['a1', 'a2']] };
    case 'selectPoint':
      return { kind: 'points', points: [[9_999, 9_999]] };
    case 'slider':
      return { kind: 'scale', value: 9 };
    case 'drawing':
      return {
        kind: 'drawing',
        drawing: { marks: [{ tool: 'line', colour: 'ink', size: 9, from: [0, 0], to: [9, 9] }] },
      };
    case 'upload':
    case 'record':
      return { kind: 'files', files: [] };
    default:
      return { kind: 'extendedText', text: words[question.id] ?? 'My words' };
  }
}

async function walk(name: string, words: Readonly<Record<string, string>> = {}) {
  const client = school.as(name);
  const { body } = await client.ask('PUT', `/api/assignments/${assignmentId}/walk`);
  const event = createSender(school.clock);
  const take = (sent: LearnerEventBody) =>
    client.ask('POST', `/api/attempts/${body.attemptId}/events`, { events: [event(sent)] });
  const file = async () => {
    const sent = await client.ask('POST', `/api/attempts/${body.attemptId}/files/notes.txt`, Buffer.from('My notes'));
    return sent.body;
  };
  const responses: Record<string, Response> = {};
  for (const question of questions) {
    const guess = guessAt(question, words);
    responses[question.id] = guess.kind === 'files' ? { kind: 'files', files: [await file()] } : guess;
  }
  await take({ type: 'reachedStop', stopId: 'stop' });
  return { take, responses, answered: await take({ type: 'answered', stopId: 'stop', responses }) };
}

/** Everything any door a student may open answers with, as it stands now. */
async function allAnswers(client: Client): Promise<string> {
  const open = Object.values(routes as Record<string, Route>).filter(
    ({ audience }) => audience === 'anyone' || audience === 'signedIn' || audience === 'student',
  );
  const ids: Record<string, string> = { assignmentId, attemptId, materialId: 'film', studentId: 'tomas' };
  const texts: string[] = [];
  for (const route of open) {
    if (route.path === '/api/session' && route.method !== 'GET') continue;
    if (route.path === '/api/sessions') continue;
    for (const question of questions) {
      const path = route.path.replace(
        /:(\w+)/g,
        (_, name) => ids[name] ?? (name === 'questionId' ? question.id : 'none'),
      );
      texts.push((await client.ask(route.method, path, route.body ? {} : undefined)).text);
      if (!route.path.includes(':questionId')) break;
    }
  }
  return texts.join('\n');
}

test('before anything is answered no door gives a secret away', async () => {
  const said = await allAnswers(imani);
  expect(said).toContain('Which are in tension?');
  expect(said.match(/SECRET[\w ]*/g)).toBeNull();
  for (const key of keys) expect(said, key).not.toContain(key);
});

test('while an answer can be tried again no key is given away, and what others wrote never is', async () => {
  const { answered, take } = await walk('imani');
  expect(answered.body.outcomes[0].kind).toBe('taken');
  expect(answered.body.view.state.stops.stop.phase).toBe('open');
  const said = (await allAnswers(imani)) + answered.text;
  const secrets = new Set(said.match(/SECRET[\w ]*/g));
  // Its own feedback is earned: the option that was picked, and how each answer came out.
  expect([...secrets].sort()).toEqual([
    'SECRET post of another',
    'SECRET said when partly',
    'SECRET said when wrong',
    'SECRET tower',
  ]);
  // The thread is open to whoever has posted; nothing else of another is anywhere.
  const outsideThread = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).text;
  expect(outsideThread).not.toContain('of another');
  expect(outsideThread).not.toContain('"right":{');

  const kept = await take({ type: 'kept', stopId: 'stop' });
  expect(kept.body.view.results['q-order'].answerKey).toEqual({ kind: 'order', itemIds: ['o4', 'o2', 'o3', 'o1'] });
  const after = (await allAnswers(imani)) + kept.text;
  expect(after).not.toMatch(/SECRET (note|hint|target|model|of another)/);
});
