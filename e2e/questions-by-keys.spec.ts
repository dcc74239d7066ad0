import { everyKind } from '../packages/core/src/examples/every-kind.ts';
import type { Question } from '../packages/core/src/question/question.ts';
import { press, tabTo } from './by-keys.ts';
import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

type Api = (method: string, path: string, body?: unknown) => Promise<never>;

/** A draft whose stops, all at the beginning, ask these questions. */
async function draftOf(page: Page, groups: readonly (readonly Question[])[]): Promise<string> {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  const api: Api = (method, path, body) =>
    page.evaluate(
      async ([how, where, what]) => {
        const headers = { 'content-type': 'application/json' };
        const answer = await fetch(where as string, {
          method: how as string,
          headers,
          ...(what ? { body: what as string } : {}),
        });
        return answer.json();
      },
      [method, path, body === undefined ? '' : JSON.stringify(body)],
    ) as Promise<never>;
  const materials: { id: string; kind: string }[] = await api('GET', '/api/materials');
  const [film, picture] = ['film', 'picture'].map((kind) => materials.find((one) => one.kind === kind)?.id as string);
  const { id }: { id: string } = await api('POST', '/api/lessons', { materialId: film });
  const draft: { version: number; lesson: { parts: { id: string }[] } } = await api('GET', `/api/lessons/${id}`);
  const changes = groups.map((kinds, index) => ({
    type: 'insertStop',
    partId: draft.lesson.parts[0]?.id,
    stop: {
      ...{ id: `stop-${index}`, kind: 'checkpoint', atMs: 0, required: true },
      questions: kinds.map((question) => {
        return question.picture ? { ...question, picture: { ...question.picture, materialId: picture } } : question;
      }),
    },
  }));
  await api('POST', `/api/lessons/${id}/changes`, { baseVersion: draft.version, changes });
  return id;
}

const groups = [
  ['choice', 'poll', 'inlineChoice', 'textEntry', 'numeric', 'slider', 'extendedText', 'hottext'],
  ['gapMatch', 'order', 'match', 'associate', 'graphicGapMatch'],
  ['hotspot', 'selectPoint', 'drawing', 'upload', 'record', 'discussion'],
] as const;

// A window of 640 by 400 is what is left of 1280 by 800 at a zoom of 200 %.
test.use({ viewport: { width: 640, height: 400 } });

