import { readFileSync } from 'node:fs';
import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

async function openComeBack(page: Page): Promise<void> {
  await page.goto('/classes');
  await page.getByRole('link', { name: /8 Cobalt/ }).click();
  await page.getByRole('link', { name: 'Come back to it', exact: true }).click();
}

test('what was not met comes back: seen by the teacher, answered by the student, and told how much stayed', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await openComeBack(page);
  await expect(page.getByText(/^Of \d+ questions that came back, \d+% was still known\.$/)).toBeVisible();
  const rowOf = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(rowOf('Alma Hernqvist-Diaz').getByText('Waits')).toBeVisible();
  await expectAccessible(page);

  // What would be asked, and without one of the questions.
  await page.getByRole('button', { name: 'Alma Hernqvist-Diaz' }).click();
  const drawer = page.getByRole('dialog', { name: 'What comes back to Alma Hernqvist-Diaz' });
  await expect(drawer.getByText('Would be asked today')).toBeVisible();
  const leave = drawer.getByRole('button', { name: /^Leave out: / }).first();
  const words = ((await leave.getAttribute('aria-label')) ?? '').replace('Leave out: ', '');
  await leave.click();
  await expect(drawer.getByText(words)).toHaveCount(0);
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: `Ask it again: ${words}` }).click();
  await expect(page.getByRole('button', { name: /^Ask it again/ })).toHaveCount(0);

  // On a phone.
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const offline = await phone.newPage();
  await enterAs(offline, 'Alma Hernqvist-Diaz');
  await offline.goto('/to-do');
  await offline.getByRole('link', { name: /^Begin: Come back to it/ }).click();
  await expect(offline.getByRole('heading', { name: 'Stop 1 of 2' })).toBeVisible();
  await expectAccessible(offline);
  const answer = async (on: Page) => {
    await on.getByRole('radio').or(on.getByRole('checkbox')).first().check();
    await on.getByRole('button', { name: 'Answer', exact: true }).click();
  };
  // The line is cut, and the tab is closed: the list sends the answer later, and it goes on where it was.
  await phone.setOffline(true);
  await answer(offline);
  await expect(offline.getByText(/^Stop 1 of 2: /).first()).toBeVisible();
  await offline.close();
  await phone.setOffline(false);
  const alma = await phone.newPage();
  await alma.goto('/to-do');
  await expect(alma.getByText(/1 question left/)).toBeVisible();
  await alma.getByRole('link', { name: /^Go on: Come back to it/ }).click();
  await expect(alma.getByText(/^Stop 1 of 2: /).first()).toBeVisible();
  await alma.getByRole('button', { name: 'Next question' }).click();
  await answer(alma);
  await expect(alma.getByText(/^Stop 2 of 2: /).first()).toBeVisible();
  await alma.getByRole('button', { name: 'Hand in' }).click();
  await expect(alma.getByText('Your answers stand below.')).toBeVisible();
  await alma.getByRole('link', { name: 'To do' }).click();
  await expect(alma.getByRole('link', { name: /Come back to it/ })).toHaveCount(0);

  await openComeBack(page);
  await expect(rowOf('Alma Hernqvist-Diaz').getByText('Done')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Let them come back' }).uncheck();
  await expect(page.getByText('Off for this class')).toBeVisible();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expectAccessible(page);
});

test('an absent student catches up by a sheet, and by a link that starts there', async ({ page, browser }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/');
  await page.goto('/classes');
  await page.getByRole('link', { name: /8 Amber/ }).click();
  await page.getByRole('link', { name: /^Given/ }).click();
  await page
    .getByRole('link', { name: /How bridges carry load/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Kofi Brannström', exact: true }).click();
  await page.getByRole('link', { name: 'Catch up' }).click();
  await expect(page.getByRole('heading', { name: 'Catch up: How bridges carry load' })).toBeVisible();
  await expect(page.getByText(/places? (was|were) missed/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'With what the class found' }).check();
  await expect(page.getByText(/^Most often: /).first()).toBeVisible();
  await expectAccessible(page);
  const link = await page.getByRole('link', { name: 'Open the lesson here' }).first().getAttribute('href');

  const other = await browser.newContext();
  const kofi = await other.newPage();
  await enterAs(kofi, 'Kofi Brannström');
  await kofi.goto(link ?? '');
  await expect(kofi.getByRole('heading', { name: 'How bridges carry load' })).toBeVisible();
});

test('all steps are saved as statements, and sent to the store of the school', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/classes');
  await page.getByRole('link', { name: /8 Cobalt/ }).click();
  await page.getByRole('link', { name: /^Given/ }).click();
  await page
    .getByRole('link', { name: /Which bridge would you build/ })
    .first()
    .click();
  const save = page.getByRole('button', { name: 'Save …' });
  await save.click();
  const [downloading] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'All steps as xAPI statements (JSON)' }).click(),
  ]);
  const statements: { id: string }[] = JSON.parse(readFileSync(await downloading.path(), 'utf8'));
  expect(statements.length).toBeGreaterThan(100);
  await save.click();
  await page.getByRole('menuitem', { name: 'Send all steps to the record store' }).click();
  await expect(page.getByText(`${statements.length} statements are in the record store.`)).toBeVisible();
});
