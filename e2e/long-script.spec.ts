import { enterAs } from './demo-visit.ts';
import { bestOf, longestTask } from './long-tasks.ts';
import { expect, test } from './test.ts';

// A trace would copy thousands of lines with every step, in the very thread that is measured.
test.use({ trace: 'off' });

test('a script of 3,000 lines scrolls and is edited without a task over 50 ms', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  const text = Array.from({ length: 3_000 }, (_, index) => `Paragraph ${index + 1}: the load goes down through it.`);
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'Long.txt', mimeType: 'text/plain', buffer: Buffer.from(text.join('\n\n')) });
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  await expect(page.locator('[data-item="line:2999"]')).toBeAttached();
  await page.locator('[data-item="line:1"]').click();
  await page.keyboard.press('c');
  const stem = page.getByLabel(/^Question 1/);
  await stem.fill('What ');
  await page.waitForTimeout(500);

  const script = page.getByRole('region', { name: 'Script' });
  const ofScrolling = await bestOf(8, () =>
    longestTask(page, async () => {
      await script.hover();
      for (let step = 0; step < 20; step++) await page.mouse.wheel(0, 1_500);
      for (let step = 0; step < 20; step++) await page.mouse.wheel(0, -1_500);
    }),
  );
  await stem.focus();
  await page.waitForTimeout(300);
  const ofTyping = await bestOf(8, () =>
    longestTask(page, async () => {
      await page.keyboard.type('loads', { delay: 40 });
    }),
  );
  // The runner's own searches work in the page's thread: none while it is measured.
  const goTo = async (line: number) => {
    await page.locator(`[data-item="line:${line}"]`).focus();
    await page.waitForTimeout(300);
  };
  let line = 60;
  const ofAdding = await bestOf(6, async () => {
    await goTo(line++);
    return longestTask(page, async () => {
      await page.keyboard.press('p');
      await page.waitForTimeout(300);
      await page.keyboard.press('Escape');
    });
  });
  await goTo(30);
  const ofMoving = await bestOf(8, () =>
    longestTask(page, async () => {
      for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowDown');
    }),
  );
  console.log(
    `longest tasks: scrolling ${ofScrolling} ms, typing ${ofTyping} ms, moving ${ofMoving} ms, adding ${ofAdding} ms`,
  );
  expect(ofScrolling).toBeLessThanOrEqual(50);
  expect(ofTyping).toBeLessThanOrEqual(50);
  expect(ofAdding).toBeLessThanOrEqual(50);
  expect(ofMoving).toBeLessThanOrEqual(50);
});
