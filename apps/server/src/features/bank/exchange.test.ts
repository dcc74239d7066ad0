import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import type { Question } from '@semita/core/question';
import { unzipSync, zipSync } from 'fflate';
import { JSDOM } from 'jsdom';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { bankItems, materials } from '../../db/schema.ts';
import { type Client, type School, startSchool } from '../../test/harness.ts';

let school: School;
let adaeze: Client;
let pictureId: string;
const demoPicture = fileURLToPath(new URL('../../../../../demo/pictures/beam.webp', import.meta.url));

beforeAll(async () => {
  school = await startSchool();
  ({ id: pictureId } = await school.bringIn(await readFile(demoPicture), 'beam.webp'));
});
beforeEach(() => {
  school.db.delete(bankItems).run();
  adaeze = school.as('adaeze');
});
afterAll(() => school.stop());

const allKinds = (): Question[] =>
  (Object.values(everyKind) as Question[]).map((question) =>
    question.picture ? { ...question, picture: { ...question.picture, materialId: pictureId } } : question,
  );
const put = async (questions: readonly Question[], tags: string[] = []): Promise<string[]> =>
  (await adaeze.ask('POST', '/api/bank', { entries: questions.map((question) => ({ question, tags })) })).body.ids;
const list = async (): Promise<{ question: Question; tags: string[] }[]> => (await adaeze.ask('GET', '/api/bank')).body;
const download = async (ids: readonly string[]) => {
  const response = await fetch(`${school.base}/api/bank/package/${ids.join(',')}`, {
    headers: { cookie: adaeze.cookie },
  });
  return new Uint8Array(await response.arrayBuffer());
};
const takeIn = (bytes: Uint8Array) => adaeze.ask('POST', '/api/bank/package', Buffer.from(bytes));
const encode = (text: string) => new TextEncoder().encode(text);

describe('our own package', () => {
  test('comes back with every kind as it was, its tags and its pictures', async () => {
    const questions = allKinds();
    const ids = await put(questions, ['forces', 'Brücken & <Bögen>']);
    const zip = await download(ids);
    school.db.delete(bankItems).run();
    const taken = await takeIn(zip);
    expect(taken.body).toEqual({ count: questions.length, leftOut: [] });
    const back = (await list()).toReversed();
    const newPicture = back.find(({ question }) => question.picture)?.question.picture?.materialId ?? '';
    const same = ({ question: { id: _, ...rest } }: { question: Question }) =>
      JSON.parse(JSON.stringify(rest).replaceAll(newPicture, pictureId));
    const before = questions.map(({ id: _, ...rest }) => rest);
    const byKind = (a: { kind: string }, b: { kind: string }) => a.kind.localeCompare(b.kind);
    expect(back.map(same).toSorted(byKind)).toEqual(before.toSorted(byKind));
    expect(back.every(({ tags }) => tags.join() === 'forces,Brücken & <Bögen>')).toBe(true);
    await school.services.jobs.settle();
    expect(
      school.db
        .select()
        .from(materials)
        .all()
        .filter(({ id }) => id === newPicture),
    ).toMatchObject([{ kind: 'picture', status: 'ready' }]);
  });

  test('is read by another parser of XML, and names every file that is in it', async () => {
    const files = unzipSync(await download(await put(allKinds())));
    // jsdom reads XML with saxes; ours is written by core and read with xmldom.
    const { DOMParser } = new JSDOM('').window;
    const parse = (name: string) =>
      new DOMParser().parseFromString(new TextDecoder().decode(files[name]), 'application/xml');
    const manifest = parse('imsmanifest.xml');
    expect(manifest.documentElement.localName).toBe('manifest');
    const named = [...manifest.getElementsByTagName('file')].map((file) => file.getAttribute('href'));
    expect(new Set(named)).toEqual(new Set(Object.keys(files).filter((name) => name !== 'imsmanifest.xml')));
    for (const resource of manifest.querySelectorAll('resource[type=imsqti_item_xmlv3p0]')) {
      const item = parse(resource.getAttribute('href') ?? '');
      expect(item.documentElement.localName).toBe('qti-assessment-item');
      expect(item.documentElement.namespaceURI).toBe('http://www.imsglobal.org/xsd/imsqtiasi_v3p0');
    }
    const ids = [...manifest.querySelectorAll('resource')].map((resource) => resource.getAttribute('identifier'));
    for (const dependency of manifest.querySelectorAll('dependency'))
      expect(ids).toContain(dependency.getAttribute('identifierref'));
  });

  test('says what other programs would not find', async () => {
    const [id = ''] = await put([everyKind.numeric]);
    const report = (await adaeze.ask('GET', `/api/bank/package/${id}/report`)).body;
    expect(report).toEqual([{ stem: everyKind.numeric.stem, fields: expect.arrayContaining(['hint', 'unit']) }]);
    expect((await school.as('bruno').ask('GET', `/api/bank/package/${id}`)).status).toBe(404);
  });
});

