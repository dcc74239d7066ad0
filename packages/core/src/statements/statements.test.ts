import { describe, expect, test } from 'vitest';
import type { AttemptEvent, EventBody } from '../attempt/attempt-event.ts';
import { teacherSittingId } from '../attempt/attempt-event.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { everyKind } from '../examples/every-kind.ts';
import { correctResponse } from '../marking/correct-response.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { bridgeLesson } from '../test/bridge-lesson.ts';
import { checkStatement } from './check-statement.ts';
import { interactionOf, responseText } from './interaction.ts';
import { nameUuid } from './name-uuid.ts';
import { statementsOf } from './statements-of.ts';

const begunAt = Date.parse('2026-12-03T08:00:00Z');
const registration = '0190a0a0-0000-7000-8000-000000000001';
const scope = {
  actor: { objectType: 'Agent', account: { homePage: 'https://semita.example', name: 'pseudonym' } },
  ...{ registration, lessonIri: 'https://semita.example/lessons/l1', now: begunAt + 24 * 3_600_000 },
} as const;

/** A log as a browser writes it, each event so many seconds after the one before. */
function logOf(...steps: readonly (readonly [afterSeconds: number, body: EventBody, sitting?: string])[]) {
  const next = new Map<string, number>();
  let at = begunAt;
  return steps.map(([after, body, sittingId = 'sitting-1'], index): AttemptEvent => {
    at += after * 1_000;
    const n = next.get(sittingId) ?? 0;
    next.set(sittingId, n + 1);
    return { ...body, id: `event-${index}`, sittingId, n, at, receivedAt: at };
  });
}

const met = (fromMs: number, toMs: number): EventBody => ({ type: 'met', partId: 'clip', fromMs, toMs, rate: 1 });
const pick = (optionId: string): EventBody => ({
  ...{ type: 'answered', stopId: 's-one' },
  responses: { 'q-one': { kind: 'choice', optionIds: [optionId] } },
});
const statements = (log: readonly AttemptEvent[], now: number = scope.now) =>
  statementsOf(
    bridgeLesson,
    createContext(bridgeLesson, { ...defaultTerms, skipping: true }),
    { begunAt, secret: 'secret' },
    log,
    { ...scope, now },
  );
const video = 'https://w3id.org/xapi/video/extensions/';
const told = (made: ReturnType<typeof statements>) =>
  made.map(({ verb, object, result }) => [
    Object.values(verb.display)[0],
    object.id.replace(scope.lessonIri, ''),
    result?.extensions?.[`${video}time`] ?? null,
  ]);

test('a sitting: played on as one, halted at the stop, answered, sought, and ended', () => {
  const log = logOf(
    [0, { type: 'opened' }],
    [5, met(10_000, 15_000)],
    [5, met(15_000, 20_000)],
    [0, { type: 'reachedStop', stopId: 's-one' }],
    [9, pick('o-compression')],
    [5, met(20_000, 25_000)],
    [1, { type: 'sought', partId: 'clip', fromMs: 25_000, toMs: 12_000 }],
    [3, met(12_000, 15_000)],
    [1, { type: 'hidden' }],
  );
  const made = statements(log);
  expect(told(made)).toEqual([
    ['initialized', '', null],
    ['initialized', '/parts/clip', null],
    ['played', '/parts/clip', 0],
    ['paused', '/parts/clip', 10],
    ['answered', '/questions/q-one', null],
    ['played', '/parts/clip', 10],
    ['paused', '/parts/clip', 15],
    ['seeked', '/parts/clip', null],
    ['played', '/parts/clip', 2],
    ['paused', '/parts/clip', 5],
    ['terminated', '/parts/clip', 5],
    ['suspended', '', null],
  ]);
  const last = made.find(({ verb }) => verb.id.endsWith('/terminated'));
  // As played, and not merged; the share is of what was met at all.
  expect(last?.result?.extensions).toMatchObject({
    [`${video}played-segments`]: '0.000[.]10.000[,]10.000[.]15.000[,]2.000[.]5.000',
    [`${video}progress`]: 0.375,
  });
  const answered = made.find(({ verb }) => verb.id.endsWith('/answered'));
  expect(answered?.result).toEqual({
    response: 'o-compression',
    success: true,
    score: { scaled: 1, raw: 2, min: 0, max: 2 },
  });
  expect(answered?.object.definition).toMatchObject({
    interactionType: 'choice',
    correctResponsesPattern: ['o-compression'],
  });
  expect(made[1]?.context.contextActivities.category).toEqual([
    { objectType: 'Activity', id: 'https://w3id.org/xapi/video' },
  ]);
  for (const one of made) expect([one.verb.id, checkStatement(one)]).toEqual([one.verb.id, []]);
});

