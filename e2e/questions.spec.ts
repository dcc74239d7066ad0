import { readFileSync } from 'node:fs';
import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { expectPolite } from './polite-dialog.ts';
import { type Browser, expect, type Locator, type Page, test } from './test.ts';

const teacherName = 'Ms. Adaeze Lindqvist';
const studentName = 'Alma Hernqvist-Diaz';
const arches = new URL('../demo/pictures/two-arches.webp', import.meta.url).pathname;

/** What a teacher has on a worksheet; eight questions at once. */
const worksheet = `1) Which force squeezes? (2 points)
- [x] Compression :: Yes.
- [ ] Tension :: That one pulls.
? Squeeze a sponge.

2) Which parts are pulled?
- [x] Cable
- [x] Hanger
- [ ] Tower

3) Which bridge would you cross?
- The rope bridge
- The stone arch

4) Follow the load down.
1. Deck
2. Hangers
3. Ground

5) What are they made of?
- Arch -> Stone
- Cable -> Steel

6) How heavy is the truck?
= 32 kN ± 5 %

7) Fill in.
What is pulled is in [tension].

8) Why do beams sag?
> The load bends them.`;

async function openLesson(page: Page, title: string): Promise<void> {
  await enterAs(page, teacherName);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Make a lesson: How bridges carry load' }).click();
  await page.getByLabel('Title of the lesson').fill(title);
  await page.getByRole('button', { name: /Every bridge has one job/ }).click();
  await page.getByRole('button', { name: 'Checkpoint here' }).click();
}

/** Adds a question of another kind at the end, and gives what stands in the script for it. */
async function add(page: Page, kind: string, number: number, stem: string): Promise<Locator> {
  await page.getByRole('button', { name: 'Another kind' }).click();
  await page.getByRole('menuitem', { name: kind, exact: true }).click();
  await page.getByRole('textbox', { name: `Question ${number}`, exact: true }).fill(stem);
  return page.locator('[data-edited-question]').nth(number - 1);
}

async function givePicture(question: Locator): Promise<void> {
  await question
    .getByLabel('From a file')
    .setInputFiles({ name: 'arches.webp', mimeType: 'image/webp', buffer: readFileSync(arches) });
  await question.getByRole('textbox', { name: 'What it shows', exact: true }).fill('Two arches');
}

/** A place put in the middle of the picture by keys, as whoever cannot drag does. */
async function addPlace(question: Locator, number: number, label: string): Promise<void> {
  await question.getByRole('button', { name: 'Put one in the middle' }).click();
  await question.getByRole('textbox', { name: `What is at place ${number}`, exact: true }).fill(label);
}

async function writeEveryKind(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Type or paste' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').first().fill(worksheet);
  await expect(dialog.getByRole('button', { name: 'Add 8 questions' })).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Add 8 questions' }).click();

  const pick = await add(page, 'Gaps to pick', 9, 'Choose.');
  await pick.getByRole('textbox', { name: 'Text with gaps', exact: true }).fill('Its top is in [compression|tension].');
  const box = await add(page, 'Gaps to fill from a box', 10, 'Put the words.');
  await box
    .getByRole('textbox', { name: 'Text with gaps', exact: true })
    .fill('A cable is [pulled], a tower [squeezed].');
  await box.getByRole('button', { name: 'Add a spare word' }).click();
  await box.getByRole('textbox', { name: 'Spare word 1', exact: true }).fill('painted');
  const pairs = await add(page, 'Find the pairs', 11, 'Which belong together?');
  for (const [number, one, other] of [
    [1, 'squeeze', 'compression'],
    [2, 'pull', 'tension'],
  ] as const) {
    await pairs.getByRole('textbox', { name: `Pair ${number}, one`, exact: true }).fill(one);
    await pairs.getByRole('textbox', { name: `Pair ${number}, the other`, exact: true }).fill(other);
  }
  const inText = await add(page, 'Point in text', 12, 'Point at what is pulled.');
  await inText.getByLabel('Text', { exact: true }).fill('The cable holds the tower');
  await inText.getByRole('button', { name: 'cable: plain' }).click();
  await inText.getByRole('button', { name: 'tower: plain' }).click();
  await inText.getByRole('button', { name: 'tower: right' }).click();

  const places = await add(page, 'Point at places', 13, 'Point at the tall arch.');
  await givePicture(places);
  await addPlace(places, 1, 'Left arch');
  await places.getByLabel('Right', { exact: true }).check();
  const point = await add(page, 'Point on picture', 14, 'Set a point in the middle.');
  await givePicture(point);
  await addPlace(point, 1, 'The middle');
  const labels = await add(page, 'Place labels', 15, 'Label it.');
  await givePicture(labels);
  await labels.getByRole('button', { name: 'Add a label' }).click();
  await labels.getByRole('textbox', { name: 'Label 1', exact: true }).fill('arch');
  await addPlace(labels, 1, 'A place between the arches');
  await labels.getByLabel('Label that belongs at place 1').selectOption({ label: 'arch' });

  const scale = await add(page, 'Scale', 16, 'I like bridges.');
  await scale.getByRole('textbox', { name: 'Words at the low end', exact: true }).fill('not at all');
  const drawing = await add(page, 'Drawing', 17, 'Draw an arch.');
  await drawing.getByLabel('Drawn on').selectOption({ label: 'Squared paper' });
  await add(page, 'Record an answer', 18, 'Say it.');
  await add(page, 'Hand in a file', 19, 'Hand in a sketch.');
  await add(page, 'Class thread', 20, 'Which bridge is best, and why?');
}

