import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const studentName = 'Alma Hernqvist-Diaz';

test('a series is given, opens step by step for a student, and is followed over all of it', async ({ browser }) => {
  const pageOf = async (name: string): Promise<Page> => {
    const page = await (await browser.newContext()).newPage();
    await enterAs(page, name);
    return page;
  };
  const teacher = await pageOf('Ms. Adaeze Lindqvist');
  await teacher.goto('/classes');
  await teacher.getByRole('link', { name: /8 Cobalt/ }).click();
  await teacher.getByRole('link', { name: /^Given/ }).click();
  await teacher.getByRole('button', { name: 'Give a lesson' }).click();
  await teacher.getByRole('button', { name: 'Give several as a series …' }).click();
  const dialog = teacher.getByRole('dialog', { name: 'Give a series' });
  await dialog.getByLabel('Name of the series').fill('Two for keepers');
  await dialog.getByLabel('The first lesson').selectOption({ label: 'Be the keeper' });
  await dialog.getByLabel('One more lesson').selectOption({ label: 'A bridge-keeper’s notebook' });
  await dialog.getByLabel('Due').first().fill('in 3 days');
  await dialog.getByRole('button', { name: 'Due a week apart' }).click();
  await expectAccessible(teacher);
  await dialog.getByRole('button', { name: 'Give 2 lessons' }).click();
  await expect(teacher.getByRole('heading', { name: 'Two for keepers' })).toBeVisible();
  const row = teacher.getByRole('row', { name: new RegExp(studentName) });
  await expect(row.getByText('Not open yet')).toBeVisible();

  const student = await pageOf(studentName);
  await student.setViewportSize({ width: 390, height: 844 });
  await student.goto('/to-do');
  const waiting = student.getByRole('listitem').filter({ hasText: 'A bridge-keeper’s notebook' });
  await expect(waiting.getByText(/^Opens when “Be the keeper” is done/)).toBeVisible();
  await expect(waiting.getByRole('link', { name: /Begin/ })).toHaveCount(0);
  await expectAccessible(student);
  await student.getByRole('link', { name: 'Begin: Be the keeper' }).click();
  await student.getByRole('button', { name: 'Begin', exact: true }).click();
  await student.getByLabel('At the lower side of the planks.').check();
  await student.getByPlaceholder(/Write here/).fill('A shelf: its lower side.');
  for (const button of await student.getByRole('button', { name: 'Answer' }).all()) await button.click();
  await student
    .getByRole('button', { name: /Hand in/ })
    .first()
    .click();
  await student.getByRole('link', { name: 'To do' }).click();
  await expect(student.getByRole('link', { name: 'Begin: A bridge-keeper’s notebook' })).toBeVisible();
  await expect(student.getByText('Two for keepers, 2 of 2 · 1 of 2 lessons done')).toBeVisible();

  await teacher.reload();
  await expect(row.getByText('1 of 2')).toBeVisible();
  await expect(row.getByText('Not begun')).toBeVisible();
  await expectAccessible(teacher);
});
