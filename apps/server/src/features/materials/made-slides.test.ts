import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { lessons, materials } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';

// Each picture is read in a process of its own.
vi.setConfig({ testTimeout: 30_000 });

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const png = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#336699' } })
    .png()
    .toBuffer();

const slide = (change: object = {}) => ({
  id: 's1',
  heading: 'Squeeze or pull?',
  text: 'Two forces do most of the work.',
  pictures: [],
  film: null,
  colour: '#ffffff',
  backgroundId: null,
  notes: 'Ask Imani first.',
  ...change,
});
const deckOf = (...slides: object[]) => ({ portrait: false, slides });

/** Saves on top of what stands there, unless another print is named. */
async function save(slides: object[], materialId: string | null = null, more: object = {}) {
  const adaeze = school.as('adaeze');
  const there = materialId && (await adaeze.ask('GET', `/api/materials/${materialId}/made-slides`)).body;
  const on = { before: there?.print ?? null, saveId: v7() };
  const body = { materialId, title: 'Forces', deck: deckOf(...slides), ...on, ...more };
  return adaeze.ask('POST', '/api/made-slides', body);
}
const contentOf = async (id: string, who = 'adaeze') =>
  (await school.as(who).ask('GET', `/api/materials/${id}/content`)).body.slides;

describe('a picture', () => {
  test('becomes a material that stands for itself', async () => {
    const { adaeze, id, material } = await school.bringIn(await png(640, 360), 'A beam.png');
    expect(material).toMatchObject({ kind: 'picture', status: 'ready', width: 640, height: 360, lengthMs: 0 });
    const shown = await adaeze.ask('GET', `/api/materials/${id}/media`);
    expect([shown.status, shown.headers.get('content-type')]).toEqual([200, 'image/webp']);
    expect((await adaeze.ask('POST', '/api/lessons', { materialId: id })).body.code).toBe('notFound');
  });

  test.each([
    ['broken.png', async () => Buffer.concat([(await png(64, 64)).subarray(0, 60), Buffer.alloc(500, 1)])],
    ['dot.png', () => png(1, 1)],
  ])('%s is refused', async (name, bytes) => {
    const { material } = await school.bringIn(await bytes(), name);
    expect(material).toMatchObject({ status: 'refused', refusal: 'damaged' });
  });
});

