import { readFileSync } from 'node:fs';
import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';
const demoDocument = (name: string) => readFileSync(new URL(`../demo/documents/${name}`, import.meta.url));
const choose = (page: Page, name: string, buffer: Buffer) =>
  page.getByLabel('Choose a file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer });

async function makeLesson(page: Page, name: string, buffer: Buffer): Promise<void> {
  await page.goto('/shelf');
  await choose(page, name, buffer);
  await expect(page.getByText(/is on the shelf: \d+ min to read/)).toBeVisible();
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  await expect(page.getByRole('region', { name: 'Script' })).toBeVisible();
}

const plainText = 'The beam\n\nA beam bends in its middle.\n\nIts lower side is pulled.\n\nIt splits there first.';

for (const [name, line] of [
  ['Notes.docx', /^7 The stone arch upstream/],
  ['Notes.odt', /^7 The stone arch upstream/],
  ['Notes.pdf', /The stone arch upstream/],
  ['Notes.epub', /The stone arch upstream/],
  ['Notes.html', /The stone arch upstream/],
] as const)
  test(`${name} becomes a script that stops are put into`, async ({ page }) => {
    await enterAs(page, teacher);
    await makeLesson(page, name, demoDocument(name.replace('Notes', 'notebook')));
    await page.getByRole('button', { name: line }).click();
    await page.keyboard.press('p');
    await page.getByLabel('Note to read').fill('Look at the stones.');
    await expect(page.getByRole('button', { name: /^Pause at ¶/ })).toContainText('Look at the stones.');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: /^Pause at ¶/ })).toBeVisible();
  });

test('documents that cannot be taken are refused in words', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await choose(page, 'half.docx', demoDocument('notebook.docx').subarray(0, 9_000));
  await expect(page.getByText(/damaged or ends in the middle/).first()).toBeVisible();
  await choose(page, 'old.doc', Buffer.from('D0CF11E0A1B11AE1', 'hex'));
  await expect(page.getByText(/of an older kind, or protected by a password/).first()).toBeVisible();
});

test('a text is read block by block, waits at its stops, and its newer version keeps them', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, teacher);
  await makeLesson(page, 'Three lines.txt', Buffer.from(plainText));

  // A stop behind a paragraph, one at words inside the next.
  await page.getByRole('button', { name: /^2 A beam bends/ }).click();
  await page.keyboard.press('c');
  await page.getByLabel(/^Question 1/).fill('Where does it bend?');
  await page.getByLabel('Answer 1', { exact: true }).fill('In its middle');
  await page.getByLabel('Answer 2', { exact: true }).fill('At its ends');
  await page.getByRole('button', { name: 'Remove: Answer 3' }).click();
  await page.getByRole('radio', { name: 'Right' }).first().check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^3 Its lower side/ }).click();
  await page.keyboard.press('p');
  await page.getByLabel('Note to read').fill('Pull at a sheet of paper.');
  await page.getByLabel(/^Stands at these words/).fill('upper side');
  await page.getByLabel(/^Stands at these words/).press('Enter');
  await expect(page.getByText('These words are not in the paragraph above.')).toBeVisible();
  await page.getByLabel(/^Stands at these words/).fill('lower side');
  await page.getByLabel(/^Stands at these words/).press('Enter');
  await expectAccessible(page);
  await assignToCobalt(page);

  const student = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: 'Begin: Three lines' }).click();
  await expect(student.getByText('A beam bends in its middle.')).toBeVisible();
  // What stands behind the stop is not shown yet.
  await expect(student.getByText('Its lower side is pulled.')).toBeHidden();
  await expect(student.getByRole('heading', { name: 'Stop 1 of 2' })).toBeVisible();
  await student.getByRole('radio', { name: 'In its middle' }).check();
  await student.getByRole('button', { name: 'Answer' }).click();
  await expect(student.getByRole('heading', { name: 'Pause' })).toBeVisible();
  await expectAccessible(student);
  await expect(student.getByText('It splits there first.')).toBeHidden();
  await student.getByRole('button', { name: 'Go on' }).click();
  await expect(student.getByText('It splits there first.')).toBeVisible();
  await student.getByRole('button', { name: 'Hand in' }).click();
  await expect(student.getByText('Handed in', { exact: true }).first()).toBeVisible();
  const row = page.getByRole('row', { name: /Alma Hernqvist-Diaz/ });
  await expect(row).toContainText('1 of 1');
  await expect(row.getByText('100%')).toHaveCount(2);

  // A newer version: one paragraph is new, one was rewritten, the one of the phrase is gone.
  await page.getByRole('link', { name: 'edition 1' }).click();
  await page.getByLabel('Bring in a newer version').setInputFiles({
    name: 'Three lines.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(
      'The beam\n\nA word before.\n\nA beam bends most in its middle.\n\nSomething wholly different.',
    ),
  });
  await expect(page.getByText(/One stop lost its place/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Checkpoint at ¶3/ })).toBeVisible();
  await page.getByRole('button', { name: 'Pull at a sheet of paper.', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Pause at ¶3/ })).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^3 Its lower side/ })).toBeVisible();
});

test('whoever scrolls past a text is told, beside it, and led to where they were', async ({ page }) => {
  await enterAs(page, teacher);
  const lines = Array.from(
    { length: 40 },
    (_, index) => `This is line ${index + 1}, and it says what the pier carries.`,
  );
  await makeLesson(page, 'Forty lines.txt', Buffer.from(lines.join('\n\n')));
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(page.getByText('Rehearsal: nothing is recorded')).toBeVisible();
  const first = page.getByText(/^This is line 1,/);
  await expect(first).toBeVisible();
  const told = page.getByText('You have not read all of it yet.');
  await expect(told).toBeVisible();
  await page.keyboard.press('End');
  await expect(page.getByText(/^This is line 40,/)).toBeInViewport();
  await expect(first).not.toBeInViewport();
  await expect(told).toBeInViewport();
  await page.getByRole('button', { name: 'Go back to where you were' }).click();
  await expect(page.getByText(/^This is line [2-9],/).first()).toBeInViewport();
});
