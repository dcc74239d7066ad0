import { press, tabTo } from './by-keys.ts';
import { expect, type Locator, type Page, test } from './test.ts';

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
  await press(page, button('Remove: Answer 3'));
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
  await tabTo(page, dialog.getByRole('checkbox', { name: '8 Cobalt Design & Engineering' }));
  await page.keyboard.press('Space');
  await press(page, dialog.getByRole('button', { name: /^Assign to 8 Cobalt/ }));
  await expect(page.getByText('0 of 24 handed in')).toBeVisible();

  // On the sheet of the other lesson: from cell to cell, to the next answer, a mark, and the next.
  await press(page, page.getByRole('link', { name: 'Today' }));
  await press(
    page,
    page
      .getByRole('region', { name: 'Given out' })
      .getByRole('listitem')
      .filter({ hasText: /How bridges carry load.*8 Cobalt/ })
      .getByRole('link')
      .first(),
  );
  await expect(page.getByRole('table')).toBeVisible();
  await page.keyboard.press('Shift+N');
  const drawer = page.getByRole('dialog');
  const unmarked = drawer.locator('form[data-unmarked]').getByLabel(/^Points, of/);
  await expect(unmarked.first()).toBeFocused();
  const name = await drawer.getByRole('heading').first().textContent();
  for (let left = await unmarked.count(); left > 0; left--) {
    await expect(unmarked.first()).toBeFocused();
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
    await expect(unmarked).toHaveCount(left - 1);
  }
  await expect(button('Mark the next')).toBeFocused();
  await page.keyboard.press('Shift+N');
  await expect(drawer.getByRole('heading').first()).not.toHaveText(name ?? '');
  await expect(unmarked.first()).toBeFocused();
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

  for (const question of await page.getByRole('region', { name: /^Question \d of/ }).all()) await guess(page, question);
  await press(page, page.getByRole('button', { name: /^Answer/ }));
  const keep = page.getByRole('button', { name: 'Leave it at that' });
  await expect(keep.or(page.getByText('So far'))).toBeVisible();
  if (await keep.isVisible()) await press(page, keep);
  await expect(page.getByText('So far')).toBeVisible();
  await expect(page.getByText(/\((Right|Not right|Would have been right)\)/).first()).toBeVisible();
});

/** Answers a question with whatever comes first, by keys. */
async function guess(page: Page, question: Locator): Promise<void> {
  const first = (role: 'radio' | 'checkbox' | 'textbox' | 'application') => question.getByRole(role).first();
  if ((await first('radio').count()) > 0) return press(page, first('radio'), 'Space');
  if ((await first('checkbox').count()) > 0) return press(page, first('checkbox'), 'Space');
  for (const list of await question.getByRole('combobox').all()) {
    await tabTo(page, list);
    await page.keyboard.press('ArrowDown');
  }
  if ((await first('textbox').count()) > 0) {
    await tabTo(page, first('textbox'));
    return page.keyboard.type('12');
  }
  const move = question.getByRole('button', { name: /^Move down/ }).first();
  if ((await move.count()) > 0) return press(page, move);
  const steered = question.getByRole('button', { name: /Set a point/ });
  if ((await steered.count()) > 0) return press(page, steered);
}
