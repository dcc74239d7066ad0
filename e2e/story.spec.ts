import { decodeSheetRow } from '@semita/core/sheet';
import { bringIn, captionFile, enterAs, filmTime, giveToClass, media } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

/** What the browser itself says was played, as [from, to] in seconds: the outside truth about coverage. */
const playedRanges = (page: Page) =>
  page
    .locator('video')
    .evaluate((video: HTMLVideoElement) =>
      Array.from(
        { length: video.played.length },
        (_, i) => [video.played.start(i), video.played.end(i)] as [number, number],
      ),
    );

function unionSeconds(ranges: readonly [number, number][], from: number, to: number): number {
  let total = 0;
  let reached = from;
  for (const [start, end] of [...ranges].sort((a, b) => a[0] - b[0])) {
    const a = Math.max(start, reached);
    const b = Math.min(end, to);
    if (b > a) total += b - a;
    reached = Math.max(reached, b);
  }
  return total;
}

test('from a film on the shelf to a mark that the student reads', async ({ browser }) => {
  test.setTimeout(240_000);
  const teacher = await (await browser.newContext()).newPage();
  await enterAs(teacher, 'Ms. Adaeze Lindqvist');

  // Bring in, with captions.
  await bringIn(teacher, { name: 'Counting seconds.mp4', path: media('timecode-60.mp4') });
  await teacher.getByRole('button', { name: 'Make a lesson from it' }).click();
  await expect(teacher.getByText('There are no captions')).toBeVisible();
  await teacher
    .getByLabel('Bring in captions')
    .setInputFiles({ name: 'c.vtt', mimeType: 'text/vtt', buffer: captionFile(15, 4) });
  await expect(teacher.getByText('15 captions were taken.')).toBeVisible();

  // Trim to 0:02–0:16.
  await teacher.getByLabel('In', { exact: true }).fill('0:02');
  await teacher.getByLabel('Out', { exact: true }).fill('0:16');
  await teacher.getByLabel('Out', { exact: true }).press('Enter');

  // A checkpoint after the second line, at 0:08, with two questions; a pause after the third, at 0:12.
  await teacher.getByRole('button', { name: /0:04 Line 2/ }).click();
  await teacher.getByRole('button', { name: 'Checkpoint here' }).click();
  await teacher.getByLabel(/^Question 1/).fill('How many seconds have gone by?');
  await teacher.getByRole('textbox', { name: 'Answer 1', exact: true }).fill('Eight');
  await teacher.getByRole('textbox', { name: 'Answer 2', exact: true }).fill('Eighty');
  await teacher.getByRole('button', { name: 'Remove: Answer 3' }).click();
  await teacher.getByLabel('Feedback to answer 1').fill('You counted well.');
  await teacher.getByRole('button', { name: 'Written answer' }).click();
  await teacher.getByLabel(/^Question 2/).fill('How did you count them?');
  await teacher.getByRole('button', { name: /0:08 Line 3/ }).click();
  await teacher.getByRole('button', { name: 'Pause here' }).click();
  await teacher.getByLabel('Note to read').fill('Take a breath.');

  // The edition names what is missing, and leads there.
  await teacher.getByRole('button', { name: 'Make edition 1' }).click();
  await teacher.getByRole('button', { name: 'No answer is marked as right.' }).click();
  await teacher.getByRole('radio', { name: 'Right: Answer 1' }).check();
  await teacher.getByRole('button', { name: 'Make edition 1' }).click();
  await expect(teacher.getByText('Edition 1 is made.')).toBeVisible();

  // Rehearse: the students' own walk, and nothing recorded.
  await teacher.getByRole('button', { name: 'Rehearse' }).click();
  await expect(teacher.getByText('Rehearsal: nothing is recorded')).toBeVisible();
  await teacher.getByRole('button', { name: 'Begin' }).click();
  await expect(teacher.getByRole('heading', { name: 'Stop 1 of 2' })).toBeVisible();
  await teacher.getByRole('radio', { name: 'Eighty' }).check();
  await teacher.getByPlaceholder(/Write here/).fill('On my fingers');
  await teacher.getByRole('button', { name: 'Answer all 2' }).click();
  await expect(teacher.getByText('(Not right)')).toBeVisible();
  await teacher.getByRole('link', { name: 'Back to the desk' }).click();

  // Assign.
  await giveToClass(teacher, '8 Amber Design & Engineering', { due: '14 Jan 2031' });
  await expect(teacher.getByText('0 of 26 handed in')).toBeVisible();
  const row = teacher.getByRole('row', { name: /Tuva Marchetti-Bui/ });
  await expect(row).toContainText('Not begun');
  await expect(teacher.getByText('Live', { exact: true })).toBeVisible();

  // The walk, played for real.
  const context = await browser.newContext();
  const student = await context.newPage();
  await enterAs(student, 'Tuva Marchetti-Bui');
  await student.getByRole('link', { name: 'Begin: Counting seconds' }).click();
  await student.getByRole('button', { name: 'Begin' }).click();
  await expect(student.getByRole('heading', { name: 'Stop 1 of 2' })).toBeVisible();
  expect(await filmTime(student)).toBeCloseTo(8, 1);
  await expect(row.getByRole('img', { name: 'Tuva Marchetti-Bui, stop 1: Open' })).toBeVisible();

  // Ahead is closed, back is free.
  await student.getByLabel('Place in the film').focus();
  await student.keyboard.press('End');
  expect(await filmTime(student)).toBeCloseTo(8, 1);
  await student.getByRole('radio', { name: 'Eight', exact: true }).check();
  const answer = student.getByPlaceholder(/Write here/);
  await answer.fill('I tapped my foot');
  await expect(student.getByText('Saved')).toBeVisible();

  // The connection goes, and what is written stays; the answer is given without it.
  await context.setOffline(true);
  await answer.fill('I tapped my foot, once a second');
  await student.getByRole('button', { name: 'Answer all 2' }).click();
  await expect(student.getByText(/No connection/)).toBeVisible();
  await expect(student.getByText('It will be marked once you are connected').first()).toBeVisible();
  const before = await playedRanges(student);
  await context.setOffline(false);
  // A reload before anything could be sent again loses nothing either.
  await student.reload();
  await expect(student.getByText('You counted well.')).toBeVisible();
  await expect(student.getByText('I tapped my foot, once a second')).toBeVisible();

  // On another device, at the same second.
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await enterAs(phone, 'Tuva Marchetti-Bui');
  await phone.getByRole('link', { name: 'Go on: Counting seconds' }).click();
  await expect.poll(() => filmTime(phone)).toBeCloseTo(8, 1);
  await phone.getByRole('button', { name: 'Go on' }).click();
  await expect(phone.getByText('Take a breath.')).toBeVisible();
  await phone.getByRole('button', { name: 'Go on' }).click();
  await expect(phone.getByText('You have reached the end')).toBeVisible({ timeout: 20_000 });
  await phone.getByRole('button', { name: 'Hand in' }).click();
  await expect(phone.getByText('Handed in', { exact: true })).toBeVisible();
  await expect(phone.getByText('Saved')).toBeVisible();
  const after = await playedRanges(phone);

  // The sheet was told all of it.
  await expect(row).toContainText('To mark');
  await expect(row).toContainText('100%');
  const sheet = await teacher.evaluate(async () => {
    const id = location.pathname.split('/')[2];
    return (await fetch(`/api/assignments/${id}/sheet`)).json();
  });
  const shown = sheet.students.find((one: { displayName: string }) => one.displayName === 'Tuva Marchetti-Bui');
  expect(Math.abs(decodeSheetRow(shown.row).metShare * 14 - unionSeconds([...before, ...after], 2, 16))).toBeLessThan(
    1,
  );

  // Mark, and read it.
  await row.getByRole('button', { name: 'Tuva Marchetti-Bui', exact: true }).click();
  const drawer = teacher.getByRole('dialog');
  await expect(drawer.getByText('I tapped my foot, once a second')).toBeVisible();
  await drawer.getByLabel('Points, of 2').fill('1.5');
  await drawer.getByLabel('Comment').fill('And how sure are you?');
  await drawer.getByRole('button', { name: 'Save the mark' }).click();
  await expect(drawer.getByText('Saved')).toBeVisible();
  await teacher.keyboard.press('Escape');
  await expect(row).toContainText('2.5 of 3');
  await student.goto('/feedback');
  await expect(student.getByText('And how sure are you?')).toBeVisible();
  await expect(student.getByText('1.5 of 2 points')).toBeVisible();

  await teacher.getByRole('button', { name: 'Save …' }).click();
  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('menuitem', { name: 'Sheet as CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Counting seconds - 8 Amber Design & Engineering.csv');
});
