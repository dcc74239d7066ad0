import { readFileSync } from 'node:fs';
import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';

/** Draws a rectangle over what can be cut from, in shares of its sides. */
async function dragRegion(page: Page, from: readonly [number, number], to: readonly [number, number]): Promise<void> {
  const canvas = page.locator('.ReactCrop canvas');
  await expect(canvas).toBeVisible();
  const box = await canvas.boundingBox();
  if (!box) throw new Error('nothing to cut from');
  await page.mouse.move(box.x + box.width * from[0], box.y + box.height * from[1]);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * to[0], box.y + box.height * to[1], { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText('What is inside the rectangle is taken.')).toBeVisible();
}

/** Size of the newest picture on the shelf, and how far its points are from being all one colour. */
const newestPicture = (page: Page) =>
  page.evaluate(async () => {
    const materials = (await (await fetch('/api/materials')).json()) as { id: string; kind: string }[];
    const picture = materials.find((one) => one.kind === 'picture');
    const image = new Image();
    image.src = `/api/materials/${picture?.id}/media`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = image.naturalWidth;
    canvas.height = image.naturalHeight;
    const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
    pen.drawImage(image, 0, 0);
    const points = pen.getImageData(0, 0, canvas.width, canvas.height).data.filter((_, index) => index % 4 === 0);
    const mean = points.reduce((sum, value) => sum + value, 0) / points.length;
    const spread = Math.sqrt(points.reduce((sum, value) => sum + (value - mean) ** 2, 0) / points.length);
    return { width: image.naturalWidth, height: image.naturalHeight, spread };
  });