test('every kind is answered by keyboard alone, at a zoom of 200 %', async ({ page }) => {
  test.setTimeout(240_000);
  const id = await draftOf(
    page,
    groups.map((kinds) => kinds.map((kind) => everyKind[kind])),
  );
  await page.goto(`/lessons/${id}/rehearse`);
  await press(page, page.getByRole('button', { name: 'Begin', exact: true }));
  const at = (words: RegExp) => page.getByRole('region', { name: words });
  const key = (name: string) => page.keyboard.press(name);
  const nothingIsCutOff = async () => {
    const beyond = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(beyond).toBeLessThanOrEqual(0);
  };

  await expect(page.getByRole('heading', { name: 'Stop 1 of 3' })).toBeFocused();
  await press(page, at(/Pick several/).getByRole('checkbox', { name: 'Cable' }), 'Space');
  await press(
    page,
    at(/Opinion/)
      .getByRole('radio')
      .first(),
    'Space',
  );
  for (const number of [1, 2]) {
    await tabTo(page, at(/Gaps to pick/).getByLabel(`Gap ${number}`));
    await key('ArrowDown');
  }
  await tabTo(page, at(/Gaps to type/).getByLabel('Gap 1'));
  await page.keyboard.type('thrust');
  await tabTo(page, at(/: Number/).getByRole('textbox'));
  await page.keyboard.type('3.23 kN');
  await press(
    page,
    at(/: Scale/)
      .getByRole('radio')
      .first(),
    'Space',
  );
  await key('ArrowRight');
  await tabTo(page, at(/Written answer/).getByRole('textbox'));
  await page.keyboard.type('Because it bends.');
  await press(page, at(/Point in text/).getByRole('button', { name: 'cable' }));
  await nothingIsCutOff();
  await expectAccessible(page);
  await press(page, page.getByRole('button', { name: 'Answer all 8' }));
  await press(page, page.getByRole('button', { name: /^(Begin|Go on)$/ }));

  await expect(page.getByRole('heading', { name: 'Stop 2 of 3' })).toBeFocused();
  const place = async (where: RegExp, word: string, gap: RegExp) => {
    await press(page, at(where).getByRole('button', { name: word, exact: true }));
    await press(page, at(where).getByRole('button', { name: gap }));
  };
  await place(/Gaps to fill/, 'pulled', /^Gap 1/);
  await press(
    page,
    at(/Put in order/)
      .getByRole('button', { name: /^Move down/ })
      .first(),
  );
  await place(/Match up/, 'Stone', /^Arch bridge/);
  for (const word of ['squeeze', 'compression'])
    await press(page, at(/Find the pairs/).getByRole('button', { name: word, exact: true }));
  await place(/Place labels/, 'Deck', /^Place y1/);
  await nothingIsCutOff();
  await press(page, page.getByRole('button', { name: 'Answer all 5' }));
  await press(page, page.getByRole('button', { name: /^(Begin|Go on)$/ }));

  await expect(page.getByRole('heading', { name: 'Stop 3 of 3' })).toBeFocused();
  await press(page, at(/Point at places/).getByRole('button', { name: 'Place s1' }));
  await tabTo(
    page,
    at(/Point on picture/)
      .getByRole('button')
      .filter({ hasNotText: /./ })
      .first(),
  );
  await key('ArrowLeft');
  await key('Enter');
  await tabTo(page, at(/: Drawing/).getByRole('application'));
  await key('Space');
  await key('Shift+ArrowRight');
  await key('Space');
  // Waited for before it is reached: a chooser that opens before the runner looks for it is not seen by it.
  const choosing = page.waitForEvent('filechooser', { timeout: 60_000 });
  await tabTo(page, at(/Hand in a file/).getByLabel('Choose a file'));
  await key('Enter');
  await (await choosing).setFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('My notes') });
  const record = at(/Record an answer/);
  await press(page, record.getByRole('button', { name: 'Voice' }));
  await press(page, record.getByRole('button', { name: 'Begin recording' }));
  await page.waitForTimeout(1_000);
  await press(page, record.getByRole('button', { name: 'Stop recording' }));
  await press(page, record.getByRole('button', { name: 'Use this recording' }));
  await tabTo(page, at(/Class thread/).getByRole('textbox'));
  await page.keyboard.type('The arch.');
  await nothingIsCutOff();
  await expectAccessible(page);
  await press(page, page.getByRole('button', { name: 'Answer all 6' }));
  await expect(page.getByText('Stop 3 of 3: Handed in, not marked').last()).toBeVisible();
});

test('a wrong answer can be tried again, and what is timed closes by itself with what stands there', async ({
  page,
}) => {
  const tried: Question = { ...everyKind.choice, multiple: false, tries: { count: 3, laterPercent: 50 } };
  const options = tried.options.map((option, index) => ({ ...option, correct: index === 0 }));
  const timed: Question = { ...everyKind.numeric, timeLimitMs: 6_000 };
  const blank: Question = { ...timed, id: 'q-blank' };
  const id = await draftOf(page, [[{ ...tried, options }], [timed], [blank]]);
  await page.goto(`/lessons/${id}/rehearse`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();

  await page.getByRole('radio', { name: 'Tower' }).check();
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(page.getByText('Not right yet. Try 2 of 3 is worth 50 %.')).toBeVisible();
  await expect(page.getByText('SECRET tower')).toBeVisible();
  await expect(page.getByText('SECRET cable')).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'Cable' }).check();
  await page.getByRole('button', { name: 'Answer again' }).click();
  await expect(page.getByText('Stop 1 of 3: Some points, 2 of 4').last()).toBeVisible();

  await page.getByRole('button', { name: /^(Begin|Go on)$/ }).click();
  // Its words are not there before its time runs.
  const begin = page.getByRole('button', { name: 'Begin this question' });
  await expect(begin).toBeVisible();
  await expect(page.getByRole('region', { name: /^Number/ }).getByRole('textbox')).toHaveCount(0);
  await expectAccessible(page);
  await begin.click();
  await expect(page.getByText('Time left:')).toBeVisible();
  await page
    .getByRole('region', { name: /^Number/ })
    .getByRole('textbox')
    .fill('3.23 kN');
  await expect(page.getByText('Stop 2 of 3: All points, 4 of 4').last()).toBeVisible();

  // Whoever knows nothing is let go on as well.
  await page.getByRole('button', { name: /^(Begin|Go on)$/ }).click();
  await expect(page.getByRole('heading', { name: 'Stop 3 of 3' })).toBeVisible();
  await begin.click();
  await expect(page.getByText('Left blank')).toBeVisible({ timeout: 30_000 });
});
