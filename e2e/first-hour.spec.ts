import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expectAccessible } from './demo-visit.ts';
import { type Browser, expect, type Page, test } from './test.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const port = 3180;
const phone = { width: 390, height: 844 };
const password = 'three planks and a rope';

/** A new installation on an empty folder, as `npm start` starts it; the address that it prints. */
async function startEmpty(): Promise<{ setUpAt: string; stop: () => Promise<void> }> {
  const folder = await mkdtemp(path.join(os.tmpdir(), 'semita-first-hour-'));
  const server: ChildProcess = spawn(process.execPath, ['apps/server/dist/main.js'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, PORT: String(port), SEMITA_DATA: folder },
  });
  const ended = once(server, 'exit');
  const setUpAt = await new Promise<string>((resolve, reject) => {
    let printed = '';
    server.stdout?.on('data', (chunk: Buffer) => {
      printed += chunk.toString();
      const address = /http:\S+\/set-up#\S+/.exec(printed)?.[0];
      if (address) resolve(address);
    });
    server.once('exit', () => reject(new Error(`The server ended: ${printed}`)));
  });
  return {
    setUpAt,
    stop: async () => {
      server.kill();
      await ended;
      await rm(folder, { recursive: true });
    },
  };
}

let house: Awaited<ReturnType<typeof startEmpty>>;
test.beforeAll(async () => {
  house = await startEmpty();
});
test.afterAll(() => house.stop());

const base = `http://127.0.0.1:${port}`;
const newPage = async (browser: Browser, viewport = { width: 1280, height: 800 }): Promise<Page> =>
  await (await browser.newContext({ baseURL: base, viewport, timezoneId: 'Europe/Stockholm' })).newPage();

async function fillAccount(page: Page, fields: Readonly<Record<string, string>>): Promise<void> {
  for (const [label, text] of Object.entries({ ...fields, 'Choose a password': password }))
    await page.getByLabel(label, { exact: true }).fill(text);
}

