import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { type Browser, expect, type Locator, type Page, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';

async function newLesson(page: Page, title: string): Promise<void> {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'New lesson' }).click();
  await page.getByLabel('Title of the lesson').fill(title);
}

/** A task of one note, which is read with one press. */
async function addNote(page: Page, name: string, note: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByLabel('Name of the task').fill(name);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page
    .getByPlaceholder(/what to|think|note/i)
    .first()
    .fill(note);
}

const outlined = (page: Page, name: string | RegExp) =>
  page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name });
const side = (page: Page, name: 'Script' | 'Path') =>
  page.getByRole('group', { name: 'Views of the lesson' }).getByRole('button', { name });
const card = (page: Page, name: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^Part \\d+: ${name}`) });

/** Signs in a student of 8 Cobalt who has no button of their own. */
async function signIn(browser: Browser, userName: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto('/sign-in');
  await page.getByRole('textbox').first().fill(userName);
  await page.getByLabel('Password').fill('a bridge of paper');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('link', { name: 'To do' })).toBeVisible();
  return page;
}

test('a fork and a rule lead two students along two routes, and the teacher sees both on the map', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const page = await (await browser.newContext()).newPage();
  await newLesson(page, 'Two ways over');
  for (const name of ['Slower', 'Arch', 'Cable', 'End']) await addNote(page, name, `This is ${name}.`);

  // The first part, put before the others by keys.
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByLabel('Name of the task').fill('Ask');
  await outlined(page, /^Ask/).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByRole('navigation', { name: 'Outline' }).getByRole('listitem').first()).toContainText('Ask');
  await page.getByRole('button', { name: 'Questions', exact: true }).click();
  await page.keyboard.type('Which force pulls?');
  await page.getByRole('textbox', { name: 'Answer 1', exact: true }).fill('Tension');
  await page.getByRole('textbox', { name: 'Answer 2', exact: true }).fill('Compression');
  await page.getByRole('button', { name: 'Remove: Answer 3' }).click();
  await page.getByRole('radio', { name: 'Right: Answer 1' }).check();
  await page.getByText('Where to go on, by the answers').click();
  await page.getByRole('button', { name: 'Add a rule' }).first().click();
  await page.getByLabel('Rule 1: where it leads').selectOption({ label: 'Slower, from its beginning' });
  await expect(page.getByText('Below 60 %: go to “Slower”.')).toBeVisible();
  await page.getByRole('button', { name: 'Fork here' }).click();
  await page.keyboard.type('Which way?');
  for (const [number, name] of [
    [1, 'Arch'],
    [2, 'Cable'],
  ] as const) {
    await page.getByRole('textbox', { name: `Way ${number}`, exact: true }).fill(`Over the ${name.toLowerCase()}`);
    await page.getByLabel(`Way ${number}: where it leads`).selectOption({ label: `${name}, from its beginning` });
  }

  // On the map: what is wrong is marked where it is, and mended there.
  await side(page, 'Path').click();
  await expect(card(page, 'Ask')).toBeVisible();
  await card(page, 'Slower').click();
  await page.getByRole('combobox', { name: 'After this part' }).selectOption({ label: 'back to where they were' });
  await card(page, 'Arch').click();
  await page.getByRole('combobox', { name: 'After this part' }).selectOption({ label: 'End, from its beginning' });
  await page.getByRole('button', { name: 'All routes' }).click();
  await expect(page.getByText('Must be done')).toBeVisible();
  const routes = page.getByRole('complementary', { name: 'About the path' });
  await expect(routes.getByRole('button', { name: /^Ask → Slower → Arch → End/ })).toBeVisible();
  await expect(routes.getByRole('button', { name: /→/ })).toHaveCount(4);
  await routes.getByRole('button', { name: /^Ask → Cable → End/ }).click();
  await expect(page.getByRole('list', { name: 'What is met on this route' })).toContainText('This is Cable.');
  await routes.getByRole('button', { name: 'Try them now' }).click();
  await expect(page.getByText(/routes that were walked lead to the end/)).toBeVisible();
  await expectAccessible(page);

  // From card to card by keys, and one of them moved.
  await card(page, 'Ask').focus();
  await page.keyboard.press('ArrowRight');
  await expect(card(page, 'Ask')).not.toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(card(page, 'Ask')).toBeFocused();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByRole('button', { name: 'Arrange again' })).toBeVisible();

  // The list says the same, and works by keys alone.
  await page.getByRole('button', { name: 'List', exact: true }).click();
  const list = page.getByRole('list', { name: 'List' });
  await expect(list).toContainText('Below 60 %: go to “Slower”, then back here.');
  await expect(list).toContainText('“Over the arch”: go to “Arch”.');
  await expect(list).toContainText('At its end: go back to “Ask”.');
  await expectAccessible(page);
  await list.getByRole('button', { name: /Cable/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the part')).toHaveValue('Cable');
  await page.getByRole('button', { name: 'Open its script' }).click();
  await expect(page.getByLabel('Name of the task')).toHaveValue('Cable');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await assignToCobalt(page);

  // One student answers right and goes over the arch, one wrong and over the cable.
  const walk = async (student: Page, answer: string, way: string, notes: readonly string[]) => {
    await student.getByRole('link', { name: /Two ways over/ }).click();
    const strip = student.getByRole('region', { name: 'Your way through the lesson' });
    await expect(strip).toContainText('The rest depends on your answers and choices.');
    await student.getByRole('button', { name: 'Begin' }).click();
    await student.getByRole('radio', { name: answer }).check();
    await student.getByRole('button', { name: 'Answer', exact: true }).click();
    for (const note of notes) {
      if (note === 'way') {
        await student.getByRole('button', { name: /^(Begin|Next question)$/ }).click();
        await student.getByRole('button', { name: way }).click();
        continue;
      }
      const next = student.getByRole('button', { name: /^Next part/ });
      if (await next.isVisible()) await next.click();
      await student.getByRole('button', { name: /^(Begin|Next question)$/ }).click();
      await expect(student.getByText(note).first()).toBeVisible();
      await student.getByRole('button', { name: 'Go on' }).click();
    }
    await student.getByRole('button', { name: 'Hand in' }).click();
    await expect(student.getByText('Handed in').first()).toBeVisible();
  };
  const alma = await (await browser.newContext()).newPage();
  await enterAs(alma, 'Alma Hernqvist-Diaz');
  await walk(alma, 'Tension', 'Over the arch', ['way', 'This is Arch.', 'This is End.']);
  const benedikt = await signIn(browser, 'benedikt.osei');
  await walk(benedikt, 'Compression', 'Over the cable', ['This is Slower.', 'way', 'This is Cable.', 'This is End.']);

  await page.getByRole('link', { name: 'Path', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Ask → Arch → End/ })).toContainText('1 student');
  await page.getByRole('button', { name: /^Ask → Slower → Cable → End/ }).click();
  await expect(page.getByText('Benedikt Osei')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await expect(page.getByRole('listitem').filter({ hasText: '“Over the cable”: go to “Cable”.' }).last()).toContainText(
    '1 took it',
  );
  await expectAccessible(page);
});

test('a board is written, asks for no more than there is, and is done tile by tile', async ({ browser }) => {
  test.setTimeout(120_000);
  const page = await (await browser.newContext()).newPage();
  await newLesson(page, 'Show it');
  await addNote(page, 'Drawing', 'Take a sheet of paper.');
  await addNote(page, 'Build', 'Build it from paper.');
  await page.getByRole('button', { name: 'Add a board' }).click();
  await page.getByLabel('Name of the board').fill('Choose');
  await outlined(page, /^Choose/).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('Alt+ArrowUp');
  await page.getByLabel('What to do, on top of the board').fill('Show what you know.');
  await page.getByLabel('Title of tile 1').fill('Draw your bridge');
  await page.getByLabel('Tile 1: where it leads').selectOption({ label: 'to “Drawing”, then back' });
  await page.getByLabel('Title of tile 2').fill('Build your bridge');
  await page.getByLabel('Tile 2: where it leads').selectOption({ label: 'to “Build”, then back' });
  await page.getByLabel('Title of tile 3').fill('Look at a bridge');
  await page.getByLabel('Tile 3: where it leads').selectOption({ label: 'to an address outside' });
  await page.getByLabel('Tile 3: address').fill('https://bridges.example/');
  await page.getByLabel('How many').fill('4');
  await expect(page.getByText('This board asks for more than its tiles can give.')).toBeVisible();
  await page.getByRole('button', { name: 'Make edition 1' }).click();
  await expect(page.getByRole('button', { name: 'This board asks for more than its tiles can give.' })).toBeVisible();
  await page.getByLabel('How many').fill('2');
  await expect(page.getByText('Do any 2 of these.').first()).toBeVisible();
  await expectAccessible(page);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await assignToCobalt(page);

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: /Show it/ }).click();
  await expect(student.getByText('0 of 2 done.')).toBeVisible();
  await expect(student.getByRole('button', { name: 'Go on' })).toBeDisabled();
  await expectAccessible(student);
  await student.getByRole('button', { name: /Build your bridge/ }).click();
  await expect(student.getByText('From the board: Build your bridge')).toBeVisible();
  await student.getByRole('button', { name: 'Begin' }).click();
  await student.getByRole('button', { name: 'Go on' }).click();
  await expect(student.getByText('1 of 2 done.')).toBeVisible();
  // What is done can be looked at again, from the board and from the strip, and the way back is one press.
  const part = student.getByText('Build', { exact: true });
  await student.getByRole('button', { name: /Build your bridge/ }).click();
  await expect(part.first()).toBeVisible();
  await student.getByRole('button', { name: 'Back to the board' }).click();
  await student.getByRole('button', { name: 'Go to: Build' }).click();
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Back to the board' }).click();
  await student.getByRole('button', { name: 'I have done it: Look at a bridge' }).click();
  await expect(student.getByText('2 of 2 done: you can go on.')).toBeVisible();
  await student.getByRole('button', { name: 'Go on' }).click();
  await student.getByRole('button', { name: 'Hand in' }).click();
  await expect(student.getByText('Handed in').first()).toBeVisible();
});

test('a lesson stands inside another, follows its editions, and an extra is only for one group', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const page = await (await browser.newContext()).newPage();
  await newLesson(page, 'Inner bridge');
  await addNote(page, 'Inside', 'This stands inside.');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Make edition 1' }).click();
  await expect(page.getByText('Edition 1', { exact: true })).toBeVisible();
  const innerAt = page.url();

  // Alma is in the group that runs on, Benedikt is not.
  await page.goto('/classes');
  await page
    .getByRole('link', { name: /8 Cobalt/ })
    .first()
    .click();
  await expect(page.getByLabel('Groups of Alma Hernqvist-Diaz')).toHaveValue('ready to run on');
  await page.getByLabel('Groups of Benedikt Osei').fill('plain words, drawers');
  await page.keyboard.press('Enter');
  await expectAccessible(page);

  await page.goto('/shelf');
  await page.getByRole('button', { name: 'New lesson' }).click();
  await page.getByLabel('Title of the lesson').fill('Outer bridge');
  await page.getByRole('button', { name: 'Add a lesson' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a lesson' });
  await dialog.getByLabel('Which lesson').selectOption({ label: 'Inner bridge' });
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Add this lesson' }).click();
  await expect(page.getByLabel('Edition')).toHaveValue('');
  await addNote(page, 'Extra', 'Only for some.');
  await page.getByRole('button', { name: 'For whom: Extra' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'ready to run on' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'For whom: Extra' })).toContainText('Only for ready to run on');
  await expectAccessible(page);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  // Rehearsed as a student who is in no group, and as one who is given the extra.
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await page.getByLabel('Skip freely').check();
  await expect(page.getByRole('button', { name: 'Go to: Extra' })).toHaveCount(0);
  await page.getByLabel('As a student in').selectOption('ready to run on');
  await expect(page.getByRole('button', { name: 'Go to: Extra' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Back to the desk' }).click();
  await assignToCobalt(page);

  // A new edition of the inner lesson reaches an assignment that nobody has begun.
  await page.goto(innerAt);
  await page
    .getByRole('navigation', { name: 'Outline' })
    .getByRole('button', { name: /This stands inside/ })
    .click();
  await page
    .getByPlaceholder(/what to|think|note/i)
    .first()
    .fill('This is newer.');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Make edition 2' }).click();
  await expect(page.getByText('Edition 2', { exact: true })).toBeVisible();

  const read = async (student: Page, note: string) => {
    const next = student.getByRole('button', { name: /^Next part/ });
    if (await next.isVisible()) await next.click();
    await student.getByRole('button', { name: 'Begin' }).click();
    await expect(student.getByText(note).first()).toBeVisible();
    await student.getByRole('button', { name: 'Go on' }).click();
  };
  const alma = await (await browser.newContext()).newPage();
  await enterAs(alma, 'Alma Hernqvist-Diaz');
  await alma.getByRole('link', { name: /Outer bridge/ }).click();
  await read(alma, 'This is newer.');
  await read(alma, 'Only for some.');
  await alma.getByRole('button', { name: 'Hand in' }).click();
  await expect(alma.getByText('Handed in').first()).toBeVisible();
  const benedikt = await signIn(browser, 'benedikt.osei');
  await benedikt.getByRole('link', { name: /Outer bridge/ }).click();
  await read(benedikt, 'This is newer.');
  await expect(benedikt.getByRole('button', { name: 'Hand in' })).toBeVisible();
  await expect(benedikt.getByText('Extra')).toHaveCount(0);
});

test('the whole path stands in sight where it can be read, and a card reached by keys comes into sight', async ({
  page,
}) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('link', { name: 'Which bridge would you build?' }).click();
  await side(page, 'Path').click();
  const inPane = async (name: string) => {
    const pane = await page.locator('.react-flow').boundingBox();
    const box = await card(page, name).boundingBox();
    return pane !== null && box !== null && box.x >= pane.x && box.x + box.width <= pane.x + pane.width;
  };
  // As wide as it takes, and where the words would be too small, from its beginning.
  await page.setViewportSize({ width: 1800, height: 800 });
  await expect.poll(() => inPane('Show what you know')).toBe(true);
  await page.setViewportSize({ width: 1180, height: 800 });
  await expect.poll(() => inPane('Show what you know')).toBe(false);
  await expect.poll(() => inPane('The beam')).toBe(true);
  await card(page, 'The beam').focus();
  const isLast = () => card(page, 'Show what you know').evaluate((element) => element === document.activeElement);
  for (let i = 0; i < 6 && !(await isLast()); i++) await page.keyboard.press('ArrowRight');
  await expect(card(page, 'Show what you know')).toBeFocused();
  await expect.poll(() => inPane('Show what you know')).toBe(true);
  // Where a card was looked for, the map stays.
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect.poll(() => inPane('Show what you know')).toBe(true);
  await page.getByRole('button', { name: 'Zoom In' }).click();
  await page.getByRole('button', { name: 'Fit View' }).click();
  await expect.poll(() => inPane('The beam')).toBe(true);
});
