import { bringIn, captionFile, enterAs, filmTime, giveToClass, media } from './demo-visit.ts';
import { type Browser, expect, type Page, test } from './test.ts';

interface Terms {
  readonly skipping?: boolean;
  readonly rewind?: boolean;
}

/** Eight seconds of the counting film with a written question at 0:04, on the desk. */
async function makeShortLesson(browser: Browser, title: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await bringIn(page, { name: `${title}.mp4`, path: media('timecode-60.mp4') });
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  await page
    .getByLabel('Bring in captions')
    .setInputFiles({ name: 'c.vtt', mimeType: 'text/vtt', buffer: captionFile(10, 2) });
  await page.getByLabel('Out', { exact: true }).fill('0:08');
  await page.getByLabel('Out', { exact: true }).press('Enter');
  await page.getByRole('button', { name: /0:02 Line 2/ }).click();
  await page.getByRole('button', { name: 'Checkpoint here' }).click();
  await page.getByRole('button', { name: 'Written answer' }).click();
  await page.getByLabel(/^Question 2/).fill('What did you count?');
  await page.getByRole('button', { name: 'Take out question 1' }).click();
  return page;
}

/** The same, given to 8 Cobalt. */
async function assignShortLesson(browser: Browser, title: string, { skipping = false, rewind = true }: Terms = {}) {
  const page = await makeShortLesson(browser, title);
  await page.getByRole('button', { name: 'Make edition 1' }).click();
  await giveToClass(page, '8 Cobalt Design & Engineering', { skipping, rewind });
  await expect(page.getByText('0 of 24 handed in')).toBeVisible();
  return page;
}

const student = 'Alma Hernqvist-Diaz';
const openWalk = async (browser: Browser, title: string, verb = 'Begin') => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await enterAs(page, student);
  await page.getByRole('link', { name: `${verb}: ${title}` }).click();
  return { context, page };
};
const seekTo = (page: Page, key: 'End' | 'Home') => page.getByLabel('Place in the film').press(key);
const atStop = (page: Page) => expect(page.getByRole('heading', { name: 'Stop 1 of 1' })).toBeVisible();

test('a lid that is closed without a connection loses nothing: the to-do list sends it later', async ({ browser }) => {
  test.setTimeout(180_000);
  const sheet = await assignShortLesson(browser, 'Closed lid');
  const { context, page } = await openWalk(browser, 'Closed lid');
  await page.getByRole('button', { name: 'Begin' }).click();
  await atStop(page);
  await context.setOffline(true);
  await page.getByPlaceholder(/Write here/).fill('Four seconds');
  await page.getByRole('button', { name: 'Answer' }).click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('You have reached the end')).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Hand in' }).click();
  await expect(page.getByText(/^No connection/)).toBeVisible();
  // A lid that is closed tells the page nothing: a last sending could outlive the page, and the missing connection.
  await page.evaluate(() => {
    for (const type of ['pagehide', 'visibilitychange'])
      window.addEventListener(type, (event) => event.stopImmediatePropagation(), { capture: true });
  });
  await page.close();
  await context.setOffline(false);
  await expect(sheet.getByText('0 of 24 handed in')).toBeVisible();

  const later = await context.newPage();
  await later.goto('/done');
  await expect(later.getByRole('heading', { name: 'Closed lid' })).toBeVisible();
  await expect(sheet.getByText('1 of 24 handed in')).toBeVisible();
  await expect(sheet.getByRole('row', { name: /Alma Hernqvist-Diaz/ })).toContainText('100%');
});

test('where the terms say so, the film waits while a question is open', async ({ browser }) => {
  await assignShortLesson(browser, 'Film waits', { rewind: false });
  const { page } = await openWalk(browser, 'Film waits');
  await page.getByRole('button', { name: 'Begin' }).click();
  await atStop(page);
  await expect(page.getByText('The film waits until you have answered.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Play the last 10 seconds again' })).toHaveCount(0);
  await page.getByPlaceholder(/Write here/).fill('Four');
  await page.getByRole('button', { name: 'Answer' }).click();
  await expect(page.getByText('The film waits until you have answered.')).toHaveCount(0);
});

test('with skipping on, a student goes anywhere, leaves a stop for now, and comes back to it', async ({ browser }) => {
  await assignShortLesson(browser, 'May skip', { skipping: true });
  const { page } = await openWalk(browser, 'May skip');
  await seekTo(page, 'End');
  expect(await filmTime(page)).toBeCloseTo(8, 0);
  await seekTo(page, 'Home');
  await page.getByRole('button', { name: 'Begin' }).click();
  await atStop(page);
  await page.getByPlaceholder(/Write here/).fill('Half an ans');
  await page.getByRole('button', { name: 'Leave it for now' }).click();
  await expect(page.getByText('Stop 1 of 1: Skipped').last()).toBeVisible();
  await page.getByRole('button', { name: 'Open this stop' }).click();
  await expect(page.getByPlaceholder(/Write here/)).toHaveValue('Half an ans');
});

test('signed out on another device: the page says so, keeps the work, and sends it after signing in', async ({
  browser,
}) => {
  await assignShortLesson(browser, 'Signed out');
  const { page } = await openWalk(browser, 'Signed out');
  await page.getByRole('button', { name: 'Begin' }).click();
  await atStop(page);
  const other = await (await browser.newContext()).newPage();
  await enterAs(other, student);
  await other.getByRole('button', { name: /account$/ }).click();
  await other.getByRole('menuitem', { name: 'Sign out everywhere' }).click();
  await expect(other.getByText('Look around the demo school')).toBeVisible();

  await page.getByPlaceholder(/Write here/).fill('Written while signed out');
  await expect(page.getByText('You are signed out. Your work is kept on this device.')).toBeVisible();
  await page.getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: student }).click();
  await page.getByRole('link', { name: 'Go on: Signed out' }).click();
  await expect(page.getByPlaceholder(/Write here/)).toHaveValue('Written while signed out');
});

test('while a question is open, an earlier part is looked at again, and the answer leads back', async ({ browser }) => {
  const page = await makeShortLesson(browser, 'Look back');
  await page.getByRole('button', { name: /0:00 Line 1/ }).click();
  await page.getByRole('button', { name: 'Split here' }).click();
  await page.getByLabel('Name of the clip').fill('Before');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('button', { name: 'Next part: Look back' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await atStop(page);
  await page.getByPlaceholder(/Write here/).fill('Fo');
  await page.getByRole('button', { name: 'Go to: Before' }).click();
  await expect(page.getByText('Part 1 of 2: Before')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Play the last 10 seconds again' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect.poll(() => filmTime(page)).toBeGreaterThan(0.5);
  await expect(page.getByPlaceholder(/Write here/)).toHaveValue('Fo');
  await page.getByPlaceholder(/Write here/).fill('Four');
  await page.getByRole('button', { name: 'Answer' }).click();
  await page.getByRole('button', { name: 'Go on with: Look back' }).click();
  await page.getByRole('button', { name: 'Go on', exact: true }).click();
  await expect(page.getByText('You have reached the end')).toBeVisible({ timeout: 20_000 });
});
