import { assignToCobalt, enterAs, expectAccessible } from './demo-visit.ts';
import { expect, type Page, test } from './test.ts';

const teacher = 'Ms. Adaeze Lindqvist';

async function openNewLesson(page: Page, title: string): Promise<void> {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Make a lesson: How bridges carry load' }).click();
  await page.getByLabel('Title of the lesson').fill(title);
  await expect(page.getByRole('button', { name: /Let us start with the simplest bridge/ })).toBeVisible();
}

/** Records for a while with the browser's beeping microphone. */
async function record(page: Page, source: 'Voice' | 'Camera and voice' | 'Screen and voice', seconds: number) {
  await page.getByRole('button', { name: source, exact: true }).click();
  await page.getByRole('button', { name: 'Begin recording' }).click();
  await page.waitForTimeout(seconds * 1_000);
  await page.getByRole('button', { name: 'Stop recording' }).click();
  await expect(page.getByRole('button', { name: 'Use this recording' })).toBeVisible();
}

const keep = (page: Page) => page.getByRole('button', { name: 'Use this recording' }).click();

/** How far a voice is from where the film says it should be, and whether it sounds. */
const offBy = (page: Page, atMs: number) =>
  page.evaluate((fromMs) => {
    const film = document.querySelector('video') as HTMLVideoElement;
    const [voice] = (window as unknown as { voices: HTMLAudioElement[] }).voices;
    if (!voice) throw new Error('no voice was made');
    const off = voice.currentTime * 1000 - (film.currentTime * 1000 - fromMs);
    return { off: Math.abs(off), isSpeaking: !voice.paused, filmIsMuted: film.muted };
  }, atMs);

test('a voice over the film is recorded, trimmed, and stays in step at any rate and after jumps', async ({ page }) => {
  await page.addInitScript(() => {
    // Elements made for sound stand in no page: this is how the test gets at them.
    const own = window as unknown as { voices: HTMLAudioElement[]; Audio: typeof Audio };
    own.voices = [];
    const Made = own.Audio;
    own.Audio = new Proxy(Made, {
      construct(target, given) {
        const voice = new target(...given);
        own.voices.push(voice);
        return voice;
      },
    });
  });
  await openNewLesson(page, 'A voice over it');
  await page.getByRole('button', { name: /Let us start with the simplest bridge/ }).click();
  await page.getByRole('button', { name: 'Speak over the film' }).click();
  await page.getByRole('button', { name: 'Voice', exact: true }).click();
  // The level of the beeping microphone is seen before anything is recorded.
  const level = page.getByRole('meter', { name: 'Loudness of the microphone' });
  await expect
    .poll(() => level.evaluate((meter: HTMLMeterElement) => meter.value), { intervals: [50] })
    .toBeGreaterThan(0.05);
  await expect(page.getByLabel('Microphone', { exact: true }).getByRole('option')).not.toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin recording' }).click();
  await page.waitForTimeout(7_000);
  await page.getByRole('button', { name: 'Stop recording' }).click();
  // The first second is taken away: the voice then begins a second later on the film.
  await page.getByLabel('Starts at').fill('1000');
  await page.getByLabel('What is said').fill('Look how the beam bends.');
  await keep(page);
  await expect(page.getByText(/^0:39 to 0:4[4-9]$/)).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  const fromMs = await page.evaluate(async () => {
    const id = location.pathname.split('/').pop();
    const draft = await (await fetch(`/api/lessons/${id}`)).json();
    const [narration] = draft.lesson.parts[0].narrations;
    const length = await (await fetch(`/api/materials/${narration.materialId}`)).json();
    return { ...narration, storedMs: length.lengthMs } as { atMs: number; lengthMs: number; storedMs: number };
  });
  expect(Math.abs(fromMs.storedMs - fromMs.lengthMs)).toBeLessThan(100);
  expect(fromMs.lengthMs).toBeGreaterThan(5_000);
  expect(fromMs.lengthMs).toBeLessThan(7_500);

  const play = page.getByRole('button', { name: /^Play from/ });
  for (const rate of ['1', '2', '0.75']) {
    await page.getByLabel('Speed').selectOption(rate);
    await play.click();
    await page.waitForTimeout(1_200);
    const { off, isSpeaking, filmIsMuted } = await offBy(page, fromMs.atMs);
    expect([isSpeaking, filmIsMuted], `at rate ${rate}`).toEqual([true, true]);
    expect(off, `at rate ${rate}`).toBeLessThan(250);
  }
  // Its words stand in the place of the film's captions.
  await expect(page.getByText('Look how the beam bends.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  await expect.poll(async () => (await offBy(page, fromMs.atMs)).isSpeaking).toBe(false);
  await page.getByLabel('Place in the film').fill('10000');
  await expect.poll(async () => (await offBy(page, fromMs.atMs)).filmIsMuted).toBe(false);

  await page.getByLabel('The film meanwhile').selectOption('quiet');
  await play.click();
  await expect.poll(() => page.locator('video').evaluate((film: HTMLVideoElement) => film.volume)).toBeLessThan(0.5);
  await page.getByRole('button', { name: /^Remove the voice/ }).click();
  await expect(play).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(play).toBeVisible();
});

test('directions and a spoken pause reach the student, who goes on when the voice was heard', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await openNewLesson(page, 'Spoken, not written');
  await page.getByRole('button', { name: 'Directions for the lesson' }).click();
  await record(page, 'Camera and voice', 2);
  await page.getByLabel('What is said').fill('Watch, and stop when I speak.');
  await keep(page);
  await expect(page.getByRole('button', { name: 'Listen: Directions for the lesson' })).toBeVisible();

  await page.locator('[data-item="line:1"]').click();
  await page.keyboard.press('p');
  await page.getByRole('button', { name: 'Say it in your own voice' }).click();
  await record(page, 'Voice', 2);
  await page.getByRole('button', { name: 'Record again' }).click();
  await page.getByRole('button', { name: 'Begin recording' }).click();
  await page.waitForTimeout(1_500);
  await page.getByRole('button', { name: 'Stop recording' }).click();
  await keep(page);
  await expect(page.getByRole('button', { name: 'Listen: Say it in your own voice' })).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await assignToCobalt(page);
  await page.context().close();

  const student = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await enterAs(student, 'Alma Hernqvist-Diaz');
  await student.getByRole('link', { name: /Spoken, not written/ }).click();
  const directions = student.getByRole('region', { name: 'Directions' });
  await directions.getByRole('button', { name: 'Read the words' }).click();
  await expect(directions.getByText('Watch, and stop when I speak.')).toBeVisible();
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Begin' }).click();
  const goOn = student.getByRole('button', { name: 'Go on' });
  await expect(student.getByText('Listen to the end, then go on.')).toBeVisible({ timeout: 30_000 });
  await expect(goOn).toBeDisabled();
  // It began to speak by itself.
  await expect(goOn).toBeEnabled({ timeout: 10_000 });
  await expectAccessible(student);
  await goOn.click();
  await expect(student.getByRole('heading', { name: 'Pause', exact: true })).toHaveCount(0);
  await student.context().close();
});

test('a screen that is recorded becomes a material with its true length', async ({ page }) => {
  await enterAs(page, teacher);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await record(page, 'Screen and voice', 3);
  await keep(page);
  await expect(page.getByText(/^“Recording, .*” is on the shelf: 0:0[3-5]/)).toBeVisible({ timeout: 30_000 });
});
