import fs from 'node:fs';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { type School, startSchool } from '../../test/harness.ts';

// Documents are read in processes of their own.
vi.setConfig({ testTimeout: 60_000 });

let school: School;
let deckId: string;
let documentId: string;
const demoDocument = (name: string) =>
  fs.readFileSync(new URL(`../../../../../demo/documents/${name}`, import.meta.url));

beforeAll(async () => {
  school = await startSchool();
  ({ id: deckId } = await school.bringIn(demoDocument('paper-bridge.pptx'), 'Deck.pptx'));
  ({ id: documentId } = await school.bringIn(demoDocument('notebook.docx'), 'Notebook.docx'));
}, 60_000);
afterAll(() => school.stop());

const status = async (who: string, place: string) => (await school.as(who).ask('GET', place)).status;

describe('material is open to a student', () => {
  test('through an assignment they received, from when it opens, and while it is open or was begun', async () => {
    school.addMaterial('later', 60_000);
    const content = `/api/materials/${documentId}/content`;
    expect(await status('imani', content)).toBe(404);
    const { assignmentId } = await school.give(documentId, {
      opensAt: '2026-11-24T12:00',
      closesAt: '2026-11-24T18:00',
    });
    expect(await status('imani', content)).toBe(404);
    const before = school.clock.now;
    school.clock.now = Date.UTC(2026, 10, 24, 12);
    expect(await status('imani', content)).toBe(200);
    expect(await status('cobalt', content)).toBe(404);
    await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`);
    school.clock.now = Date.UTC(2026, 10, 24, 20);
    expect(await status('imani', content)).toBe(200);
    expect(await status('tomas', content)).toBe(404);
    school.clock.now = before;
  });

  test('and once they have left the class only where they had begun', async () => {
    const { assignmentId } = await school.give(deckId);
    const content = `/api/materials/${deckId}/content`;
    expect(await status('tomas', content)).toBe(200);
    school.services.roster.remove('amber', 'tomas');
    expect(await status('tomas', content)).toBe(404);
    school.services.roster.add('amber', 'tomas');
    await school.as('tomas').ask('PUT', `/api/assignments/${assignmentId}/walk`);
    school.services.roster.remove('amber', 'tomas');
    expect(await status('tomas', content)).toBe(200);
    school.services.roster.add('amber', 'tomas');
  });
});

test('the file itself, with its maker’s notes and comments, is its owner’s alone', async () => {
  await school.give(deckId);
  for (const id of [deckId, documentId]) {
    const at = `/api/materials/${id}/media`;
    expect(await status('adaeze', at)).toBe(200);
    for (const other of ['imani', 'tomas', 'bruno', 'outsider', 'stranger']) expect(await status(other, at)).toBe(404);
  }
  const { body } = await school.as('imani').ask('GET', `/api/materials/${deckId}/content`);
  expect(body.slides.every(({ notes }: { notes: string }) => notes === '')).toBe(true);
});

test('words for a picture are words and nothing else', async () => {
  const adaeze = school.as('adaeze');
  const words = [
    '$& $` $\' $1 onload="alert(1)" x="',
    '"><script>alert(1)</script>',
    "' onerror=alert(1) '",
    '<b>&amp;',
  ];
  for (const said of words) {
    await adaeze.ask('PUT', `/api/materials/${deckId}/pictures/p1/words`, { words: said });
    const { body } = await adaeze.ask('GET', `/api/materials/${deckId}/content`);
    const html = body.slides.map((slide: { html: string }) => slide.html).join('');
    const alts = [...html.matchAll(/\salt="([^"]*)"/g)].map(([, alt]) => alt);
    const escaped = said
      .replaceAll('&', '&amp;')
      .replaceAll('<', '&lt;')
      .replaceAll('>', '&gt;')
      .replaceAll('"', '&quot;');
    expect(alts).toContain(escaped);
    const around = html.replaceAll(escaped, '');
    expect(around).not.toMatch(/<script|\son\w+=/);
    expect(around).not.toContain('alert(1)');
  }
});
