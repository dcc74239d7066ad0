import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { lessonSaves, lessons } from '../../db/schema.ts';
import { type Client, createSender, type School, startSchool } from '../../test/harness.ts';

let school: School;
let adaeze: Client;
beforeEach(async () => {
  school = await startSchool();
  adaeze = school.as('adaeze');
  school.addMaterial('film', 60_000);
});
afterEach(() => school.stop());

const draft = async () => {
  const { id } = (await adaeze.ask('POST', '/api/lessons', { materialId: 'film' })).body;
  const { lesson } = (await adaeze.ask('GET', `/api/lessons/${id}`)).body;
  return { id, partId: lesson.parts[0].id as string, at: `/api/lessons/${id}` };
};

describe('a save', () => {
  test('that is sent again, because its answer was lost, is no conflict and happens once', async () => {
    const { at, partId } = await draft();
    const stop = { id: 's', kind: 'pause', atMs: 5_000, note: 'Look.', required: true };
    const save = { baseVersion: 1, saveId: v7(), changes: [{ type: 'insertStop', partId, stop }] };
    const first = await adaeze.ask('POST', `${at}/changes`, save);
    const again = await adaeze.ask('POST', `${at}/changes`, save);
    expect([first.status, again.status, again.body]).toEqual([200, 200, first.body]);
    // Also when somebody has gone on since.
    await adaeze.ask('POST', `${at}/changes`, {
      baseVersion: 2,
      saveId: v7(),
      changes: [{ type: 'setTitle', title: 'x' }],
    });
    expect((await adaeze.ask('POST', `${at}/changes`, save)).status).toBe(200);
    const { lesson } = (await adaeze.ask('GET', at)).body;
    expect([lesson.title, lesson.parts[0].stops.length]).toEqual(['x', 1]);
    const other = { ...save, saveId: v7() };
    expect((await adaeze.ask('POST', `${at}/changes`, other)).body.code).toBe('draftMoved');
    expect(school.db.select().from(lessonSaves).all()).toHaveLength(2);
  });

  test('of another lesson is none of this one', async () => {
    const [one, two] = [await draft(), await draft()];
    const save = { baseVersion: 1, saveId: v7(), changes: [{ type: 'setTitle', title: 'Mine' }] };
    await adaeze.ask('POST', `${one.at}/changes`, save);
    await adaeze.ask('POST', `${two.at}/changes`, save);
    expect((await adaeze.ask('GET', two.at)).body.lesson.title).toBe('Mine');
  });
});

