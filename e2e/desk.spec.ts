import { bringIn, enterAs, media } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

/** A lesson of its own for each test, on the demo film with its captions. */
async function openNewLesson(page: Page, title: string): Promise<string> {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Make a lesson: How bridges carry load' }).click();
  await page.getByLabel('Title of the lesson').fill(title);
  await expect(page.getByRole('button', { name: /Let us start with the simplest bridge/ })).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  return page.url();
}

const stops = (page: Page) =>
  page.getByRole('region', { name: 'Script' }).getByRole('button', { name: /^(Checkpoint|Pause) at/ });
const savedState = (page: Page) => page.getByText('Saved', { exact: true });

test('a stop is moved by dragging and by keys, taken back and done again, and all of it is kept', async ({ page }) => {
  const url = await openNewLesson(page, 'Moving stops');
  await page.getByRole('button', { name: /0:49 The top of the beam/ }).click();
  await page.keyboard.press('p');
  await page.keyboard.type('Look at the arrows.');
  await page.keyboard.press('Escape');
  const stop = stops(page);
  await expect(stop).toHaveAccessibleName(/^Pause at 0:53/);

  // By keys: one line down, one up.
  await page.keyboard.press('Alt+ArrowDown');
  await expect(stop).toHaveAccessibleName(/^Pause at 0:56/);
  await expect(stop).toBeFocused();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(stop).toHaveAccessibleName(/^Pause at 0:53/);

  // By dragging its handle to the line at 0:44.
  const handle = page.getByRole('button', { name: /^Drag to another line/ });
  const target = page.getByRole('button', { name: /0:44 As a truck drives across/ });
  const [from, to] = [await handle.boundingBox(), await target.boundingBox()];
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y - 20, { steps: 5 });
  await page.mouse.move(to.x + 60, to.y + to.height / 2, { steps: 15 });
  await page.mouse.up();
  await expect(stop).toHaveAccessibleName(/^Pause at 0:49/);

  await page.keyboard.press('Control+z');
  await expect(stop).toHaveAccessibleName(/^Pause at 0:53/);
  await page.keyboard.press('Control+y');
  await expect(stop).toHaveAccessibleName(/^Pause at 0:49/);
  await stop.press('Delete');
  await expect(stop).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(stop).toHaveAccessibleName(/Look at the arrows/);
  await expect(savedState(page)).toBeVisible();
  await page.goto(url);
  await expect(stop).toHaveAccessibleName(/^Pause at 0:49.*Look at the arrows/);
});

test('the window is set by keys at the place of the film; an impossible one is said and not taken', async ({
  page,
}) => {
  await openNewLesson(page, 'Trimming');
  await page.getByRole('button', { name: /0:44 As a truck drives across/ }).click();
  await page.keyboard.press('i');
  const inPoint = page.getByLabel('In', { exact: true });
  await expect(inPoint).toHaveValue(/^0:44/);
  await page.getByRole('button', { name: /0:57 Between them runs/ }).click();
  await page.keyboard.press('o');
  await expect(page.getByLabel('Out', { exact: true })).toHaveValue(/^0:57/);
  await inPoint.fill('2:00');
  await inPoint.press('Enter');
  await expect(page.getByText('In must come before out, and both within the film.').first()).toBeVisible();
  await inPoint.fill('0:45');
  await inPoint.press('Enter');
  await expect(inPoint).toHaveValue('0:45');
  await page.getByRole('button', { name: 'Whole film' }).click();
  await expect(inPoint).toHaveValue('0:00');
});

test('an edition names all that is missing, and each leads to its place', async ({ page }) => {
  await openNewLesson(page, 'Missing things');
  await page.getByRole('button', { name: /0:49 The top of the beam/ }).click();
  await page.keyboard.press('c');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /1:02 Now make the span/ }).click();
  await page.keyboard.press('p');
  await page.getByLabel('Out', { exact: true }).fill('1:00');
  await page.getByLabel('Out', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Make edition 1' }).click();
  for (const words of [
    'This question has no words.',
    'An answer has no words.',
    'No answer is marked as right.',
    'This stop is outside the window, so nobody would reach it.',
    'This pause has no note.',
  ])
    await expect(page.getByRole('button', { name: words })).toBeVisible();
  await page.getByRole('button', { name: 'This question has no words.' }).click();
  await expect(page.getByLabel(/^Question 1/)).toBeFocused();
  await page.getByRole('button', { name: 'This pause has no note.' }).click();
  await expect(stops(page).last()).toBeFocused();
});