test.each([
  ['a list', 'Which?\n\n- one\n- *two*\n\n  and a half\n- three'],
  ['numbers, headings, a quotation', '## Look\n\n1. first\n2. **second**\n\n> Stone is strong.'],
  ['code, a link and signs', 'Use `a < b`, see [here](https://example.org/a_b), 5 \\* 3 \\_ x & <y>.'],
  ['formulas', 'The ratio is $\\frac{F}{m g}$, so $a_1 * b_2$ holds.'],
  ['a table', '| part | force |\n| --- | --- |\n| deck | pull |'],
  ['a line that ends', 'one\\\ntwo'],
])('the words of a question come back from the standard’s markup alone: %s', async (_, stem) => {
  const files = unzipSync(await download(await put([{ ...everyKind.poll, stem }])));
  const [name = ''] = Object.keys(files).filter((one) => one.startsWith('items/'));
  const xml = new TextDecoder().decode(files[name]);
  school.db.delete(bankItems).run();
  // Without what is kept beside the item.
  await takeIn(encode(xml.replace(/ data-semita="[^"]*"/, '')));
  const [item] = await list();
  const plain = (text: string) => text.replace(/\\(?=[*_<&$])/g, '').replace(/\s+/g, ' ');
  expect(plain(item?.question.stem ?? '')).toBe(plain(stem));
});

const item = (body: string, head = '') =>
  `<?xml version="1.0"?>${head}<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="i" title="t" adaptive="false" timeDependent="false"><itemBody>${body}</itemBody></assessmentItem>`;
const manifest = (resources: string) =>
  encode(`<?xml version="1.0"?><manifest identifier="m"><resources>${resources}</resources></manifest>`);
const written =
  '<extendedTextInteraction responseIdentifier="RESPONSE"><prompt>Why?</prompt></extendedTextInteraction>';
const resource = (href: string, inside = '') =>
  `<resource identifier="${href}" type="imsqti_item_xmlv2p1" href="${href}">${inside}</resource>`;

describe('packages of other programs, and bad ones', () => {
  test('what is missing, points outside, goes in circles or is broken is told, and the rest is taken', async () => {
    const circle = '<dependency identifierref="a.xml"/>';
    const zip = zipSync({
      'imsmanifest.xml': manifest(
        resource('a.xml', circle) +
          resource('gone.xml') +
          resource('broken.xml') +
          '<resource identifier="t" type="imsqti_test_xmlv2p1" href="t.xml"/>',
      ),
      'a.xml': encode(item(`<p><img src="../../etc/passwd" alt=""/></p>${written}`)),
      'broken.xml': encode('<assessmentItem><itemBody>'),
      't.xml': encode('<assessmentTest/>'),
    });
    const { status, body } = await takeIn(zip);
    expect(status).toBe(200);
    expect(body.count).toBe(1);
    expect(body.leftOut.map(({ code }: { code: string }) => code).toSorted()).toEqual(
      ['fileMissing', 'fileUnsafe', 'notAnItem', 'test'].toSorted(),
    );
    expect(await list()).toMatchObject([{ question: { kind: 'extendedText', stem: 'Why?' } }]);
  });

  test('scripts in an item are words or nothing', async () => {
    const bad = '<p onclick="x()">Look <script>alert(1)</script><a href="javascript:alert(1)">here</a></p>';
    await takeIn(encode(item(`${bad}${written}`)));
    const stem = (await list())[0]?.question.stem ?? '';
    expect(stem).not.toMatch(/<script|onclick|javascript:/);
  });

  test.each([
    ['nothing', encode(''), 'notKnown'],
    ['no package', encode('Which?\n- [x] one'), 'notKnown'],
    ['another document', encode('<html><body/></html>'), 'notKnown'],
    ['a zip without a list', zipSync({ 'a.xml': encode(item(written)) }), 'notKnown'],
    ['a list without items', zipSync({ 'imsmanifest.xml': manifest('') }), 'notKnown'],
    [
      'entities of its own',
      encode(item('<p>&x;</p>', '<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]>')),
      'tooMuchInside',
    ],
    [
      'entities inside a zip',
      zipSync({ 'imsmanifest.xml': encode('<!DOCTYPE a [<!ENTITY b "c">]><manifest/>') }),
      'tooMuchInside',
    ],
    ['elements without end', encode(item('<div>'.repeat(5_000) + '</div>'.repeat(5_000))), 'tooMuchInside'],
    ['a zip cut short', zipSync({ 'imsmanifest.xml': manifest('') }).slice(0, 60), 'damaged'],
    ['a bomb', zipSync({ 'imsmanifest.xml': manifest(''), 'a.png': new Uint8Array(80_000_000) }), 'tooMuchInside'],
  ])('%s is refused with a reason, and nothing is kept', async (_, bytes, reason) => {
    const { status, body } = await takeIn(bytes);
    expect([status, body]).toEqual([422, { code: 'packageUnreadable', detail: { reason } }]);
    expect(await list()).toEqual([]);
  });
});