async function makeClass(page: Page, name: string): Promise<void> {
  await page.goto('/classes');
  await page.getByRole('button', { name: 'New class' }).click();
  await page.getByLabel('Name of the class').fill(name);
  await page.getByRole('button', { name: 'Make the class' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

async function addStudents(page: Page, list: string, count: number): Promise<void> {
  await page.getByRole('button', { name: 'Add students' }).click();
  await page.getByLabel(/^Type or paste/).fill(list);
  await page.getByRole('button', { name: 'Look at the list' }).click();
  await expect(page.getByText(`${count} new`, { exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: `Take ${count} in` }).click();
  await expect(page.getByRole('heading', { name: 'For the first sign-in' })).toBeVisible();
}

test('from an empty folder to first answers of two classes', async ({ browser }) => {
  test.setTimeout(300_000);
  // The first page of all says what to do; the address that was printed does it.
  const admin = await newPage(browser);
  await admin.goto('/');
  await expect(admin.getByText('There is no school here yet')).toBeVisible();
  await expectAccessible(admin);
  await admin.goto(house.setUpAt.replace(/#.*/, '#not-the-secret'));
  await fillAccount(admin, { 'Name of the school': 'Quillhaven School', 'Your name': 'Ms. Runa Achterlund' });
  await admin.getByLabel('E-mail').fill('runa@quillhaven.example');
  await admin.getByLabel('Time zone').selectOption('Europe/Stockholm');
  await admin.getByLabel('I also teach').uncheck();
  await admin.getByRole('button', { name: 'Set up the school' }).click();
  await expect(admin.getByText('This address is not the one the server printed last.')).toBeVisible();
  await expectAccessible(admin);
  await admin.goto('about:blank');
  await admin.goto(house.setUpAt);
  await fillAccount(admin, { 'Name of the school': 'Quillhaven School', 'Your name': 'Ms. Runa Achterlund' });
  await admin.getByLabel('E-mail').fill('runa@quillhaven.example');
  await admin.getByLabel('Time zone').selectOption('Europe/Stockholm');
  await admin.getByLabel('I also teach').uncheck();
  await admin.getByRole('button', { name: 'Set up the school' }).click();
  await expect(admin.getByRole('heading', { name: 'Quillhaven School' })).toBeVisible();

  // A teacher is invited, and comes by the link.
  await admin.getByRole('button', { name: 'Invite a teacher' }).click();
  await admin.getByLabel('Name', { exact: true }).fill('Ms. Adaeze Lindqvist');
  await admin.getByLabel('E-mail').fill('adaeze@quillhaven.example');
  await admin.getByRole('button', { name: 'Make the link' }).click();
  const link = await admin.getByRole('textbox', { name: 'The link for Ms. Adaeze Lindqvist' }).inputValue();
  await expectAccessible(admin);
  await admin.getByRole('button', { name: 'Done' }).click();
  await expectAccessible(admin);
  const teacher = await newPage(browser);
  await teacher.goto(link);
  await expectAccessible(teacher);
  await teacher.getByLabel('Choose a password').fill(password);
  await teacher.getByRole('button', { name: 'Come in' }).click();

  // Each empty page leads on to the next step.
  const steps = teacher.getByRole('complementary', { name: 'First steps' });
  await expect(steps.getByText('0 of 6 done')).toBeVisible();
  await expectAccessible(teacher);
  await steps.getByRole('link', { name: 'Make a class' }).click();
  await expect(teacher).toHaveURL(/\/classes$/);
  await makeClass(teacher, '8 Amber');
  await expect(steps.getByText('1 of 6 done')).toBeVisible();
  await addStudents(teacher, 'Lindholt, Farah\nAchterberg, Goran\nQuispe, Hana', 3);
  const goran = teacher.getByRole('listitem').filter({ hasText: 'Goran Achterberg' });
  const goransPassword = await goran.getByText(/^\w{4}-\w{4}-\w{4}$/).innerText();
  await teacher.getByRole('button', { name: 'Done' }).click();
  await teacher.getByRole('button', { name: 'Leave without printing?' }).click();

  // Cards for all; a child comes in by what the square of one holds, another by its words.
  const [answer] = await Promise.all([
    teacher.waitForResponse(/\/cards$/),
    teacher.getByRole('button', { name: 'Print cards' }).click(),
  ]);
  const cards = (await answer.json()) as { displayName: string; token: string; words: string }[];
  await expect(teacher.getByRole('img', { name: 'Square to sign in as Farah Lindholt' })).toBeVisible();
  await expectAccessible(teacher);
  const cardOf = (name: string) => cards.find(({ displayName }) => displayName === name);
  const farah = await newPage(browser, phone);
  await farah.goto(`/card#${cardOf('Farah Lindholt')?.token}`);
  await expect(farah.getByRole('link', { name: 'To do' })).toBeVisible();
  expect(farah.url()).not.toContain(cardOf('Farah Lindholt')?.token);
  const hana = await newPage(browser, phone);
  await hana.goto('/sign-in');
  await hana.getByRole('link', { name: 'I have a card' }).click();
  await hana.getByLabel('The four words').fill('acorn anchor ankle apple');
  await hana.getByRole('button', { name: 'Come in' }).click();
  await expect(hana.getByText('This card is not known here.')).toBeVisible();
  await expectAccessible(hana);
  await hana.getByLabel('The four words').fill(`${cardOf('Hana Quispe')?.words.toUpperCase()} `);
  await hana.getByRole('button', { name: 'Come in' }).click();
  await expect(hana.getByText('Nothing to do right now')).toBeVisible();

  // Nobody becomes somebody else by holding up a card: who is at work is asked.
  await hana.goto(`/card#${cardOf('Goran Achterberg')?.token}`);
  await expect(hana.getByText('Hana Quispe is signed in on this device.')).toBeVisible();
  await expectAccessible(hana);
  await hana.getByRole('link', { name: 'Go on as Hana Quispe' }).click();
  await expect(hana.getByText('Nothing to do right now')).toBeVisible();
  await teacher.getByRole('button', { name: 'Done' }).click();
  await teacher.getByRole('button', { name: 'Leave without printing?' }).click();

  // Another class fills itself by a code, and its teacher lets them in.
  await makeClass(teacher, '8 Cobalt');
  await teacher.getByLabel('Who has the code comes in').selectOption('asks');
  const code = await teacher.getByText(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/).innerText();
  await expectAccessible(teacher);
  const nils = await newPage(browser, phone);
  await nils.goto('/join');
  await expectAccessible(nils);
  await nils.getByLabel('Class code').fill(code.toLowerCase().replace('-', ' '));
  await nils.getByRole('button', { name: 'Go on' }).click();
  await expect(nils.getByRole('heading', { name: /8 Cobalt/ })).toBeVisible();
  await expectAccessible(nils);
  await fillAccount(nils, { 'Your name': 'Nils Adomako', 'Choose a user name': 'nils' });
  await nils.getByRole('button', { name: 'Join the class' }).click();
  await expect(nils.getByText(/You have asked to join 8 Cobalt/)).toBeVisible();
  await teacher.reload();
  await teacher.getByRole('button', { name: 'Let Nils Adomako in' }).click();
  await expect(teacher.getByRole('cell', { name: 'Nils Adomako', exact: true })).toBeVisible();
  await expect(nils.getByText(/You have asked to join/)).toHaveCount(0, { timeout: 30_000 });

  // A lesson of one question.
  await steps.getByRole('link', { name: 'Go to the shelf' }).click();
  await teacher.getByRole('button', { name: 'New lesson' }).click();
  await teacher.getByLabel('Title of the lesson').fill('Which way does it push?');
  await teacher.getByRole('button', { name: 'Add a task' }).click();
  await teacher.getByLabel('Name of the task').fill('A bridge');
  await teacher.getByRole('button', { name: 'Questions', exact: true }).click();
  await teacher.keyboard.type('Which force pulls?');
  await teacher.getByRole('textbox', { name: 'Answer 1', exact: true }).fill('Tension');
  await teacher.getByRole('textbox', { name: 'Answer 2', exact: true }).fill('Compression');
  await teacher.getByRole('button', { name: 'Remove: Answer 3' }).click();
  await teacher.getByRole('radio', { name: 'Right: Answer 1' }).check();
  await teacher.getByRole('button', { name: 'Make edition 1' }).click();
  await expect(teacher.getByText('Edition 1 is made.')).toBeVisible();
  const lessonAt = teacher.url();

  // To a class, to another with other dates, and to one student with dates of his own.
  await teacher.getByRole('button', { name: 'Assign', exact: true }).click();
  const giving = teacher.getByRole('dialog');
  await giving.getByRole('checkbox', { name: '8 Amber', exact: true }).check();
  await giving.getByRole('checkbox', { name: '8 Cobalt', exact: true }).check();
  await giving.getByRole('button', { name: 'Groups and students of 8 Amber' }).click();
  await giving.getByRole('checkbox', { name: 'Goran Achterberg' }).check();
  await giving.getByLabel('Due', { exact: true }).fill('14.1.2031');
  await giving.getByLabel('Other dates for 8 Cobalt').check();
  await giving.getByLabel('Due', { exact: true }).nth(1).fill('16 Jan 2031 12:00');
  await giving.getByLabel('Other dates for Goran Achterberg').check();
  await giving.getByLabel('Due', { exact: true }).nth(2).fill('2031-01-20');
  await expect(
    giving.getByText(
      '3 students of 8 Amber from now on, due Tue 14 Jan 2031, 23:59; 1 student of 8 Cobalt from now on, due Thu 16 Jan 2031, 12:00; Goran Achterberg from now on, due Mon 20 Jan 2031, 23:59.',
    ),
  ).toBeVisible();
  await expectAccessible(teacher);
  await giving.getByRole('button', { name: 'Assign', exact: true }).click();
  await expect(teacher.getByText('0 of 4 handed in')).toBeVisible();
  const sheetAt = teacher.url();

  // Each student has it with the date that is theirs.
  const goranAt = await newPage(browser, phone);
  await goranAt.goto('/sign-in');
  await goranAt.getByLabel('E-mail or user name').fill('goran.achterberg');
  await goranAt.getByLabel('Password').fill(goransPassword);
  await goranAt.getByRole('button', { name: 'Sign in' }).click();
  const dueOf = (page: Page) => page.getByRole('listitem').filter({ hasText: 'Which way does it push?' });
  await expect(dueOf(goranAt)).toContainText('Due Mon 20 Jan 2031, 23:59');
  await expect(dueOf(farah)).toContainText('Due Tue 14 Jan 2031, 23:59');
  await expect(dueOf(nils)).toContainText('Due Thu 16 Jan 2031, 12:00');
  await farah.getByRole('link', { name: 'Begin: Which way does it push?' }).click();
  await farah.getByRole('button', { name: 'Begin' }).click();
  await farah.getByRole('radio', { name: 'Tension' }).check();
  await farah.getByRole('button', { name: /^Answer/ }).click();
  await expect(teacher.getByRole('img', { name: 'Farah Lindholt, stop 1: All points' })).toBeVisible();
  // The first answer is there: whoever has come so far is led no longer.
  await teacher.reload();
  await expect(teacher.getByRole('table')).toBeVisible();
  await expect(steps).toHaveCount(0);

  // A week more for Goran, a day more for all who have not handed in, and back.
  await teacher
    .getByRole('row', { name: /Goran Achterberg/ })
    .getByRole('button')
    .first()
    .click();
  await teacher.getByRole('button', { name: 'More time' }).click();
  await teacher.getByRole('button', { name: '+ 1 week: For Goran Achterberg' }).click();
  await expect(dueOf(goranAt)).toContainText('Due Mon 27 Jan 2031, 23:59');
  await teacher.getByText('Different for Goran Achterberg').click();
  await expect(teacher.getByText('by Ms. Adaeze Lindqvist')).toBeVisible();
  await expectAccessible(teacher);
  await teacher.keyboard.press('Escape');
  await teacher.getByRole('button', { name: 'More time' }).click();
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: /^\+ 1 day: For 4 who have not handed in/ }).click();
  await expect(dueOf(nils)).toContainText('Due Fri 17 Jan 2031, 12:00');
  await teacher.getByRole('button', { name: 'Undo' }).last().click();
  await expect(dueOf(nils)).toContainText('Due Thu 16 Jan 2031, 12:00');

  // Ended, opened again; taken back, and given again.
  await teacher.getByRole('link', { name: 'Terms' }).click();
  // Words that are fading away are no words any more.
  const words = teacher.locator('[data-sonner-toast]');
  await expect(words).toHaveCount(0);
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: 'End it now' }).click();
  await expect(dueOf(nils)).toContainText('Closed');
  await teacher.getByRole('button', { name: 'Undo' }).last().click();
  await expect(dueOf(nils)).toContainText('Due Thu 16 Jan 2031, 12:00');
  await teacher.getByRole('button', { name: 'Take it back' }).click();
  await expect(teacher.getByText('This is taken back')).toBeVisible();
  await expect(dueOf(nils)).toHaveCount(0);
  await expect(words).toHaveCount(0);
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: 'Let students have it again' }).click();
  await nils.reload();
  await expect(dueOf(nils)).toBeVisible();
  // A second time to the same class is asked about.
  await teacher.goto(sheetAt);
  await teacher.getByRole('link', { name: /^edition/i }).click();
  await teacher.getByRole('button', { name: 'Assign', exact: true }).click();
  await giving.getByRole('checkbox', { name: '8 Cobalt', exact: true }).check();
  await giving.getByRole('button', { name: 'Assign to 8 Cobalt' }).click();
  await expect(giving.getByText('They have this lesson already')).toBeVisible();
  await expectAccessible(teacher);

  // The week on both sides.
  await teacher.goto('/week?from=2031-01-13');
  await expect(teacher.getByText('Due 23:59').first()).toBeVisible();
  await expectAccessible(teacher);
  await farah.goto('/my-week?from=2031-01-13');
  await expect(farah.getByText('Due 23:59')).toBeVisible();
  await expectAccessible(farah);

  // A corrected edition, for who has begun as well: what it carries over is said first.
  await teacher.goto(lessonAt);
  await teacher.getByLabel('Title of the lesson').fill('Which way does it push now?');
  await teacher.getByRole('button', { name: 'Make edition 2' }).click();
  await expect(teacher.getByText('Edition 2 is made.')).toBeVisible();
  await teacher.goto(sheetAt);
  await teacher.getByRole('button', { name: '1 who has begun …' }).click();
  await expect(teacher.getByText('1 answer stays')).toBeVisible();
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: 'Give edition 2 to 1 who has begun' }).click();
  await expect(teacher.getByRole('dialog')).toHaveCount(0);
  await farah.goto('/to-do');
  await expect(farah.getByRole('heading', { name: /Which way does it push/ })).toBeVisible();
  await expect(teacher.getByRole('img', { name: 'Farah Lindholt, stop 1: All points' })).toBeVisible();

  // Somebody comes by the link for guests, and turns out to be Hana.
  await teacher.getByRole('link', { name: 'Terms' }).click();
  await teacher.getByRole('button', { name: 'Make a link for guests' }).click();
  const guestLink = await teacher.getByRole('textbox', { name: 'Link for guests' }).inputValue();
  const guest = await newPage(browser, phone);
  await guest.goto(guestLink);
  await expect(guest.getByText(/The name you give, your answers/)).toBeVisible();
  await expectAccessible(guest);
  await guest.getByLabel('What may we call you?').fill('Hana');
  await guest.getByRole('button', { name: 'Begin' }).click();
  await guest.getByRole('button', { name: 'Begin' }).click();
  await guest.getByRole('radio', { name: 'Compression' }).check();
  await guest.getByRole('button', { name: /^Answer/ }).click();
  await teacher.goto(sheetAt);
  await teacher
    .getByRole('row', { name: /Hana \(guest\)/ })
    .getByRole('button')
    .first()
    .click();
  await teacher.getByRole('button', { name: 'This is a student of mine …' }).click();
  await teacher.getByLabel('Student').selectOption('Hana Quispe');
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: 'It is this student' }).click();
  await expect(teacher.getByRole('row', { name: /Hana \(guest\)/ })).toHaveCount(0);
  await expect(teacher.getByRole('img', { name: 'Hana Quispe, stop 1: No points' })).toBeVisible();

  // Terms are changed for who has begun too, as far as that moves no ground.
  await teacher.getByRole('link', { name: 'Terms' }).click();
  await teacher.getByRole('button', { name: 'Change the terms' }).click();
  await expect(teacher.getByRole('checkbox', { name: 'Skipping' })).toBeDisabled();
  await teacher.getByLabel('What comes after the due date').selectOption('Counts less each day');
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: 'Save the terms' }).click();
  await expect(teacher.getByText('Late work counts 10 % less for each day begun, 50 % at most.')).toBeVisible();

  // What is told stands behind the bell; what is kept, on one page for anybody.
  await farah.goto('/notices');
  await expect(farah.getByRole('heading', { name: 'By mail as well' })).toBeVisible();
  await expectAccessible(farah);
  await guest.goto('/kept');
  await expect(guest.getByRole('heading', { name: 'What is kept' })).toBeVisible();
  await expectAccessible(guest);

  // Whoever looks after the school gives out all that is kept of Nils, and erases him; the log says so.
  await admin.goto('/school/people');
  await admin.getByLabel('Find somebody').fill('nils');
  await expect(admin.getByText('1 to 1 of 1')).toBeVisible();
  await expectAccessible(admin);
  await admin.getByRole('button', { name: 'More for Nils Adomako' }).click();
  const [archive] = await Promise.all([
    admin.waitForEvent('download'),
    admin.getByRole('menuitem', { name: 'Everything that is kept (zip)' }).click(),
  ]);
  expect(archive.suggestedFilename()).toBe('Nils Adomako.zip');
  await admin.getByRole('button', { name: 'More for Nils Adomako' }).click();
  await admin.getByRole('menuitem', { name: 'Erase …' }).click();
  await expectAccessible(admin);
  await admin.getByLabel(/^Type “Nils Adomako”/).fill('Nils Adomako');
  await admin.getByRole('button', { name: 'Erase for good' }).click();
  await expect(admin.getByText('Nobody of that name')).toBeVisible();
  await admin.getByRole('link', { name: 'Log' }).click();
  await expect(admin.getByRole('cell', { name: 'A student was erased' })).toBeVisible();
  await expectAccessible(admin);
  await admin.goto('/school/mails');
  await expect(admin.getByText(/nothing leaves this installation/)).toBeVisible();
  await expectAccessible(admin);
  await nils.goto('/to-do');
  await expect(nils.getByRole('button', { name: 'Sign in' })).toBeVisible();
});
