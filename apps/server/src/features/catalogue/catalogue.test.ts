import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { createMediaCatalogue } from '../../../../standins/src/media-catalogue.ts';
import { type School, startSchool } from '../../test/harness.ts';

const media = (name: string) => new URL(`../../../../../e2e/media/${name}`, import.meta.url).pathname;
const captions = new URL('../../../../../demo/film/bridges.en.vtt', import.meta.url).pathname;
const film = {
  id: 'counting',
  title: 'One minute, counted',
  description: 'A tone at each second.',
  author: 'Workshop',
  licence: 'CC0-1.0',
  seconds: 60,
  file: media('timecode-60.webm'),
  captionsFile: captions,
};

let standIn: Server;
let school: School;
beforeAll(async () => {
  standIn = createMediaCatalogue([
    film,
    { ...film, id: 'long', title: 'Longer', seconds: 900, licence: 'CC-BY-4.0' },
  ]).listen(0, '127.0.0.1');
  await new Promise((resolve) => standIn.once('listening', resolve));
  school = await startSchool({ catalogueUrl: `http://127.0.0.1:${(standIn.address() as AddressInfo).port}` });
});
afterAll(async () => {
  await school.stop();
  standIn.close();
});

const search = async (wish: object) =>
  (
    await school
      .as('adaeze')
      .ask('POST', '/api/catalogue/search', { words: '', maxSeconds: null, licence: '', ...wish })
  ).body;

test('films are found by words, length and licence', async () => {
  expect((await search({})).items.map((item: { id: string }) => item.id)).toEqual(['counting', 'long']);
  expect((await search({ words: 'minute counted' })).items).toHaveLength(1);
  expect((await search({ maxSeconds: 300 })).items.map((item: { id: string }) => item.id)).toEqual(['counting']);
  expect((await search({ licence: 'CC-BY-4.0' })).items.map((item: { id: string }) => item.id)).toEqual(['long']);
  expect((await search({ words: 'volcano' })).items).toEqual([]);
});

test('a film is brought in with its title and its captions, though the catalogue stands in the inner network', async () => {
  const adaeze = school.as('adaeze');
  const { body } = await adaeze.ask('POST', '/api/catalogue/materials', { itemId: 'counting' });
  await school.services.jobs.settle();
  const material = (await adaeze.ask('GET', `/api/materials/${body.id}`)).body;
  expect(material).toMatchObject({ status: 'ready', kind: 'film', title: 'One minute, counted', captionCount: 45 });
  expect((await adaeze.ask('POST', '/api/catalogue/materials', { itemId: 'nothing' })).status).toBe(404);
});

test('a catalogue that does not answer is said as that, and none is none', async () => {
  const dead = await startSchool({ catalogueUrl: 'http://127.0.0.1:9' });
  const wish = { words: '', maxSeconds: null, licence: '' };
  expect((await dead.as('adaeze').ask('POST', '/api/catalogue/search', wish)).body.code).toBe('catalogueSilent');
  await dead.stop();
  const none = await startSchool();
  expect((await none.as('adaeze').ask('POST', '/api/catalogue/search', wish)).body).toEqual({
    isThere: false,
    items: [],
  });
  await none.stop();
});
