import { enterAs } from './demo-visit.ts';
import { expectPolite } from './polite-dialog.ts';
import { expect, type Page, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';

/** The assignment of the demo that both classes have; other stories give others beside it. */
async function bridgesId(page: Page): Promise<string> {
  const assignments = await (await page.request.get('/api/assignments')).json();
  const all = assignments.filter(({ title }: { title: string }) => title === 'How bridges carry load');
  return all.at(-1).id;
}

test.beforeEach(({ page }) => enterAs(page, teacher));

test('dialogs of the sheet and of marking', async ({ page }) => {
  const id = await bridgesId(page);
  await page.goto(`/assignments/${id}`);
  await expectPolite(page, page.getByRole('button', { name: 'Keys', exact: true }));
  await expectPolite(page, page.getByRole('row').nth(2).getByRole('button').first());
  // Of a question that the program marks.
  const questions = await (await page.request.get(`/api/assignments/${id}/marking`)).json();
  const marked = questions.find(({ answered, waiting }: Record<string, number>) => answered && waiting === 0);
  await page.goto(`/assignments/${id}/marking?question=${marked.questionId}`);
  await expectPolite(page, page.getByRole('button', { name: 'Correct the key' }));
});

test('dialogs of the shelf and of the question bank', async ({ page }) => {
  await page.goto('/shelf');
  await expectPolite(page, page.getByRole('button', { name: /^Several lessons/ }).first());
  await page.goto('/shelf/questions');
  await expectPolite(page, page.getByRole('button', { name: 'New question' }));
  await expectPolite(page, page.getByRole('button', { name: 'Type or paste' }));
  await expectPolite(page, page.getByRole('button', { name: /^Change/ }).first());
});

test('dialogs of the desk', async ({ page }) => {
  const { lessonId } = await (await page.request.get(`/api/assignments/${await bridgesId(page)}/sheet`)).json();
  await page.goto(`/lessons/${lessonId}`);
  await expectPolite(page, page.getByRole('button', { name: 'Assign', exact: true }));
  await expectPolite(page, page.getByRole('button', { name: 'Keys', exact: true }));
  await expectPolite(page, page.getByRole('button', { name: 'Add a part' }));
  await expectPolite(page, page.getByRole('button', { name: 'Add a lesson' }));
  await page
    .getByRole('button', { name: /Checkpoint/ })
    .first()
    .click();
  for (const name of ['Type or paste', 'From the bank', 'Cut one out'])
    await expectPolite(page, page.getByRole('button', { name }).first());
});

test('dialogs of classes', async ({ page }) => {
  await page.goto('/classes');
  await expectPolite(page, page.getByRole('button', { name: 'New class' }));
  await page.goto('/classes/demo-amber');
  await expectPolite(page, page.getByRole('button', { name: 'Add students' }));
  await expectPolite(page, page.getByRole('button', { name: 'Groups at random' }));
  await page.getByLabel('Select Tuva Marchetti-Bui').check();
  await expectPolite(page, page.getByRole('button', { name: 'Put into a group' }));
  await page.goto('/classes/demo-amber/settings');
  await expectPolite(page, page.getByRole('button', { name: 'Show it large' }));
});

test('the dialog of slides that are not saved', async ({ page }) => {
  await page.goto('/slides/new');
  await page.getByLabel('Heading').fill('Not saved');
  const shelf = page.getByRole('link', { name: 'Shelf', exact: true }).first();
  await expectPolite(page, shelf);
  await expect(page.getByLabel('Heading')).toHaveValue('Not saved');
});
