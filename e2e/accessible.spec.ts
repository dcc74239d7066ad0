import { enterAs, expectAccessible } from './demo-visit.ts';
import { type Browser, expect, type Page, test } from './test.ts';

type Theme = 'light' | 'dim';

async function visit(browser: Browser, theme: Theme, name: string | null): Promise<Page> {
  const context = await browser.newContext({ reducedMotion: 'reduce' });
  await context.addInitScript((wanted) => localStorage.setItem('semita-theme', wanted), theme);
  const page = await context.newPage();
  if (name) await enterAs(page, name);
  else await page.goto('/sign-in');
  return page;
}

/** Goes somewhere, waits until it is there, and has it checked. */
async function check(page: Page, path: string, shown: string | RegExp) {
  await page.goto(path);
  await expect(page.getByText(shown).first()).toBeVisible();
  await expectAccessible(page);
}

for (const theme of ['light', 'dim'] as const) {
  test(`every screen of a teacher is accessible, in the ${theme} theme`, async ({ browser }) => {
    test.setTimeout(180_000);
    await expectAccessible(await visit(browser, theme, null));
    const page = await visit(browser, theme, 'Ms. Adaeze Lindqvist');
    await check(page, '/today', 'Needs you');
    await page.getByRole('button', { name: /account$/ }).click();
    await expectAccessible(page);
    await check(page, '/week', /Due \d/);
    await check(page, '/shelf', 'Bring in a film');
    await page.getByRole('link', { name: 'Which bridge would you build?' }).click();
    await page.getByRole('button', { name: 'Path', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Part 1: The beam/ })).toBeVisible();
    await expectAccessible(page);
    // It stands at the edge of the map.
    await page.getByRole('button', { name: /^Part 6: Show what you know/ }).press('Enter');
    await page.getByRole('button', { name: 'Open its script' }).click();
    await expect(page.getByLabel('Name of the board')).toBeVisible();
    await expectAccessible(page);
    await check(page, '/history', 'All you gave');
    await check(page, '/shelf/targets', 'Tells compression from tension');
    await check(page, '/classes', '8 Cobalt Design & Engineering');
    await page.getByRole('link', { name: /8 Cobalt/ }).click();
    await expect(page.getByRole('columnheader', { name: 'User name' })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'More for Alma Hernqvist-Diaz' }).click();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Gradebook' }).click();
    await page.getByRole('button', { name: /^Mirela Fagerlund: .*how it comes about/ }).click();
    await expect(page.getByText('Given by hand')).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'How it is counted …' }).click();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Targets' }).click();
    await expect(page.getByRole('button', { name: /^Alma Hernqvist-Diaz, B.1/ })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Settings' }).click();
    await expect(page.getByRole('heading', { name: 'Standing in' })).toBeVisible();
    await expectAccessible(page);

    await page.goto('/shelf');
    await page.getByRole('link', { name: 'How bridges carry load', exact: true }).first().click();
    const stops = page.getByRole('button', { name: /^(Checkpoint|Pause) at/ });
    await stops.first().click();
    await expectAccessible(page);
    await stops.nth(2).click();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Keys' }).click();
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Assign' }).click();
    const giving = page.getByRole('dialog');
    await giving.getByRole('checkbox', { name: '8 Amber Design & Engineering' }).check();
    await giving.getByRole('button', { name: 'Groups and students of 8 Cobalt' }).click();
    await giving.getByLabel('Due', { exact: true }).fill('someday');
    await expect(page.getByRole('alert')).toBeVisible();
    await giving.getByText('Terms', { exact: true }).click();
    await expectAccessible(page);
    await giving.getByLabel('Due', { exact: true }).fill('');
    await giving.getByRole('button', { name: 'Due: calendar' }).click();
    await expect(page.getByRole('grid')).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Throw it away' }).click();
    await page.getByRole('button', { name: 'Rehearse' }).click();
    await expect(page.getByText('Rehearsal: nothing is recorded')).toBeVisible();
    await expectAccessible(page);

    await page.goto('/today');
    await page
      .getByRole('region', { name: 'Given out' })
      .getByRole('listitem')
      .filter({ hasText: /8 Cobalt/ })
      .last()
      .getByRole('link')
      .first()
      .click();
    await expect(page.getByRole('table')).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'What the marks mean' }).click();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Mark \d+ answers/ }).click();
    await expect(
      page
        .getByRole('dialog')
        .getByText(/^Points, of/)
        .first(),
    ).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Marking', exact: true }).click();
    await expect(page.getByRole('navigation', { name: 'Marking' })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Look back' }).click();
    await expect(page.getByText(/^What was to be learnt/)).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Show to the class' }).click();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('region', { name: /^Page 2 of/ })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Terms' }).click();
    await expect(page.getByText('Save the dates').first()).toBeVisible();
    await expectAccessible(page);
    await check(page, '/assignments/nowhere', 'This did not work');
    await check(page, '/nowhere', /nothing here/i);
  });

  test(`what is seen of words, pairs and drawings is accessible, in the ${theme} theme`, async ({ browser }) => {
    const page = await visit(browser, theme, 'Ms. Adaeze Lindqvist');
    const all = await (await page.request.get('/api/assignments')).json();
    const bridges = all.findLast(
      ({ title, className }: Record<string, string>) =>
        title === 'How bridges carry load' && className?.startsWith('8 Cobalt'),
    );
    for (const question of ['q-own', 'q-parts', 'q-draw']) {
      await page.goto(`/assignments/${bridges.id}/stops?question=${question}`);
      await expect(page.getByRole('dialog').getByText('Figures')).toBeVisible();
      await expectAccessible(page);
    }
  });

  test(`every screen of a student is accessible, in the ${theme} theme`, async ({ browser }) => {
    const page = await visit(browser, theme, 'Leilani Draganov');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Go on: How bridges carry load' }).click();
    await expect(page.getByRole('heading', { name: /^Stop \d of 7/ })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('textbox').fill('');
    await page.getByRole('button', { name: /^Answer/ }).click();
    await expect(page.getByRole('alert')).toBeVisible();
    await expectAccessible(page);

    const done = await visit(browser, theme, 'Alma Hernqvist-Diaz');
    await expect(done.getByText('Nothing else to do right now')).toBeVisible();
    await expectAccessible(done);
    await check(done, '/done', 'Handed in');
    await check(done, '/feedback', 'Your teacher says');
    await check(done, '/notices', 'By mail as well');
    await check(done, '/my-week', 'Mon');
    await done.getByRole('link', { name: 'Done' }).click();
    await done.getByRole('link', { name: 'Look again: How bridges carry load' }).click();
    await expect(done.getByText('So far')).toBeVisible();
    await expectAccessible(done);
  });
}

test('students scroll down and never sideways, on the smallest screen and on a large one zoomed twice', async ({
  browser,
}) => {
  for (const width of [320, 640]) {
    const page = await (await browser.newContext({ viewport: { width, height: 640 } })).newPage();
    await enterAs(page, 'Kofi Brannström');
    const expectNoSideways = async () =>
      expect(await page.evaluate(() => document.documentElement.scrollWidth), page.url()).toBeLessThanOrEqual(width);
    await expectNoSideways();
    await page.getByRole('link', { name: /^Go on/ }).click();
    await expect(page.getByRole('heading', { name: /^Stop/ })).toBeVisible();
    await expectNoSideways();
  }
});
