import { readFile } from 'node:fs/promises';
import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { expectPolite } from './polite-dialog.ts';
import { expect, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';

test('a task is made of questions from the bank, each student is given some, and what they earn is told there', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, teacher);
  await page.goto('/shelf/questions');
  // What 8 Amber and 8 Cobalt earned with it is known already.
  const known = page.getByRole('listitem').filter({ hasText: 'A truck stands in the middle' });
  await expect(known).toContainText(/\d+% earned\d+ answers/);
  await page.getByRole('combobox', { name: 'Order' }).selectOption('Hardest first');
  await page.getByRole('combobox', { name: 'Tag' }).selectOption('quick');
  await expect(page.getByRole('listitem')).toHaveCount(6);
  await expectAccessible(page);

  // Typed as lines, and tagged.
  await page.getByRole('button', { name: 'Type or paste' }).click();
  await page
    .getByLabel('One question after another, with a blank line in between')
    .fill('Which one hangs?\n- [x] A hanger\n- [ ] A pier\n\nWhich one stands?\n- [ ] A hanger\n- [x] A pier');
  await page.getByRole('button', { name: 'Add 2 questions' }).click();
  await expect(page.getByText('2 questions are in the bank.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Tag' }).selectOption('Any tag');
  for (const words of ['Which one hangs?', 'Which one stands?']) {
    await page.getByRole('button', { name: `Change: ${words}` }).click();
    await page.getByLabel('Tags').fill('hanging, standing');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: words })).toContainText('hangingstanding');
  }

  // Into a task of a new lesson: one of the two for each.
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'New lesson' }).click();
  await page.getByLabel('Title of the lesson').fill('Hanging or standing');
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByRole('button', { name: 'Questions', exact: true }).click();
  await page.getByRole('button', { name: 'From the bank' }).click();
  const picker = page.getByRole('dialog', { name: 'Take from the question bank' });
  await picker.getByRole('combobox', { name: 'Tag' }).selectOption('hanging');
  for (const box of await picker.getByRole('checkbox').all()) await box.check();
  await picker.getByRole('button', { name: 'Take 2 questions' }).click();
  await page.getByLabel('Give each student only some of these').check();
  await expect(page.getByLabel('How many')).toHaveValue('1');
  await expectAccessible(page);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await assignToCobalt(page);

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: /Hanging or standing/ }).click();
  await student.getByRole('button', { name: 'Begin' }).click();
  await expect(student.getByRole('radio')).toHaveCount(2);
  const stem = (await student.getByText(/Which one (hangs|stands)\?/).textContent()) ?? '';
  await student.getByRole('radio', { name: stem.includes('hangs') ? 'A hanger' : 'A pier' }).check();
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Answer' }).click();
  await expect(student.getByText('(Right)')).toBeVisible();
  await student.getByRole('button', { name: 'Hand in' }).click();
  await expect(student.getByText('Handed in').first()).toBeVisible();

  await page.goto('/shelf/questions');
  await expect(page.getByRole('listitem').filter({ hasText: stem })).toContainText('1 answertoo few to say');
});

test('questions go out as a package and come in again', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf/questions');
  await page.getByRole('combobox', { name: 'Tag' }).selectOption('numbers');
  await page.getByRole('listitem').getByRole('checkbox').check();
  await expectPolite(page, page.getByRole('button', { name: 'Export' }));
  await page.getByRole('button', { name: 'Export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export' });
  await expect(dialog).toContainText('learning target');
  await expectAccessible(page);
  const downloading = page.waitForEvent('download');
  await dialog.getByRole('link', { name: 'Download the package' }).click();
  const download = await downloading;
  const zip = await readFile(await download.path());
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByLabel('Bring in').setInputFiles({ name: 'questions.zip', mimeType: 'application/zip', buffer: zip });
  await expect(page.getByText('1 question is in the bank.')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'A paper beam weighs' })).toHaveCount(2);
  await page
    .getByLabel('Bring in')
    .setInputFiles({ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from('no package') });
  await expect(page.getByText('This is neither a QTI package')).toBeVisible();
});