async function takeIt(page: Page, alt: string): Promise<void> {
  await page.getByRole('dialog').getByLabel('What it shows').fill(alt);
  await page.getByRole('button', { name: 'Use this picture' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

async function openQuestion(page: Page, material: string, line: RegExp): Promise<void> {
  await page.goto('/shelf');
  await page
    .getByRole('button', { name: `Make a lesson: ${material}` })
    .last()
    .click();
  await page.getByRole('button', { name: line }).click();
  await page.keyboard.press('c');
  await page.getByLabel(/^Question 1/).fill('What is this?');
  await page.getByRole('button', { name: 'Cut one out' }).click();
}

test('a picture is cut out of a frame of the film and stands in the question', async ({ page }) => {
  await enterAs(page, teacher);
  await openQuestion(page, 'How bridges carry load', /As a truck drives across/);
  await dragRegion(page, [0.25, 0.25], [0.75, 0.75]);
  await expectAccessible(page);
  await takeIt(page, 'A beam with a truck on it');
  // The film is 1280 × 720: half of each side, from its own points and not from the screen's.
  const { width, height, spread } = await newestPicture(page);
  expect(Math.abs(width - 640)).toBeLessThanOrEqual(6);
  expect(Math.abs(height - 360)).toBeLessThanOrEqual(6);
  expect(spread).toBeGreaterThan(10);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.reload();
  await page
    .getByRole('region', { name: 'Script' })
    .getByRole('button', { name: /^Checkpoint at/ })
    .click();
  await expect(page.getByLabel('What it shows')).toHaveValue('A beam with a truck on it');
});

test('pictures are cut out of slides and of pages of a PDF, sharper than the screen', async ({ page }) => {
  await enterAs(page, teacher);
  await openQuestion(page, 'Testing a paper bridge', /^2 /);
  await dragRegion(page, [0, 0], [0.5, 0.5]);
  await takeIt(page, 'The first half of a slide');
  const ofSlide = await newestPicture(page);
  expect(ofSlide.width).toBeGreaterThan(1_100);
  expect(ofSlide.spread).toBeGreaterThan(10);

  await page.goto('/shelf');
  const pdf = readFileSync(new URL('../demo/documents/notebook.pdf', import.meta.url));
  await page.getByLabel('Choose a file').setInputFiles({ name: 'Pages.pdf', mimeType: 'application/pdf', buffer: pdf });
  await expect(page.getByText(/is on the shelf: \d+ min to read/)).toBeVisible();
  await openQuestion(page, 'Pages', /The stone arch upstream/);
  await expect(page.getByRole('spinbutton', { name: /^Page/ })).toHaveValue('1');
  await dragRegion(page, [0, 0], [0.5, 0.25]);
  await takeIt(page, 'The head of the page');
  const ofPage = await newestPicture(page);
  expect(ofPage.width).toBeGreaterThan(1_100);
  expect(ofPage.spread).toBeGreaterThan(5);
});

test('slides are made here, shown as they were made, and changed where a lesson shows them', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('link', { name: 'Make slides' }).click();
  await page.getByLabel('Name of these slides').fill('Forces in short');
  await page.getByLabel('Heading').fill('Squeeze or pull?');
  await page
    .getByLabel('Text', { exact: true })
    .fill('- **compression** squeezes\n- [more](https://workshop.example/a)');
  await page.getByRole('button', { name: 'Background #1f4b3f' }).click();
  const preview = page.getByRole('region', { name: 'How the slide looks' });
  await expect(preview.getByText('compression', { exact: true })).toBeVisible();
  await expect(preview.getByRole('link', { name: 'more' })).toHaveAttribute('href', 'https://workshop.example/a');
  await page.getByRole('button', { name: 'Cut one out' }).first().click();
  await page.getByLabel('From', { exact: true }).selectOption({ label: 'How bridges carry load' });
  await page.getByLabel('Moment').fill('44000');
  // By keys alone.
  await page.getByRole('button', { name: 'Put a rectangle in the middle' }).click();
  await page.getByRole('group', { name: /^The rectangle/ }).focus();
  await page.keyboard.press('ArrowRight');
  await takeIt(page, 'A beam');
  await expect(preview.getByRole('img', { name: 'A beam' })).toBeVisible();

  await page.getByRole('button', { name: 'Add a slide' }).click();
  await page.getByLabel('Heading').fill('Watch');
  await page.getByLabel('Film', { exact: true }).selectOption({ label: 'How bridges carry load' });
  await expect(preview.locator('video')).toHaveCount(1);
  await expectAccessible(page);

  // A slide that was removed comes back.
  const slides = page.getByRole('navigation', { name: 'Slides', exact: true }).getByRole('listitem');
  await page.getByRole('button', { name: 'Remove slide 2' }).click();
  await expect(slides).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(slides).toHaveCount(2);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(slides).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(slides.nth(1)).toContainText('Watch');

  // Leaving without saving is asked about.
  await page.getByRole('link', { name: 'Shelf', exact: true }).first().click();
  await page.getByRole('button', { name: 'Stay here' }).click();
  await page.getByRole('button', { name: 'Save and go back' }).click();
  await page.getByRole('button', { name: 'Make a lesson: Forces in short' }).click();
  await page.getByRole('button', { name: /^2 Watch/ }).click();
  await page.keyboard.press('p');
  await page.getByLabel('Note to read').fill('What did you see?');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  await page.getByRole('link', { name: 'Change these slides' }).click();
  await page.getByRole('button', { name: 'Copy slide 1' }).click();
  await page.getByLabel('Heading').fill('And twice');
  await page.getByRole('button', { name: 'Save and go back' }).click();
  await expect(page.getByRole('button', { name: /^2 And twice/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Pause at slide 3/ })).toBeVisible();
});

test('several materials, and a range of slides, are taken into a lesson in one step', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'New lesson' }).click();
  await page.getByLabel('Title of the lesson').fill('Put together');
  await page.getByRole('button', { name: 'Add a part' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Testing a paper bridge', { exact: true }).check();
  await dialog.getByLabel('From slide of Testing a paper bridge').fill('2');
  await dialog.getByLabel('To slide of Testing a paper bridge').fill('3');
  await dialog.getByLabel('How bridges carry load', { exact: true }).check();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Add 2 parts' }).click();
  const outline = page.getByRole('navigation', { name: /^Outline/ });
  await expect(outline.getByText('3:11 of film')).toBeVisible();
  await expect(page.getByText('“Testing a paper bridge” begins')).toBeVisible();
  await expect(page.getByText('“Testing a paper bridge” ends')).toBeVisible();
});

test('a film stands inside a text, and the text leads on to the next lesson', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByLabel('Choose a file').setInputFiles({
    name: 'Two lines.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('A beam bends.\n\nIts lower side is pulled.'),
  });
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  await page.getByRole('button', { name: /^1 A beam bends/ }).click();
  await page.getByRole('button', { name: 'Film or sound' }).click();
  await page.getByRole('menuitem', { name: 'How bridges carry load' }).click();
  await expect(page.getByText('How bridges carry load stands here')).toBeVisible();
  await page.getByLabel('Link at the end to').selectOption({ label: 'How bridges carry load' });
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const text = page.getByRole('article', { name: 'Two lines' });
  await expect(text.getByText('Next lesson: How bridges carry load')).toBeVisible();
  await text.getByRole('button', { name: 'Play' }).click();
  await expect
    .poll(() => text.locator('video').evaluate((film: HTMLVideoElement) => film.currentTime))
    .toBeGreaterThan(0.5);
  await expectAccessible(page);
});
