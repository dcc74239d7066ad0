import { readFileSync } from 'node:fs';
import { enterAs, expectAccessible, media } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const mp4 = readFileSync(media('timecode-60.mp4'));
const choose = (page: Page, name: string, buffer: Buffer, mimeType = 'video/mp4') =>
  page.getByLabel('Choose a file').setInputFiles({ name, mimeType, buffer });

test.beforeEach(async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
});

test('files that are no films are refused in words, and leave nothing behind', async ({ page }) => {
  await choose(page, 'nothing.mp4', Buffer.alloc(0));
  await expect(page.getByText('nothing.mp4 is empty: 0 bytes. Nothing was brought in.')).toBeVisible();
  await choose(page, 'words.mp4', Buffer.from('This is only text. '.repeat(1_000)));
  await expect(page.getByText(/^This is not a film, whatever its name says/).first()).toBeVisible();
  await choose(page, 'half.mp4', mp4.subarray(0, mp4.length / 2));
  await expect(page.getByText(/it ends in the middle/).first()).toBeVisible();
  await page.reload();
  for (const title of ['words', 'half']) {
    await expect(page.getByRole('button', { name: `Make a lesson: ${title}` })).toHaveCount(0);
    await page.getByRole('button', { name: `Remove: ${title}` }).click();
    await expect(page.getByText(`“${title}” was removed.`)).toBeVisible();
  }
});

/** Lets no piece through until it is told to, as a line that hangs. */
async function holdPieces(page: Page) {
  let isHolding = true;
  let release = () => {};
  let catchOne = () => {};
  const released = new Promise<void>((resolve) => {
    release = resolve;
  });
  const caught = new Promise<void>((resolve) => {
    catchOne = resolve;
  });
  await page.route('**/api/files/**', async (route) => {
    if (route.request().method() !== 'PATCH' || !isHolding) return route.continue();
    catchOne();
    await released;
    // The page that asked may be gone.
    await route.abort().catch(() => undefined);
  });
  return {
    caught,
    release: () => {
      isHolding = false;
      release();
    },
  };
}

test('a film on its way shows how far it is, can be paused, and can be cancelled', async ({ page }) => {
  const { release } = await holdPieces(page);
  await choose(page, 'On its way.mp4', mp4);
  await expect(page.getByText('Bringing in On its way.mp4').first()).toBeVisible();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  release();
  await expect(page.getByLabel('Choose a file')).toBeAttached();
  await page.reload();
  await expect(page.getByText('On its way')).toHaveCount(0);
});

test('after a reload the same file goes on where it stopped', async ({ page }) => {
  const creations: string[] = [];
  page.on('response', (response) => {
    if (response.request().method() === 'POST' && response.status() === 201) creations.push(response.url());
  });
  const { release, caught } = await holdPieces(page);
  const file = media('timecode-60.webm');
  await page.getByLabel('Choose a file').setInputFiles(file);
  await expect(page.getByText('Bringing in timecode-60.webm').first()).toBeVisible();
  await caught;
  expect(creations).toHaveLength(1);
  await page.reload();
  release();
  await page.getByLabel('Choose a file').setInputFiles(file);
  await expect(page.getByText(/is on the shelf: 1:00/)).toBeVisible();
  expect(creations).toHaveLength(1);
  await page.getByRole('button', { name: 'Remove: timecode-60' }).click();
  await expect(page.getByText('“timecode-60” was removed.')).toBeVisible();
});

test('faulty captions are told by line, and the good ones become the script', async ({ page }) => {
  await choose(page, 'With captions.mp4', mp4);
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  const bringIn = (name: string, buffer: Buffer) =>
    page.getByLabel(/Bring in (captions|others)/).setInputFiles({ name, mimeType: 'text/vtt', buffer });
  // UTF-16 with a byte order mark and CRLF; the second cue has a time that cannot be read.
  const text = ['WEBVTT', '', '00:01.000 --> 00:03.000', 'Ett två tre', '', '00:0x.000 --> 00:05.000', 'Lost', ''];
  await bringIn('c.vtt', Buffer.from(`\ufeff${text.join('\r\n')}`, 'utf16le'));
  await expect(page.getByText('1 caption was taken.')).toBeVisible();
  await expect(page.getByText(/^Line 6: the time cannot be read\. This caption was left out\./)).toBeVisible();
  await expect(page.getByRole('button', { name: /0:01 Ett två tre/ })).toBeVisible();
  await bringIn('c.srt', Buffer.from('No captions at all'));
  await expect(page.getByText('No captions could be read from this file.', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: /0:01 Ett två tre/ })).toBeVisible();
});

