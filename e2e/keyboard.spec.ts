import { expect, type Locator, type Page, test } from '@playwright/test';

/** Goes on with Tab until something has the focus, as somebody without a mouse does. */
async function tabTo(page: Page, target: Locator, most = 120): Promise<void> {
  await expect(target).toBeVisible();
  for (let i = 0; i < most; i++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${target} was not reached with ${most} tabs`);
}

async function press(page: Page, target: Locator, key = 'Enter') {
  await tabTo(page, target);
  await page.keyboard.press(key);
}

async function enterByKeys(page: Page, name: string) {
  await page.goto('/sign-in');
  await press(page, page.getByRole('button', { name }));
  await expect(page.getByRole('link', { name: /^(Today|To do)$/ })).toBeVisible();
}

test('a teacher writes, assigns and marks without a mouse', async ({ page }) => {
  test.setTimeout(180_000);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await enterByKeys(page, 'Ms. Adaeze Lindqvist');
  await press(page, page.getByRole('link', { name: 'Shelf' }));
  await press(page, button('Make a lesson: How bridges carry load'));

  const title = page.getByLabel('Title of the lesson');
  await tabTo(page, title);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('By keys alone');

  // The first line of the script, three lines down, and a checkpoint after it.
  await tabTo(page, button(/^0:00 /));
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('c');
  await page.keyboard.type('Which force pulls?');
  await tabTo(page, page.getByRole('textbox', { name: 'Answer 1', exact: true }));
  await page.keyboard.type('Tension');
  await tabTo(page, page.getByRole('textbox', { name: 'Answer 2', exact: true }));
  await page.keyboard.type('Compression');
  await press(page, button('Take out answer 3'));
  await page.keyboard.press('Escape');
  const stop = page.getByRole('region', { name: 'Script' }).getByRole('button', { name: /^Checkpoint at/ });
  await expect(stop).toBeFocused();
  await page.keyboard.press('Alt+ArrowDown');
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('radio', { name: 'Right: Answer 1' }));
  await page.keyboard.press('Space');

  await title.press('Tab');
  await press(page, button('Make edition 1'));
  await press(page, button('Assign'));
  const dialog = page.getByRole('dialog');
  await tabTo(page, dialog.getByLabel('Class'));
  await page.keyboard.type('8 Cobalt');
  await press(page, dialog.getByRole('button', { name: /^Assign to 8 Cobalt/ }));
  await expect(page.getByText('0 of 24 handed in')).toBeVisible();

  // On the sheet of the other lesson: from cell to cell, to the next answer, a mark, and the next.
  await press(page, page.getByRole('link', { name: 'Today' }));
  await press(page, page.getByRole('link', { name: /How bridges carry load.*8 Cobalt/ }).last());
  await expect(page.getByRole('table')).toBeVisible();
  await page.keyboard.press('Shift+N');
  const drawer = page.getByRole('dialog');
  const points = drawer.getByLabel(/^Points, of/);
  await expect(points.first()).toBeFocused();
  const name = await drawer.getByRole('heading').first().textContent();
  const waiting = await points.count();
  for (let i = 0; i < waiting; i++) {
    await expect(points.nth(i)).toBeFocused();
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
    await expect(drawer.getByText('Saved', { exact: true })).toHaveCount(i + 1);
  }
  await expect(button('Mark the next')).toBeFocused();
  await page.keyboard.press('Shift+N');
  await expect(drawer.getByRole('heading').first()).not.toHaveText(name ?? '');
  await expect(points.first()).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(drawer).toHaveCount(0);
  await expect(page.getByRole('row', { name: new RegExp(name ?? '') })).toContainText('Done');
});

test('a student walks without a mouse, and hears where the film has halted', async ({ page }) => {
  await enterByKeys(page, 'Kofi Brannström');
  await press(page, page.getByRole('link', { name: 'Go on: How bridges carry load' }));
  const heading = page.getByRole('heading', { name: /^Stop \d of 7/ });
  await expect(heading).toBeFocused();

  // Looking back while the question is open, with the keys of the film.
  const place = page.getByLabel('Place in the film');
  const at = () => page.locator('video').evaluate((video: HTMLVideoElement) => video.currentTime);
  const before = await at();
  await tabTo(page, place);
  await page.keyboard.press('ArrowLeft');
  await expect.poll(at).toBeCloseTo(before - 5, 0);
  await page.keyboard.press('l');
  await expect.poll(at).toBeCloseTo(before, 0);

  const several = page.getByRole('checkbox');
  const one = page.getByRole('radio');
  await tabTo(page, (await several.count()) > 0 ? several.first() : one.first());
  await page.keyboard.press('Space');
  await press(page, page.getByRole('button', { name: /^Answer/ }));
  await expect(page.getByText('So far')).toBeVisible();
  await expect(page.getByText(/\((Right|Not right|Also right)\)/).first()).toBeVisible();
});
