import { readFileSync } from 'node:fs';
import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

async function openClass(page: Page, side: string, name = /8 Cobalt/): Promise<void> {
  await page.goto('/classes');
  await page.getByRole('link', { name }).click();
  await page.getByRole('link', { name: side, exact: true }).click();
}

test('a total is looked into, a number is given by hand and taken back, other rules count, and what was kept stays', async ({
  page,
}) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await openClass(page, 'Gradebook');
  const totalOf = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}: .*how it comes about`) });
  const before = await totalOf('Olena Skarpnäs').textContent();

  // By keys: from the total to the first cell, and into it.
  await totalOf('Olena Skarpnäs').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const drawer = page.getByRole('dialog', { name: 'Olena Skarpnäs' });
  await expect(drawer.getByText(/points make \d/).first()).toBeVisible();
  await drawer.getByRole('button', { name: 'Give a number by hand …' }).first().click();
  await drawer.getByLabel(/^Points, of/).fill('18');
  await drawer.getByLabel('Why').fill('Built it out of paper in front of me');
  // What is typed does not go away by Escape.
  await page.keyboard.press('Escape');
  await drawer.getByRole('button', { name: 'Go on writing' }).click();
  await drawer.getByRole('button', { name: 'Give it' }).click();
  await expect(drawer.getByText(/^18 by hand, in place of/)).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(totalOf('Olena Skarpnäs')).not.toHaveText(before ?? '');

  // All points alike, in numbers.
  await page.getByRole('button', { name: 'Keep this version …' }).click();
  await page.getByLabel('What it is for').fill('Half-year');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'How it is counted …' }).click();
  await page.getByRole('radio', { name: /^All points alike/ }).check();
  await page.getByLabel('What it is called').selectOption('Numbers 0 to 20');
  await page.getByRole('button', { name: 'Count like this' }).click();
  await expect(totalOf('Olena Skarpnäs')).toHaveText(/\d% · \d+\.\d$/);
  const [downloading] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: 'Save …' })
      .click()
      .then(() => page.getByRole('menuitem', { name: 'Gradebook as CSV' }).click()),
  ]);
  const [head = '', ...rows] = readFileSync(await downloading.path(), 'utf8')
    .trim()
    .split('\n');
  expect(head).toContain('Autumn term %');
  expect(rows.find((row) => row.startsWith('Olena'))).toContain('given by hand by Ms. Adaeze Lindqvist');

  // As it was kept: other rules, and nothing to change.
  const versions = page.getByLabel('Which version');
  await versions.selectOption({ index: 1 });
  await expect(page.getByText(/^This is the gradebook as Ms. Adaeze/)).toBeVisible();
  await expect(totalOf('Olena Skarpnäs')).toHaveText(/Nearly there|Secure|Not yet/);
  await expect(page.getByRole('button', { name: 'How it is counted …' })).toHaveCount(0);
  await versions.selectOption({ index: 2 });
  await expect(totalOf('Olena Skarpnäs')).toHaveText(before ?? '');
  await expectAccessible(page);
});

test('who has not met a target becomes a group that is given more; a list is brought in', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  // In 8 Amber, one target nobody has met.
  await openClass(page, 'Targets', /8 Amber/);
  await page.getByRole('button', { name: /^Nobody has met “B.1/ }).click();
  const drawer = page.getByRole('dialog', { name: /^B.1/ });
  await expect(drawer.getByText(/^Not met yet \(\d+\)/)).toBeVisible();
  await expectAccessible(page);
  await drawer.getByRole('button', { name: 'Make a group …' }).first().click();
  await expect(page.getByLabel('Name of the group')).toHaveValue('B.1, once more');
  await page.getByRole('button', { name: /^Put \d+ students in it/ }).click();
  await expect(page.getByText(/students are in “B.1, once more”/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /, B.1 Tells compression from tension: \d+%, not met yet$/ })
    .first()
    .click();
  await expect(page.getByRole('dialog').getByRole('table')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/shelf/targets');
  const table = 'Kod;Mål\r\nW.1;Väger en bro av papper\r\nW.1;Två gånger\r\n';
  // As a spreadsheet in Sweden saves it.
  await page
    .getByLabel('Bring in a list')
    .setInputFiles({ name: 'targets.csv', mimeType: 'text/csv', buffer: Buffer.from(table, 'latin1') });
  const plan = page.getByRole('dialog', { name: '1 target in “targets.csv”' });
  await expect(plan.getByText('Row 3: the code stands above already')).toBeVisible();
  await expectAccessible(page);
  await plan.getByRole('button', { name: 'Take 1 in' }).click();
  await expect(page.getByText('Väger en bro av papper')).toBeVisible();
});

test('what a class did is looked at together, with answers that were chosen, and nobody is named unasked', async ({
  page,
}) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/today');
  await page
    .getByRole('region', { name: 'Given out' })
    .getByRole('listitem')
    .filter({ hasText: /How bridges carry load.*8 Cobalt/ })
    .getByRole('link')
    .first()
    .click();
  await page.getByRole('link', { name: 'Look back' }).click();
  const own = page.locator('section').filter({ hasText: 'Think of a bridge near you' }).last();
  await own.getByRole('button', { name: 'Choose answers …' }).click();
  await page.getByRole('checkbox', { name: 'Show the answer of Alma Hernqvist-Diaz' }).check();
  await page.keyboard.press('Escape');
  await expect(own.getByText('Somebody in the class')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Show question 1', exact: true }).uncheck();
  await page.getByLabel('What we take up again').fill('Bring a sponge');
  await page.getByRole('button', { name: 'Show to the class' }).click();
  const wall = page.getByRole('dialog', { name: 'How bridges carry load' });
  await expect(wall.getByText('19 of 24 handed in')).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(wall.getByText('Question 1', { exact: true })).toHaveCount(0);
  await expect(wall.getByText('Question 2', { exact: true })).toBeVisible();
  for (let at = 0; at < 30; at++) await page.keyboard.press('PageDown');
  await expect(wall.getByText('Bring a sponge')).toBeVisible();
  await wall.getByRole('button', { name: 'End' }).click();
  await expect(wall).toHaveCount(0);
  // It is there again later.
  await page.reload();
  await expect(page.getByLabel('What we take up again')).toHaveValue('Bring a sponge');
  await expect(own.getByText('Somebody in the class')).toBeVisible();
});

test('a student writes back to what was said, is answered, and each side sees that it was seen', async ({
  browser,
  page,
}) => {
  const student = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: 'Feedback' }).click();
  const card = student.getByRole('listitem').filter({ hasText: 'Clear, and every step is there.' });
  await expect(card.getByText('Is the anchorage pulled or squeezed?')).toBeVisible();
  await expectAccessible(student);

  // It is among what a day begins with, and leads to where it is answered.
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.getByRole('link', { name: /^Answer 1 who wrote back/ }).click();
  await page.getByRole('button', { name: /^Answer.*Alma Hernqvist-Diaz/ }).click();
  const drawer = page.getByRole('dialog', { name: 'Alma Hernqvist-Diaz' });
  const talk = drawer.getByRole('article').filter({ hasText: 'Is the anchorage pulled' });
  await expect(talk.getByText('Seen by the student').first()).toBeVisible();
  // The student looks at something else meanwhile.
  await student.getByRole('link', { name: 'Done' }).click();
  await talk.getByRole('button', { name: /^Write back: Now say it/ }).click();
  await talk.getByRole('textbox', { name: /^Write back/ }).fill('Pulled: look at the cable.');
  await talk.getByRole('button', { name: 'Send' }).click();
  await expect(talk.getByText('Not seen by the student yet').first()).toBeVisible();
  await expectAccessible(page);

  await student.getByRole('link', { name: 'Feedback' }).click();
  await expect(card.getByText('Pulled: look at the cable.')).toBeVisible();
  await expect(card.getByText('New', { exact: true })).toBeVisible();
  await page.reload();
  await expect(talk.getByText('Not seen by the student yet')).toHaveCount(0);

  // The page of the student that stands open is told at once.
  await talk.getByRole('button', { name: /^Write back: Now say it/ }).click();
  await talk.getByRole('textbox', { name: /^Write back/ }).fill('And the tower is squeezed.');
  await talk.getByRole('button', { name: 'Send' }).click();
  await expect(card.getByText('And the tower is squeezed.')).toBeVisible();
});