test('all watched is completed once, and handing in completes the lesson with what it came to', () => {
  const text = { kind: 'extendedText', text: 'They bend.' } as const;
  const log = logOf(
    [0, { type: 'opened' }],
    [10, met(10_000, 20_000)],
    [0, { type: 'reachedStop', stopId: 's-one' }],
    [4, pick('o-tension')],
    [10, met(20_000, 30_000)],
    [0, { type: 'reachedStop', stopId: 's-pause' }],
    [2, { type: 'acknowledged', stopId: 's-pause' }],
    [10, met(30_000, 40_000)],
    [0, { type: 'reachedStop', stopId: 's-two' }],
    [
      30,
      {
        ...{ type: 'answered', stopId: 's-two' },
        responses: { 'q-several': { kind: 'choice', optionIds: ['o-cable', 'o-hanger'] }, 'q-written': text },
      },
    ],
    [10, met(40_000, 50_000)],
    [10, met(40_000, 50_000)],
    [5, { type: 'handedIn' }],
    [
      3_600,
      { type: 'marked', stopId: 's-two', questionId: 'q-written', points: 300, by: 'teacher-1' },
      teacherSittingId,
    ],
  );
  const made = statements(log);
  const of = (verb: string, place: string) =>
    made.filter(({ verb: { id }, object }) => id.endsWith(`/${verb}`) && object.id === `${scope.lessonIri}${place}`);
  expect(of('completed', '/parts/clip')).toHaveLength(1);
  expect(of('completed', '')[0]?.result).toMatchObject({
    completion: true,
    // Two waits to be marked: it is in neither number.
    score: { raw: 3, max: 5, scaled: 0.6 },
  });
  expect(of('answered', '/questions/q-written')[0]?.result).toEqual({ response: 'They bend.' });
  expect(of('scored', '/questions/q-written')[0]?.result).toEqual({
    score: { scaled: 0.75, raw: 3, min: 0, max: 4 },
  });
  expect(of('answered', '/questions/q-one')[0]?.result?.success).toBe(false);
  expect(of('terminated', '')).toHaveLength(1);
  expect(made.map(({ timestamp }) => timestamp)).toEqual(
    made.map(({ timestamp }) => timestamp).toSorted((a, b) => (a < b ? -1 : 1)),
  );
  expect(JSON.stringify(made)).not.toMatch(/SECRET|teacher-1/);
});

test('written again they are the same, so that sending again is harmless; a sitting that goes on has no end yet', () => {
  const log = logOf([0, { type: 'opened' }], [5, met(10_000, 15_000)]);
  expect(statements(log)).toEqual(statements(log));
  const early = statements(log, begunAt + 60_000);
  expect(told(early).map(([verb]) => verb)).toEqual(['initialized', 'initialized', 'played']);
  const later = statements(log);
  expect(later.map(({ id }) => id).slice(0, 3)).toEqual(early.map(({ id }) => id));
  expect(new Set(later.map(({ id }) => id)).size).toBe(later.length);
  const twice = logOf([0, { type: 'opened' }], [90_000, { type: 'opened' }, 'sitting-2']);
  expect(told(statements(twice, begunAt + 10 ** 9)).map(([verb]) => verb)).toContain('resumed');
});

test('a sitting of which the beginning never came is one all the same', () => {
  const log = logOf([0, { type: 'shown' }], [5, met(10_000, 15_000)], [5, met(15_000, 20_000)]);
  expect(told(statements(log)).map(([verb, place]) => `${verb} ${place}`)).toEqual([
    'initialized ',
    'initialized /parts/clip',
    'played /parts/clip',
    'paused /parts/clip',
    'terminated /parts/clip',
    'suspended ',
  ]);
});

test('what a sitting came to stays as it was told, whatever later ones add', () => {
  const first = logOf([0, { type: 'opened' }], [5, met(10_000, 15_000)]);
  const later = logOf(
    [0, { type: 'opened' }],
    [5, met(10_000, 15_000)],
    [90_000, { type: 'opened' }, 'sitting-2'],
    [30, met(15_000, 45_000), 'sitting-2'],
    [5, { type: 'handedIn' }, 'sitting-2'],
  );
  const then = statements(first, begunAt + 60 * 60_000);
  const now = new Map(statements(later, begunAt + 10 ** 9).map((one) => [one.id, one]));
  expect(then.length).toBeGreaterThan(4);
  for (const one of then) expect(now.get(one.id)).toEqual(one);
});

