import { expect, type Locator, type Page } from './test.ts';

/** Goes on with Tab until something has the focus, as somebody without a mouse does. */
export async function tabTo(page: Page, target: Locator, most = 120): Promise<void> {
  await expect(target).toBeVisible();
  for (let i = 0; i < most; i++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${target} was not reached with ${most} tabs`);
}

/** Reaches something with Tab and presses a key on it. */
export async function press(page: Page, target: Locator, key = 'Enter') {
  await tabTo(page, target);
  await page.keyboard.press(key);
}
