import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from './test.ts';

const webSource = fileURLToPath(new URL('../apps/web/src', import.meta.url));

export const media = (name: string) => new URL(`./media/${name}`, import.meta.url).pathname;

/** Enters the demo by one click on the sign-in page. */
export async function enterAs(page: Page, name: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name }).click();
  await expect(page.getByRole('link', { name: /^(Today|To do)$/ })).toBeVisible();
}

export const captionFile = (lines: number, secondsEach: number) => {
  const stamp = (s: number) =>
    `00:${String(Math.floor(s / 60)).padStart(2, '0')}:${String(s % 60).padStart(2, '0')}.000`;
  const cue = (i: number) =>
    `${stamp(i * secondsEach)} --> ${stamp((i + 1) * secondsEach)}\nLine ${i + 1} is said here.\n`;
  return Buffer.from(`WEBVTT\n\n${Array.from({ length: lines }, (_, i) => cue(i)).join('\n')}`);
};

/** Brings in a film through the shelf and waits until it is checked. */
export async function bringIn(page: Page, file: { name: string; path: string }): Promise<void> {
  await page.goto('/shelf');
  const input = page.getByLabel('Choose a file');
  await input.setInputFiles({ name: file.name, mimeType: 'video/mp4', buffer: readFileSync(file.path) });
  await expect(page.getByText(/is on the shelf/)).toBeVisible();
}

/** Where the film of the page is, in seconds. */
export const filmTime = (page: Page) => page.locator('video').evaluate((video: HTMLVideoElement) => video.currentTime);

/** What a page shows where the words of a room were not loaded: `desk.title`. */
const nameOfWords = new RegExp(
  `(?:^|\\s)(?:${readdirSync(webSource, { recursive: true, encoding: 'utf8' })
    .filter((name) => /(?:^|[/-])words\.ts$|en-shared\.ts$/.test(name))
    .flatMap((name) => [...readFileSync(path.join(webSource, name), 'utf8').matchAll(/^ {2}(\w+): \{$/gm)])
    .map(([, room]) => room)
    .join('|')})\\.\\w+(?:\\s|$)`,
);

/** Fails with what axe says, element by element. */
export async function expectAccessible(page: Page): Promise<void> {
  // Colours in the middle of a fade would be measured as they pass.
  await page.evaluate(() =>
    Promise.allSettled(
      document
        .getAnimations()
        .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime))
        .map(({ finished }) => finished),
    ),
  );
  expect(await page.locator('body').innerText(), 'names of words in place of words').not.toMatch(nameOfWords);
  const { violations } = await new AxeBuilder({ page }).analyze();
  // A menu floats above the page and belongs to no landmark; it has the focus while it is there.
  const isMenuPlace = (id: string, target: string) => id === 'region' && target.includes('radix-popper');
  const real = violations.filter(({ id, nodes }) => !nodes.every((node) => isMenuPlace(id, node.target.join(' '))));
  const said = real.map(
    ({ id, nodes }) => `${id}: ${nodes.map((node) => `${node.target.join(' ')} (${node.failureSummary})`).join('; ')}`,
  );
  expect(said, `axe on ${page.url()}`).toEqual([]);
}

/** From the desk: makes the first edition and gives it to 8 Cobalt. Ends at the sheet. */
export async function assignToCobalt(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Make edition 1' }).click();
  await giveToClass(page, '8 Cobalt Design & Engineering');
  await expect(page.getByText('0 of 24 handed in')).toBeVisible();
}

/** From the desk of a lesson with an edition: gives it to one class, on the usual terms where nothing else is said. */
export async function giveToClass(
  page: Page,
  name: string,
  { skipping = false, rewind = true, due = '' }: { skipping?: boolean; rewind?: boolean; due?: string } = {},
): Promise<void> {
  await page.getByRole('button', { name: 'Assign' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('checkbox', { name, exact: true }).check();
  if (due) await dialog.getByLabel('Due', { exact: true }).fill(due);
  await dialog.getByText('Terms', { exact: true }).click();
  // Those of the last time stand there; another story may have chosen them.
  await dialog.getByRole('button', { name: 'The usual ones' }).click();
  await dialog.getByLabel('Skipping', { exact: true }).setChecked(skipping);
  await dialog.getByLabel('Going back while a question is open').setChecked(rewind);
  await dialog.getByRole('button', { name: `Assign to ${name}` }).click();
}