test('what was not believed is not told', () => {
  // Two minutes of film in one second.
  const log = logOf([0, { type: 'opened' }], [1, met(10_000, 50_000)]);
  const played = statements(log).find(({ verb }) => verb.id.endsWith('/paused'));
  expect(played?.result?.extensions?.[`${video}time`]).toBeLessThan(20);
});

describe('questions as interactions', () => {
  test.each(Object.values(everyKind))('$kind', (question) => {
    const definition = interactionOf(question);
    const statement = {
      ...{ id: nameUuid(question.kind), actor: scope.actor, verb: { id: 'http://adlnet.gov/expapi/verbs/answered' } },
      object: { objectType: 'Activity', id: `${scope.lessonIri}/questions/q`, definition },
    };
    expect(checkStatement(statement)).toEqual([]);
    const correct = correctResponse(question);
    const isRange = question.kind === 'numeric';
    const text = isRange ? '3.202222122[:]3.266913478' : correct && responseText(question, correct);
    expect(definition.correctResponsesPattern ?? null).toEqual(text && question.points > 0 ? [text] : null);
  });
});

test('a number is told without a unit and without marks between its groups', () => {
  const question = { ...everyKind.numeric, value: 12_345.5, tolerance: { kind: 'exact' as const } };
  expect(interactionOf(question).correctResponsesPattern).toEqual(['12345.5']);
  const near = { ...question, tolerance: { kind: 'absolute' as const, by: 0.1 } };
  expect(interactionOf(near).correctResponsesPattern).toEqual(['12345.4[:]12345.6']);
});

test('the UUID of a name: as by Python 3’s uuid.uuid5', () => {
  // python3 -c "import uuid; print(uuid.uuid5(uuid.NAMESPACE_URL, 'https://semita.example/a'))"
  expect(nameUuid('https://semita.example/a')).toBe('7da06a36-1c26-57a9-bd23-ab04ade6826a');
  expect(nameUuid('Brückenübung')).toBe('9b19f7f5-6668-5c16-8487-5a57c99a921f');
});

describe('rules of the specification', () => {
  const good = {
    id: nameUuid('good'),
    actor: scope.actor,
    verb: { id: 'http://adlnet.gov/expapi/verbs/answered', display: { en: 'answered' } },
    object: { objectType: 'Activity', id: 'https://semita.example/l1' },
    timestamp: '2026-12-03T08:00:00.000Z',
  };
  test.each<[string, object, string]>([
    ['no actor', { actor: undefined }, 'actor: wrongType'],
    ['an id that is none', { id: '1234' }, 'id: notUuid'],
    ['null', { result: null }, 'result: null'],
    ['a field it does not name', { mood: 'fine' }, 'mood: unknown'],
    ['a verb without scheme', { verb: { id: 'answered' } }, 'verb.id: notIri'],
    ['two identifiers', { actor: { ...scope.actor, openid: 'https://x.example/' } }, 'actor: oneIdentifier'],
    ['nobody', { actor: { objectType: 'Agent' } }, 'actor: oneIdentifier'],
    ['more than all', { result: { score: { scaled: 1.5 } } }, 'result.score.scaled: outOfRange'],
    ['below the least', { result: { score: { raw: -1, min: 0 } } }, 'result.score.raw: outOfRange'],
    ['above the most', { result: { score: { raw: 6, max: 5 } } }, 'result.score.raw: outOfRange'],
    ['a length in words', { result: { duration: '5 minutes' } }, 'result.duration: notDuration'],
    ['nothing after P', { result: { duration: 'P' } }, 'result.duration: notDuration'],
    ['a day without a time', { timestamp: '2026-12-03' }, 'timestamp: notTime'],
    ['an extension without IRI', { result: { extensions: { time: 1 } } }, 'result.extensions.time: notIri'],
    ['a registration that is none', { context: { registration: 'x' } }, 'context.registration: notUuid'],
  ])('%s', (_, change, fault) => {
    expect(checkStatement(good)).toEqual([]);
    expect(checkStatement({ ...good, ...change }).map(({ at, fault: what }) => `${at}: ${what}`)).toContain(fault);
  });

  test('null may stand inside an extension', () => {
    expect(checkStatement({ ...good, result: { extensions: { 'https://x.example/y': null } } })).toEqual([]);
    for (const duration of ['PT1.5S', 'P1Y2M3DT4H5M6S', 'P2W'])
      expect(checkStatement({ ...good, result: { duration } })).toEqual([]);
  });
});