/** What a student is asked, by its number. */
const asked = (page: Page, number: number) =>
  page.getByRole('region', { name: new RegExp(`^Question ${number} of 20:`) });

async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  await from.scrollIntoViewIfNeeded();
  const [start, end] = [await from.boundingBox(), await to.boundingBox()];
  if (!start || !end) throw new Error('nothing to drag');
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 12 });
  await page.waitForTimeout(200);
  await page.mouse.up();
}

async function answerByMouse(page: Page): Promise<void> {
  const at = (number: number) => asked(page, number);
  await at(1).getByRole('button', { name: 'Show a hint' }).click();
  await expect(at(1).getByText('Squeeze a sponge.')).toBeVisible();
  await at(1).getByRole('radio', { name: 'Compression' }).check();
  await at(2).getByRole('checkbox', { name: 'Cable' }).check();
  await at(2).getByRole('checkbox', { name: 'Hanger' }).check();
  await at(3).getByRole('radio', { name: 'The stone arch' }).check();
  for (const [item, place] of [
    ['Deck', 0],
    ['Hangers', 1],
  ] as const)
    for (;;) {
      const row = at(4).getByRole('listitem').filter({ hasText: item });
      const rows = await at(4).getByRole('listitem').allTextContents();
      if (rows.findIndex((text) => text.includes(item)) === place) break;
      await row.getByRole('button', { name: 'Move up' }).click();
    }
  // One time in a few it stands as it should already, and is left so.
  const leave = at(4).getByRole('button', { name: 'Leave the order as it is' });
  if (await leave.isVisible()) await leave.click();
  for (const [left, right] of [
    ['Arch', 'Stone'],
    ['Cable', 'Steel'],
  ] as const) {
    await at(5).getByRole('button', { name: right, exact: true }).click();
    await at(5)
      .getByRole('button', { name: `${left}: empty` })
      .click();
  }
  await at(6).getByRole('textbox').fill('32 000 N');
  await at(7).getByLabel('Gap 1').fill(' TENSION ');
  await at(8).getByRole('textbox').fill('Because the load bends them.');
  await at(9).getByLabel('Gap 1').selectOption({ label: 'compression' });
  // One word is carried by the mouse, the other by two presses.
  await drag(
    page,
    at(10).getByRole('button', { name: 'pulled' }),
    at(10).getByRole('button', { name: 'Gap 1: empty' }),
  );
  await expect(at(10).getByRole('button', { name: 'Gap 1: pulled' })).toBeVisible();
  await at(10).getByRole('button', { name: 'squeezed' }).click();
  await at(10).getByRole('button', { name: 'Gap 2: empty' }).click();
  for (const word of ['squeeze', 'compression', 'pull', 'tension'])
    await at(11).getByRole('button', { name: word, exact: true }).click();
  await at(12).getByRole('button', { name: 'cable' }).click();
  await at(13).getByRole('button', { name: 'Left arch' }).click();
  await at(14)
    .getByRole('button', { name: /Set a point/ })
    .click();
  await at(15).getByRole('button', { name: 'arch', exact: true }).click();
  await at(15)
    .getByRole('button', { name: /^A place between/ })
    .click();
  await at(16).getByText('4', { exact: true }).click();
  const pad = at(17).getByRole('application');
  await pad.scrollIntoViewIfNeeded();
  const paper = (await pad.boundingBox()) as { x: number; y: number; width: number; height: number };
  await page.mouse.move(paper.x + 40, paper.y + 120);
  await page.mouse.down();
  await page.mouse.move(paper.x + 120, paper.y + 40, { steps: 6 });
  await page.mouse.move(paper.x + 200, paper.y + 120, { steps: 6 });
  await page.mouse.up();
  await at(18).getByRole('button', { name: 'Voice' }).click();
  await at(18).getByRole('button', { name: 'Begin recording' }).click();
  await page.waitForTimeout(1_500);
  await at(18).getByRole('button', { name: 'Stop recording' }).click();
  await at(18).getByRole('button', { name: 'Use this recording' }).click();
  await expect(at(18).getByLabel('My answer.webm', { exact: true })).toBeVisible();
  await at(19)
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'sketch.webp', mimeType: 'image/webp', buffer: readFileSync(arches) });
  await expect(at(19).getByRole('img', { name: 'sketch.webp' })).toBeVisible();
  await at(20).getByRole('textbox').fill('The arch, because it needs no steel.');
}