test('two tabs on one draft: what does not meet is put together, and what meets is asked about', async ({
  page,
  context,
}) => {
  const url = await openNewLesson(page, 'Two tabs');
  const other = await context.newPage();
  await other.goto(url);
  await other.getByLabel('Title of the lesson').fill('From the other tab');
  await expect(savedState(other)).toBeVisible();

  await page.getByRole('button', { name: /0:49 The top of the beam/ }).click();
  await page.keyboard.press('p');
  await page.keyboard.type('From this tab');
  // Nobody is asked about a title and a note.
  await expect(page.getByLabel('Title of the lesson')).toHaveValue('From the other tab');
  await expect(stops(page)).toHaveAccessibleName(/From this tab/);
  await expect(savedState(page)).toBeVisible();
  await other.reload();
  await expect(stops(other)).toHaveAccessibleName(/From this tab/);

  await other.getByLabel('Title of the lesson').fill('Twice named');
  await expect(savedState(other)).toBeVisible();
  await page.getByLabel('Title of the lesson').fill('Named twice');
  await expect(page.getByText('This lesson was changed somewhere else')).toBeVisible();
  await page.getByRole('button', { name: 'Put mine on top' }).click();
  await expect(page.getByLabel('Title of the lesson')).toHaveValue('Named twice');
  // What gave way stands there until it is put away.
  await expect(page.getByText('Twice named')).toBeVisible();
  await page.getByRole('button', { name: 'Dismiss' }).click();
  await expect(page.getByText('Twice named')).toHaveCount(0);
});

test('without a connection the draft is kept in the tab, and saved when it is back', async ({ page, context }) => {
  const url = await openNewLesson(page, 'Before');
  await context.setOffline(true);
  await page.getByLabel('Title of the lesson').fill('Written without a connection');
  await expect(page.getByText(/^No connection/)).toBeVisible();
  await context.setOffline(false);
  await expect(savedState(page)).toBeVisible();
  await page.goto(url);
  await expect(page.getByLabel('Title of the lesson')).toHaveValue('Written without a connection');
});

test('places to stop are suggested with their reasons, and taken one by one or all', async ({ page }) => {
  await openNewLesson(page, 'Where to stop');
  await page.getByLabel('A stop about every').fill('0.6');
  await page.getByRole('button', { name: 'Suggest stops' }).click();
  await expect(page.getByText(/^\d places to stop$/)).toBeVisible();
  // The silence is that of the sound itself.
  await expect(page.getByText(/^A place to stop: a sentence ends, \d\.\d s of silence/).first()).toBeVisible();
  const count = await page.getByText(/^A place to stop:/).count();
  const before = await stops(page).count();
  await page.getByRole('button', { name: 'Not here' }).first().click();
  await expect(page.getByText(/^A place to stop:/)).toHaveCount(count - 1);
  await page.getByRole('button', { name: 'Put a checkpoint at each' }).click();
  await expect(page.getByText(/^A place to stop:/)).toHaveCount(0);
  await expect(stops(page)).toHaveCount(before + count - 1);
});

test('a film without captions shows its frames and how loud it is, line by line', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await bringIn(page, { name: 'Counted.mp4', path: media('timecode-60.mp4') });
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  const script = page.getByRole('region', { name: 'Script' });
  await expect(script.locator('img')).toHaveCount(6);
  // A frame of the clip shows its number as black and white squares: no two lines show the same.
  const frames = await script.locator('img').evaluateAll((images: HTMLImageElement[]) =>
    images.map((image) => {
      const canvas = document.createElement('canvas');
      canvas.width = image.naturalWidth;
      canvas.height = image.naturalHeight;
      const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
      pen.drawImage(image, 0, 0);
      return pen.getImageData(0, 0, canvas.width, canvas.height).data.join();
    }),
  );
  expect(new Set(frames).size).toBe(6);
  // It beeps each second: in every line there is something loud and something silent.
  const bars = script.locator('[data-item="line:2"] svg rect');
  await expect(bars).toHaveCount(48);
  const heights = await bars.evaluateAll((found) => found.map((bar) => Number(bar.getAttribute('height'))));
  expect(Math.max(...heights)).toBeGreaterThan(20);
  expect(Math.min(...heights)).toBeLessThan(5);
});