test('an address of an inner network is refused in words', async ({ page }) => {
  await page.getByLabel('Or from an address').fill('http://192.168.1.1/film.mp4');
  await page.getByRole('button', { name: 'Fetch', exact: true }).click();
  await expect(page.getByText(/is on a private network/).first()).toBeVisible();
});

test('a material that is removed can be brought back, and the shelf waits for nothing meanwhile', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  const notes = { name: 'Old notes.txt', mimeType: 'text/plain', buffer: Buffer.from('Beams bend.\n\nArches push.\n') };
  await page.getByLabel('Choose a file').setInputFiles(notes);
  await expect(page.getByText(/is on the shelf/)).toBeVisible();
  await page.getByRole('button', { name: /Remove.*Old notes/ }).click();
  await expect(page.getByText('“Old notes” was removed.')).toBeVisible();
  await expect(page.getByRole('button', { name: /Remove.*Old notes/ })).toHaveCount(0);
  await expect(page.getByLabel('Choose a file')).toBeAttached();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /Remove.*Old notes/ })).toBeVisible();
});

test('captions are corrected where they stand, and kept', async ({ page }) => {
  await page.getByRole('button', { name: 'Make a lesson: How bridges carry load' }).click();
  await page.getByRole('button', { name: 'Correct them' }).click();
  const words = page.getByLabel('Words of caption 2', { exact: true });
  await words.fill('In three minutes & a little, we follow that load.');
  await words.blur();
  await page.getByLabel('Start of caption 1', { exact: true }).fill('0:00.5');
  await page.getByLabel('Start of caption 1', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Join with the next' }).nth(2).click();
  await expect(page.getByLabel('Words of caption 3', { exact: true })).toHaveValue(
    /^Two forces do most of the work\. The first/,
  );
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByLabel('Words of caption 3', { exact: true })).toHaveValue('Two forces do most of the work.');
  await expect(page.getByText('Saved', { exact: true })).toHaveCount(2);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: /^0:05 In three minutes & a little/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^0:05 In three minutes & a little/ })).toBeVisible();
  // What was changed last is kept although the teacher goes elsewhere at once.
  await page.getByRole('button', { name: 'Correct them' }).click();
  await page.getByLabel('Words of caption 4', { exact: true }).fill('The first is compression, again.');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: /The first is compression, again\./ })).toBeVisible();
});

test('a film of the media catalogue is found and brought in', async ({ page }) => {
  await page.getByLabel('Words to look for').fill('counted');
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Bring in: Four kinds of bridges' })).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring in: One minute, counted' }).click();
  await expect(page.getByText('“One minute, counted” is on the shelf: 1:00, 320 × 180.')).toBeVisible();
});

test('a newer version replaces the older one in the drafts that show it', async ({ page }) => {
  const note = (text: string) => ({ name: 'Note.txt', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page.getByLabel('Choose a file').setInputFiles(note('First.\n\nSecond.'));
  await page.getByRole('button', { name: 'Make a lesson from it' }).click();
  await expect(page.getByRole('button', { name: /^2 Second/ })).toBeVisible();
  await page.goto('/shelf');
  await page.getByLabel('Replace: Note').setInputFiles(note('First.\n\nBetween.\n\nSecond.'));
  await expect(page.getByText('The newer version is in the draft of “Note”.')).toBeVisible();
  await page.getByRole('link', { name: 'Note', exact: true }).click();
  await expect(page.getByRole('button', { name: /^3 Second/ })).toBeVisible();
});
