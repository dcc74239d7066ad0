import { expect, type Locator, type Page } from './test.ts';

/** How far the focus is in a dialog: whether it is in it, and on something that closes it. */
export const focusIn = (dialog: Locator) =>
  dialog.evaluate((element) => ({
    isInside: element.contains(document.activeElement),
    isOnClose: document.activeElement?.getAttribute('aria-label') === 'Close',
  }));

/**
 * By keys alone: opens on what somebody came to do, keeps the focus while it is open, and gives it back to what opened
 * it.
 */
export async function expectPolite(page: Page, opener: Locator): Promise<void> {
  await opener.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toBeVisible();
  await expect.poll(() => focusIn(dialog)).toEqual({ isInside: true, isOnClose: false });
  for (const key of ['Tab', 'Tab', 'Shift+Tab', 'Shift+Tab', 'Shift+Tab']) {
    await page.keyboard.press(key);
    expect((await focusIn(dialog)).isInside).toBe(true);
  }
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(opener).toBeFocused();
}
