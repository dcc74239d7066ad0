import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

/** The assignment of the demo that 8 Cobalt has walked. */
async function openBridges(page: Page, side: string): Promise<void> {
  const assignments = await (await page.request.get('/api/assignments')).json();
  const bridges = assignments.findLast(
    ({ title, className }: Record<string, string>) =>
      title === 'How bridges carry load' && className?.startsWith('8 Cobalt'),
  );
  await page.goto(`/assignments/${bridges.id}`);
  await page.getByRole('link', { name: side, exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/${side.toLowerCase()}$`));
}

test('what the answers have in common is found, becomes a group that is given more, and reaches its students', async ({
  browser,
  page,
}) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await openBridges(page, 'Stops');
  const proposals = page.getByRole('region', { name: 'What the answers have in common' });
  const sides = proposals.getByRole('listitem').filter({ hasText: /^7 chose “It gets longer: it is in tension.”/ });
  await expect(sides).toContainText('Fabio Nakagawa-Ek');
  await expect(proposals.getByText('3 earned less than 40% of the points')).toBeVisible();
  await expect(proposals.getByText(/^1 went through in a third of the usual time/)).toBeVisible();
  await expect(
    page.getByText('Students who did well overall chose “Four times as hard”: look at the key.'),
  ).toBeVisible();
  await expectAccessible(page);

  await sides.getByRole('button', { name: 'Make a group …' }).click();
  await page.getByLabel('Name of the group').fill('Squeeze and pull again');
  await page.getByRole('button', { name: 'Put 7 students in it' }).click();
  await expect(page.getByText('7 students are in “Squeeze and pull again”.')).toBeVisible();
  await sides.getByRole('button', { name: 'Give them …' }).click();
  await page.getByRole('button', { name: /: Be the keeper$/ }).click();
  const giving = page.getByRole('dialog', { name: /Be the keeper/ });
  await expect(giving.getByText('Fabio Nakagawa-Ek').first()).toBeVisible();
  await giving
    .getByRole('button', { name: /^(Assign|Give)/ })
    .last()
    .click();
  await expect(page.getByText('0 of 7 handed in')).toBeVisible();
  await page.goto('/classes');
  await page.getByRole('link', { name: /8 Cobalt/ }).click();
  await expect(page.getByLabel('Groups of Fabio Nakagawa-Ek')).toHaveValue(/Squeeze and pull again/);

  const student = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  const signedIn = await student.request.post('/api/session', {
    data: { name: 'fabio.nakagawa.ek', password: 'a bridge of paper' },
  });
  expect(signedIn.status()).toBe(200);
  await student.goto('/to-do');
  await expect(student.getByRole('link', { name: 'Begin: Be the keeper' })).toBeVisible();
});

test('one question is looked into by keys alone; where a class went back is told, and leads to the desk', async ({
  page,
}) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await openBridges(page, 'Stops');
  await page.getByRole('button', { name: /^Look at the answers to question 4:/ }).press('Enter');
  const drawer = page.getByRole('dialog', { name: 'Question 4' });
  const row = drawer.getByRole('row').filter({ hasText: 'Four times as hard' });
  await expect(row.getByRole('cell').first()).toHaveText('12');
  await row.getByRole('button').press('Enter');
  await expect(drawer.getByText('12 students gave “Four times as hard” at first.')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();

  await page.evaluate(() => localStorage.setItem('semita-theme', 'dim'));
  await openBridges(page, 'Watching');
  await page.reload();
  await expect(page.getByText('16 of 21 went back over 1:24–1:44').first()).toBeVisible();
  const place = page.getByRole('slider', { name: /^Place in/ });
  await expect(place).toHaveAttribute('aria-valuetext', /^1:24: 20 of 21 met it/);
  await place.press('PageUp');
  await expect(place).toHaveAttribute('aria-valuetext', /^1:54: 19 of 21 met it/);
  await expect(page.getByText('As a table')).toBeVisible();
  await expectAccessible(page);

  // A stop that is wished for here is begun at the desk, at that place.
  await page.getByRole('link', { name: 'Put a stop here' }).first().click();
  await expect(page).toHaveURL(/\/lessons\//);
  await expect(page.getByRole('textbox', { name: /^Question/ }).first()).toBeFocused();
  await page.getByRole('button', { name: /^Undo/ }).first().click();
});