describe('slides made here', () => {
  test('are a deck like any other, with their words, pictures and films', async () => {
    const { id: pictureId } = await school.bringIn(await png(640, 360), 'A beam.png');
    school.addMaterial('film', 60_000);
    const pictures = [{ materialId: pictureId, alt: 'A "blue" beam' }];
    const text = 'They **squeeze** or pull:\n\n- see [here](https://workshop.example/a)';
    const film = { materialId: 'film', title: 'The film' };
    const { body } = await save([slide({ text, pictures }), slide({ id: 's2', heading: '', film })]);
    const slides = await contentOf(body.id);
    expect(slides[0]).toMatchObject({ id: 's1', title: 'Squeeze or pull?', width: 1280, height: 720 });
    expect(slides[0].text.split('\n')).toEqual([
      'Squeeze or pull?',
      'They squeeze or pull:',
      'see here',
      'A "blue" beam',
    ]);
    expect(slides[0].html).toContain('<strong>squeeze</strong>');
    expect(slides[0].html).toMatch(/href="https:\/\/workshop\.example\/a"[^>]*rel="noopener noreferrer nofollow"/);
    expect(slides[0].html).toContain(`src="/api/materials/${body.id}/pictures/p1" alt="A &quot;blue&quot; beam"`);
    expect((await school.as('imani').ask('GET', `/api/materials/${body.id}/pictures/p1`)).status).toBe(404);
    await school.give(body.id);
    expect((await school.as('imani').ask('GET', `/api/materials/${body.id}/pictures/p1`)).status).toBe(200);
    expect(slides[1].html).toContain('src="/api/materials/film/media"');
    expect(slides[1].lengthMs).toBeGreaterThan(60_000);
    expect(slides[0].notes).toBe('Ask Imani first.');
    expect((await contentOf(body.id, 'imani'))[0].notes).toBe('');
    const { body: listed } = await school.as('adaeze').ask('GET', '/api/materials');
    const used = listed.find((one: { id: string }) => one.id === pictureId);
    expect(used.usedIn).toEqual(['Forces']);
  });

  test('a drawing is the same as what is saved, but for where its pictures are', async () => {
    const { adaeze, id } = await school.bringIn(await png(64, 64), 'A beam.png');
    const deck = deckOf(slide({ pictures: [{ materialId: id, alt: 'Beam' }], backgroundId: id }));
    const { body: drawn } = await adaeze.ask('POST', '/api/made-slides/drawing', { deck });
    const saved = await contentOf((await save(deck.slides)).body.id);
    expect(drawn[0].html).toContain(`/api/materials/${id}/media`);
    const neutral = (html: string) => html.replace(/\/api\/[^"]+/g, '');
    expect(neutral(drawn[0].html)).toBe(neutral(saved[0].html));
  });

  test('nothing that a teacher types becomes a script or reaches outside', async () => {
    const heading = '<script>alert(1)</script><img src=x onerror=alert(1)>';
    const text = [
      '<script>alert(1)</script>',
      '<img src="https://tracker.example/x.gif" onerror="alert(1)">',
      '[click](javascript:alert(1))',
      '![picture](https://tracker.example/x.gif)',
      '<video src="https://tracker.example/x.mp4" autoplay></video>',
    ].join('\n\n');
    const { body } = await save([slide({ heading, text })]);
    const [{ html }] = await contentOf(body.id);
    const tags = [...html.matchAll(/<(\w+)/g)].map(([, tag]) => tag);
    // An address that is written out becomes a link, which loads nothing by itself.
    expect(new Set(tags)).toEqual(new Set(['div', 'p', 'a']));
    expect(html).not.toMatch(/<\w[^>]*\s(?:src|on\w+)=|href="(?!https:)/);
    expect((await save([slide({ colour: 'red;background:url(//x)' })])).status).toBe(422);
  });

  test('other teachers’ pictures cannot be shown, and their slides not changed', async () => {
    school.addMaterial('foreign', 0, 'bruno');
    const shown = await save([slide({ pictures: [{ materialId: 'foreign', alt: '' }] })]);
    expect(shown.body).toMatchObject({ code: 'inputInvalid' });
    const { body } = await save([slide()]);
    const change = { materialId: body.id, title: 'Mine now', deck: deckOf(slide()), before: null, saveId: v7() };
    expect((await school.as('bruno').ask('POST', '/api/made-slides', change)).status).toBe(404);
    expect((await school.as('bruno').ask('GET', `/api/materials/${body.id}/made-slides`)).status).toBe(404);
  });
});

describe('changing slides that lessons show', () => {
  const three = [slide(), slide({ id: 's2', heading: 'Beams' }), slide({ id: 's3', heading: 'Arches' })];
  const draftOf = (id: string) => school.db.select().from(lessons).where(eq(lessons.id, id)).get()?.draft;

  async function lessonWithStop() {
    const { body } = await save(three);
    const adaeze = school.as('adaeze');
    const { body: lesson } = await adaeze.ask('POST', '/api/lessons', { materialId: body.id });
    const part = draftOf(lesson.id)?.parts[0];
    const anchor = { blockId: 's3', number: 3 };
    const stop = { id: 'stop', kind: 'pause', atMs: part?.outMs, anchor, note: 'Look again.' };
    const changes = [{ type: 'insertStop', partId: part?.id, stop }];
    await adaeze.ask('POST', `/api/lessons/${lesson.id}/changes`, { baseVersion: 1, changes });
    return { adaeze, deckId: body.id as string, lessonId: lesson.id as string };
  }
  const without2 = [slide(), slide({ id: 's3', heading: 'Arches' })];

  test('a draft follows: its stops move with their slides', async () => {
    const { deckId, lessonId } = await lessonWithStop();
    expect((await save(without2, deckId)).body.id).toBe(deckId);
    const part = draftOf(lessonId)?.parts[0];
    const slides = await contentOf(deckId);
    expect(part?.outMs).toBe(slides[0].lengthMs + slides[1].lengthMs);
    expect(part?.stops[0]).toMatchObject({ atMs: part?.outMs, anchor: { blockId: 's3', number: 2 } });
  });

  test('an edition keeps the slides it was made with', async () => {
    const { adaeze, deckId, lessonId } = await lessonWithStop();
    expect((await adaeze.ask('POST', `/api/lessons/${lessonId}/editions`, { draftVersion: 2 })).status).toBe(200);
    const { body } = await save(without2, deckId);
    expect(body.id).not.toBe(deckId);
    expect(await contentOf(deckId)).toHaveLength(3);
    expect(draftOf(lessonId)?.parts[0]).toMatchObject({ materialId: body.id });
    expect((await save([slide()], body.id)).body.id).toBe(body.id);
  });
});

test('what a lesson shows must be on the teacher’s own shelf, pictures and voices too', async () => {
  school.addMaterial('film', 60_000);
  school.addMaterial('foreign', 3_000, 'bruno');
  const adaeze = school.as('adaeze');
  const { body: lesson } = await adaeze.ask('POST', '/api/lessons', { materialId: 'film' });
  const directions = { materialId: 'foreign', words: '' };
  const changes = [{ type: 'setDirections', partId: null, directions }];
  const { body } = await adaeze.ask('POST', `/api/lessons/${lesson.id}/changes`, { baseVersion: 1, changes });
  expect(body).toMatchObject({ code: 'changeImpossible', detail: { reason: 'materialMissing' } });
});

test('pictures on slides and in questions without words are told before an edition', async () => {
  const { adaeze, id: pictureId } = await school.bringIn(await png(64, 64), 'A beam.png');
  const { body: deck } = await save([slide({ pictures: [{ materialId: pictureId, alt: '' }] }), slide({ id: 's2' })]);
  const { body: lesson } = await adaeze.ask('POST', '/api/lessons', { materialId: deck.id });
  const draft = (await adaeze.ask('GET', `/api/lessons/${lesson.id}`)).body.lesson;
  const partId = draft.parts[0].id;
  const option = (id: string, correct: boolean) => ({ id, text: id, correct, feedback: '' });
  const question = {
    ...{ id: 'q', kind: 'choice', stem: 'What is it?', points: 100, multiple: false, teacherNote: '' },
    options: [option('a', true), option('b', false)],
    picture: { materialId: pictureId, alt: '' },
  };
  const stop = { id: 's', kind: 'checkpoint', atMs: 1_000, required: true, questions: [question] };
  const changes = [{ type: 'insertStop', partId, stop }];
  await adaeze.ask('POST', `/api/lessons/${lesson.id}/changes`, { baseVersion: 1, changes });
  const refused = await adaeze.ask('POST', `/api/lessons/${lesson.id}/editions`, { draftVersion: 2 });
  expect(refused.body).toMatchObject({
    code: 'picturesWithoutAlt',
    detail: {
      pictures: [
        { partId, blockId: 's1' },
        { partId, stopId: 's' },
      ],
    },
  });
});

describe('saved twice', () => {
  test('by a lost answer makes no second deck, and no second version of one that an edition shows', async () => {
    const once = { saveId: v7() };
    const { body } = await save([slide()], null, once);
    expect((await save([slide()], null, once)).body).toEqual(body);
    await school.give(body.id);
    const newer = { before: body.print, saveId: v7() };
    const changed = await save([slide({ heading: 'Newer' })], body.id, newer);
    expect(changed.body.id).not.toBe(body.id);
    expect((await save([slide({ heading: 'Newer' })], body.id, newer)).body).toEqual(changed.body);
    expect(school.db.select().from(materials).all()).toHaveLength(2);
  });

  test('in two tabs writes over nothing unseen', async () => {
    const { body } = await save([slide()]);
    const { body: first } = await save([slide({ heading: 'One tab' })], body.id);
    const second = await save([slide({ heading: 'The other' })], body.id, { before: body.print });
    expect([second.status, second.body.code]).toEqual([409, 'draftMoved']);
    expect((await contentOf(body.id))[0].title).toBe('One tab');
    const onTop = await save([slide({ heading: 'The other' })], body.id, { before: first.print });
    expect([onTop.status, (await contentOf(body.id))[0].title]).toEqual([200, 'The other']);
  });

  test('under the id of what is another’s is refused', async () => {
    const { body } = await save([slide()]);
    const theirs = { materialId: null, title: 'Mine', deck: deckOf(slide()), before: null, saveId: body.id };
    expect((await school.as('bruno').ask('POST', '/api/made-slides', theirs)).status).toBe(404);
    expect((await contentOf(body.id))[0].title).toBe('Squeeze or pull?');
  });
});
