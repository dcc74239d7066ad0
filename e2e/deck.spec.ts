import { readFileSync } from 'node:fs';
import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const demoDocument = (name: string) => readFileSync(new URL(`../demo/documents/${name}`, import.meta.url));

async function makeLesson(page: Page, name: string): Promise<void> {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  const file = { name, mimeType: 'application/octet-stream', buffer: demoDocument(name) };
  await page.getByLabel('Choose a file').setInputFiles(file);
  await expect(page.getByText(/is on the shelf: slides/)).toBeVisible({ timeout: 40_000 });
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
}

for (const name of ['paper-bridge.pptx', 'paper-bridge.odp', 'paper-bridge.pdf'])
  test(`${name} becomes slides that stops are put behind`, async ({ page }) => {
    await makeLesson(page, name);
    await page.getByRole('button', { name: /^3 An arch pushes outward/ }).click();
    await page.keyboard.press('p');
    await page.getByLabel('Note to read').fill('Press your hands together.');
    await expect(page.getByRole('button', { name: /^Pause at slide 3/ })).toContainText('Press your hands');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: /^Pause at slide 3/ })).toBeVisible();
  });

test('slides are looked at one by one, wait at their stops, and their notes stay with the teacher', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await makeLesson(page, 'paper-bridge.pptx');
  await page.getByLabel('Title of the lesson').fill('Slides for everybody');
  await page.getByRole('button', { name: /^2 What you need/ }).click();
  await expect(page.getByText('The books must be of the same height.')).toBeVisible();
  await page.keyboard.press('p');
  await page.getByLabel('Note to read').fill('Fetch what you need.');
  await page.getByRole('button', { name: /^3 An arch/ }).click();
  await page.getByRole('button', { name: 'Split here' }).click();
  await expect(page.getByText('“paper-bridge” ends', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('“paper-bridge” ends', { exact: true })).toBeHidden();
  await expectAccessible(page);
  await assignToCobalt(page);

  const student = await (await browser.newContext()).newPage();
  const bodies: string[] = [];
  student.on('response', async (response) => {
    if (response.url().includes('/content')) bodies.push(await response.text());
  });
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: 'Begin: Slides for everybody' }).click();
  await expect(student.getByText('Three bridges, one sheet of paper each')).toBeVisible();
  const next = student.getByRole('button', { name: 'Next slide' });
  await next.click();
  await expect(student.getByText('Slide 2 of 6')).toBeVisible();
  await expect(student.getByRole('heading', { name: 'Pause' })).toBeVisible();
  await expect(next).toBeDisabled();
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Go on' }).click();
  for (const number of [3, 4, 5, 6]) {
    await next.click();
    await expect(student.getByText(`Slide ${number} of 6`)).toBeVisible();
  }
  await student.getByRole('button', { name: 'Hand in' }).click();
  await expect(page.getByRole('row', { name: /Alma Hernqvist-Diaz/ }).getByText('100%')).toHaveCount(2);
  expect(bodies.join('')).toContain('What you need');
  expect(bodies.join('')).not.toContain('same height');
});

test('one deck becomes several lessons, each with its slides', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Several lessons: Testing a paper bridge' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/How to test/).check();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Make 2 lessons' }).click();
  await expect(page.getByText('2 lessons are on the shelf.')).toBeVisible();
  await page.getByRole('link', { name: 'How to test', exact: true }).click();
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(page.getByText('Slide 1 of 3')).toBeVisible();
  await expect(page.getByText('Lay the bridge over the gap')).toBeVisible();
});