describe('words that no keyboard writes', () => {
  test('half letters and zero bytes are mended, and stored as they are shown', async () => {
    const { at } = await draft();
    const title = 'Half \ud83d of a smile \udc00 and \u0000 nothing';
    const saved = await adaeze.ask('POST', `${at}/changes`, { baseVersion: 1, changes: [{ type: 'setTitle', title }] });
    expect(saved.status).toBeLessThan(500);
    const shown = (await adaeze.ask('GET', at)).body.lesson.title as string;
    expect(shown.isWellFormed()).toBe(true);
    const stored = school.db.select().from(lessons).all()[0]?.draft.title;
    expect(stored).toBe(shown);
  });

  test('nor do they come in by another encoding than browsers send', async () => {
    const { at } = await draft();
    const body = { baseVersion: 1, saveId: v7(), changes: [{ type: 'setTitle', title: 'Half \ud83d of it' }] };
    // Written as it is, and not as an escape.
    const text = JSON.stringify(body).replace('\\ud83d', '\ud83d');
    const { status } = await fetch(`${school.base}${at}/changes`, {
      method: 'POST',
      headers: { cookie: adaeze.cookie, 'content-type': 'application/json; charset=utf-16le' },
      body: Buffer.from(text, 'utf16le'),
    });
    expect(status).toBe(200);
    const stored = school.db.select().from(lessons).all().at(-1)?.draft.title;
    expect(stored).toBe('Half \ufffd of it');
  });

  test.each(['__proto__', 'constructor', 'toString', 'prototype', 'hasOwnProperty'])(
    '%s is no id that anything trips over',
    async (id) => {
      const { assignmentId } = await school.assignLesson(bridgeLesson);
      const imani = school.as('imani');
      const { attemptId } = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
      const event = createSender(school.clock);
      const choice = { kind: 'choice', optionIds: [id] } as const;
      const places = [
        event({ type: 'opened' }),
        event({ type: 'reachedStop', stopId: id }),
        event({ type: 'met', partId: id, fromMs: 0, toMs: 10, rate: 1 }),
        event({ type: 'draftSaved', stopId: id, questionId: id, response: choice }),
        event({ type: 'began', stopId: id, questionId: id }),
        event({ type: 'openedTile', stopId: id, tileId: id }),
        event({ type: 'chose', stopId: id, choiceId: id }),
        {
          ...event({
            type: 'answered',
            stopId: id,
            responses: JSON.parse(`{"${id}":{"kind":"choice","optionIds":[]}}`),
          }),
        },
        { ...event({ type: 'opened' }), sittingId: id },
      ];
      for (const one of places) {
        const answer = await imani.ask('POST', `/api/attempts/${attemptId}/events`, { events: [one] });
        expect([200, 422], `${one.type}: ${answer.text}`).toContain(answer.status);
      }
      for (const place of [
        `/api/assignments/${id}/sheet`,
        `/api/assignments/${assignmentId}/students/${id}`,
        `/api/assignments/${assignmentId}/questions/${id}/answers`,
        `/api/lessons/${id}`,
        `/api/materials/${id}`,
        `/api/classes/${id}`,
      ])
        expect((await adaeze.ask('GET', place)).status, place).toBe(404);
      const mark = { stopId: id, questionId: id, points: 1, comment: '' };
      const marked = await adaeze.ask('POST', `/api/assignments/${assignmentId}/students/imani/marks`, mark);
      expect(marked.status).toBeGreaterThanOrEqual(400);
      expect(marked.status).toBeLessThan(500);
      expect((await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).status).toBe(200);
      expect((await adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet`)).status).toBe(200);
      expect(({} as Record<string, unknown>).polluted).toBe(undefined);
    },
  );

  test.each([1, 2, 3])('a file of %i bytes is refused in words', async (length) => {
    const { material } = await school.bringIn(Buffer.alloc(length, 0x41), 'Tiny.mp4');
    expect([material.status, material.refusal]).toEqual(['refused', expect.any(String)]);
  });

  test('a student who does not exist is not there, whatever is asked of them', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const at = `/api/assignments/${assignmentId}/students/nobody`;
    const asks = [
      await adaeze.ask('GET', at),
      await adaeze.ask('PUT', `/api/assignments/${assignmentId}/students/nobody/excusal`, { excused: true }),
      await adaeze.ask('POST', `${at}/marks`, { stopId: 's-one', questionId: 'q', points: 1, comment: '' }),
      await adaeze.ask('GET', `${at}/marks`),
      await adaeze.ask('POST', `${at}/admission`),
    ];
    expect(asks.map(({ status }) => status)).toEqual(asks.map(() => 404));
  });
});

test('what another school makes of the same material is no business of this one', async () => {
  const { id } = await draft();
  const elsewhere = school.as('stranger');
  school.addMaterial('theirs', 60_000, 'stranger', 'elsewhere');
  const theirs = (await elsewhere.ask('POST', '/api/lessons', { materialId: 'theirs' })).body.id;
  // A lesson that names the material of another school, however it came to.
  const row = school.db.select().from(lessons).where(eq(lessons.id, id)).get();
  school.db
    .update(lessons)
    .set({ draft: row?.draft as never })
    .where(eq(lessons.id, theirs))
    .run();
  expect((await adaeze.ask('GET', '/api/materials/film')).body.usedIn).toEqual(['film']);
});
