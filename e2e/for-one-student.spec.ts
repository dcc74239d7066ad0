import { enterAs, expectAccessible } from './demo-visit.ts';
import { type APIRequestContext, expect, type Page, test } from './test.ts';

const teacherName = 'Ms. Adaeze Lindqvist';
const studentName = 'Alma Hernqvist-Diaz';

const api = async (request: APIRequestContext, method: string, path: string, data?: object) => {
  const answer = await request.fetch(path, { method, ...(data ? { data } : {}) });
  expect([path, answer.status()]).toEqual([path, 200]);
  return await answer.json();
};

const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('later dates and another attempt are in front of the student at once, and on the sheet', async ({ browser }) => {
  const pageOf = async (name: string): Promise<Page> => {
    const page = await (await browser.newContext({ timezoneId: 'Europe/Stockholm' })).newPage();
    await enterAs(page, name);
    return page;
  };
  const teacher = await pageOf(teacherName);
  const student = await pageOf(studentName);
  await student.setViewportSize({ width: 390, height: 844 });
  await student.goto('/done');
  const card = student.getByRole('listitem').filter({ hasText: 'Which bridge would you build?' });
  await expect(card.getByRole('link', { name: /Look again/ })).toBeVisible();
  await expect(card.getByRole('button', { name: /Begin again/ })).toHaveCount(0);

  const assignments = await api(teacher.request, 'GET', '/api/assignments');
  const { id } = assignments.find(({ title }: { title: string }) => title === 'Which bridge would you build?');
  await teacher.goto(`/assignments/${id}`);
  const row = teacher.getByRole('row', { name: new RegExp(studentName) });
  await expect(row).toBeVisible();
  const adjust = (change: object) =>
    api(teacher.request, 'POST', `/api/assignments/${id}/adjustments`, {
      studentIds: ['demo-alma.hernqvist.diaz'],
      change,
      reason: 'Was ill',
    });
  await adjust({ kind: 'anotherAttempt' });
  // Nobody has to ask again, on either side.
  await card.getByRole('button', { name: /Begin again/ }).click();
  await expect(student).toHaveURL(/\/walk\//);
  await expect(row.getByText('attempt 1 of 2')).toBeVisible();
  const until = { opensAt: null, dueAt: `${dayFromNow(9)}T12:00`, closesAt: null };
  await student.goto('/to-do');
  const todo = student.getByRole('listitem').filter({ hasText: 'Which bridge would you build?' });
  await expect(todo.getByText(/^Due .*23:59$/)).toBeVisible();
  await adjust({ kind: 'extended', window: until });
  await expect(todo.getByText(/^Due .*12:00$/)).toBeVisible();
  await expect(row.getByText(/^due .*12:00$/)).toBeVisible();
  for (const page of [student, teacher]) await expectAccessible(page);
  for (const page of [student, teacher]) await page.context().close();
});

test('slides in two tabs: nobody writes over the other unseen', async ({ page, context }) => {
  await enterAs(page, teacherName);
  await page.goto('/slides/new');
  await page.getByLabel('Name of these slides').fill('Two tabs');
  await page.getByLabel('Heading').fill('First');
  const save = (tab: Page) => tab.getByRole('button', { name: 'Save', exact: true }).click();
  const isSaved = (tab: Page) => expect(tab.getByText('Saved', { exact: true })).toBeVisible();
  await save(page);
  await isSaved(page);
  const materials = await api(page.request, 'GET', '/api/materials');
  const { id } = materials.find(({ title }: { title: string }) => title === 'Two tabs');
  const other = await context.newPage();
  await other.goto(`/slides/${id}`);
  await expect(other.getByLabel('Heading')).toHaveValue('First');
  await page.getByLabel('Heading').fill('From one tab');
  await save(page);
  await isSaved(page);
  await other.getByLabel('Heading').fill('From the other');
  await save(other);
  await expect(other.getByRole('alert').getByText('These slides were changed somewhere else')).toBeVisible();
  await expectAccessible(other);
  await other.getByRole('button', { name: 'Keep what is there' }).click();
  await expect(other.getByLabel('Heading')).toHaveValue('From one tab');
  // What gave way is one step back.
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByLabel('Heading')).toHaveValue('From the other');
  await save(other);
  await isSaved(other);
  await page.goto(`/slides/${id}`);
  await expect(page.getByLabel('Heading')).toHaveValue('From the other');
});