async function begin(browser: Browser, title: string): Promise<Page> {
  const student = await (await browser.newContext()).newPage();
  await enterAs(student, studentName);
  await student.getByRole('link', { name: `Begin: ${title}` }).click();
  await student.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(student.getByRole('heading', { name: /^Stop 1 of/ })).toBeVisible({ timeout: 30_000 });
  return student;
}

test('a teacher writes every kind of question, a student answers them all, and the teacher marks them', async ({
  browser,
}) => {
  test.setTimeout(360_000);
  const teacher = await (await browser.newContext()).newPage();
  await openLesson(teacher, 'Every kind');
  await writeEveryKind(teacher);
  await expectAccessible(teacher);
  await assignToCobalt(teacher);

  const student = await begin(browser, 'Every kind');
  await expectAccessible(student);
  await answerByMouse(student);
  await expectPolite(student, student.getByRole('button', { name: 'Draw larger' }));
  const give = student.getByRole('button', { name: 'Answer all 20' });
  await give.scrollIntoViewIfNeeded();
  // However far down the questions go, the material stays in sight.
  await expect(student.locator('video').first()).toBeInViewport();
  await give.click();
  const given = student.getByRole('list').filter({ hasText: 'Stop 1 of 1' });
  // What a program marks is marked at once, and all of it is right.
  await expect(given.getByText('Stop 1 of 1: Handed in, not marked').last()).toBeVisible();
  await expect(given.getByText('(Not right)')).toHaveCount(0);
  await expect(given.getByText('(Would have been right)')).toHaveCount(0);
  await expect(given.getByText('Your teacher will read it.')).toHaveCount(4);
  await expect(student.getByText('Saved')).toBeVisible();
  await expectAccessible(student);

  // Whoever has posted reads the others, and answers them.
  const thread = student.getByRole('region', { name: 'What the class wrote' });
  await thread.getByRole('button', { name: /^Reply to/ }).click();
  await thread.getByRole('textbox').fill('I could also say rope.');
  await thread.getByRole('button', { name: 'Send the reply' }).click();
  await expect(thread.getByText('I could also say rope.')).toBeVisible();

  // The teacher marks by question: a digit for the written answer, words and a pen for the drawing.
  await teacher.getByRole('link', { name: 'Marking' }).click();
  await expect(teacher.getByRole('heading', { name: /What the class|Every kind/ }).first()).toBeVisible();
  await teacher.getByRole('button', { name: /^Why do beams sag/ }).click();
  const card = teacher.getByRole('article', { name: studentName });
  await card.focus();
  await teacher.keyboard.press('2');
  await expect(card.getByText('Saved', { exact: true })).toBeVisible();
  await expectAccessible(teacher);
  await teacher.getByRole('button', { name: /^Draw an arch/ }).click();
  await expectPolite(teacher, teacher.getByRole('button', { name: 'Draw on it' }));
  await teacher.getByRole('button', { name: 'Draw on it' }).click();
  const sheet = teacher.getByRole('dialog').getByRole('application');
  await sheet.focus();
  await teacher.keyboard.press('Space');
  for (let i = 0; i < 8; i++) await teacher.keyboard.press('Shift+ArrowRight');
  await teacher.keyboard.press('Space');
  await teacher.getByRole('dialog').getByRole('button', { name: 'Done' }).click();
  await card.getByLabel('Comment').fill('Look at its feet.');
  await card.getByRole('button', { name: 'My phrases' }).click();
  await teacher.getByRole('button', { name: 'Keep this comment as a phrase' }).click();
  await expect(teacher.getByRole('button', { name: 'Look at its feet.', exact: true })).toBeVisible();
  await teacher.keyboard.press('Escape');
  await card.getByLabel(/^Points, of/).fill('1');
  await card.getByRole('button', { name: 'Give back to work on' }).click();
  await expect(card.getByText('Given back')).toBeVisible();

  // The student finds it, and works on it again.
  await student.reload();
  await expect(student.getByText('Look at its feet.')).toBeVisible();
  await student.getByRole('button', { name: 'Work on it again' }).click();
  const again = student.getByRole('region', { name: /^Drawing/ }).getByRole('application');
  await again.focus();
  await student.keyboard.press('Space');
  for (let i = 0; i < 5; i++) await student.keyboard.press('Shift+ArrowDown');
  await student.keyboard.press('Space');
  await student.getByRole('button', { name: 'Give it again' }).click();
  await expect(student.getByText('Saved')).toBeVisible();
  await expect(student.getByText('Look at its feet.')).toHaveCount(0);
  await teacher.reload();
  await expect(card.getByText('What was given before')).toBeVisible();
});
