import { readFileSync } from 'node:fs';
import type { Lesson } from '@semita/core/lesson';
import { bringIn, enterAs, expectAccessible, media } from './demo-visit.ts';
import { focusIn } from './polite-dialog.ts';
import { type Browser, type BrowserContext, expect, type Page, test } from './test.ts';

const teacherName = 'Ms. Adaeze Lindqvist';
const student = 'Alma Hernqvist-Diaz';
const studentId = 'demo-alma.hernqvist.diaz';
const className = '8 Cobalt Design & Engineering';

/** Asks the school as the page would, with its person's session. */
async function api<T>(page: Page, method: string, path: string, body?: unknown): Promise<T> {
  const text = await page.evaluate(
    async ([how = '', where = '', what = '']) => {
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch(where, { method: how, headers, ...(what ? { body: what } : {}) });
      return answer.text();
    },
    [method, path, body === undefined ? '' : JSON.stringify(body)],
  );
  return JSON.parse(text || 'null') as T;
}

const stopCount = 12;
/** Twelve minutes of play rather than half a one, for `npm run torture`. */
const isLong = process.env.SEMITA_LONG === '1';
const right = (i: number) => `Answer ${i + 1}`;

/** A sound of so many seconds that ticks, as a WAV file of 8 bits at 3 kHz. */
function makeSound(seconds: number): Buffer {
  const rate = 3_000;
  const length = seconds * rate;
  const head = Buffer.from(
    'RIFF\0\0\0\0WAVEfmt \x10\0\0\0\x01\0\x01\0\0\0\0\0\0\0\0\0\x01\0\x08\0data\0\0\0\0',
    'latin1',
  );
  for (const [at, value] of [
    [4, 36 + length],
    [24, rate],
    [28, rate],
    [40, length],
  ] as const)
    head.writeUInt32LE(value, at);
  return Buffer.concat([head, Buffer.from({ length } as ArrayLike<number>).map((_, i) => (i % rate < 30 ? 200 : 128))]);
}

/** A material that stops for a question every so many seconds; given to 8 Cobalt. */
async function assignCounting(browser: Browser, title: string, stops = stopCount, everyMs = 2_000) {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, teacherName);
  if (everyMs * (stops + 1) < 60_000) await bringIn(page, { name: `${title}.mp4`, path: media('timecode-60.mp4') });
  else {
    await page.goto('/shelf');
    const buffer = makeSound(Math.ceil((everyMs * (stops + 1)) / 1_000));
    await page.getByLabel('Choose a file').setInputFiles({ name: `${title}.wav`, mimeType: 'audio/wav', buffer });
    await expect(page.getByText(/is on the shelf/)).toBeVisible();
  }
  const materials = await api<{ id: string; title: string }[]>(page, 'GET', '/api/materials');
  const materialId = materials.find((one) => one.title === title)?.id;
  const { id: lessonId } = await api<{ id: string }>(page, 'POST', '/api/lessons', { materialId });
  const draft = await api<{ version: number; lesson: Lesson }>(page, 'GET', `/api/lessons/${lessonId}`);
  const partId = draft.lesson.parts[0]?.id;
  const atStop = (i: number) => ({
    type: 'insertStop',
    partId,
    stop: {
      ...{ id: `stop-${i}`, kind: 'checkpoint', atMs: (i + 1) * everyMs, required: true },
      questions: [{ id: `q-${i}`, kind: 'extendedText', stem: 'What does it say?', points: 100, teacherNote: '' }],
    },
  });
  const changes = [
    { type: 'setWindow', partId, inMs: 0, outMs: (stops + 1) * everyMs },
    ...Array.from({ length: stops }, (_, i) => atStop(i)),
  ];
  const saved = await api<{ version: number }>(page, 'POST', `/api/lessons/${lessonId}/changes`, {
    baseVersion: draft.version,
    changes,
  });
  await api(page, 'POST', `/api/lessons/${lessonId}/editions`, { draftVersion: saved.version });
  const classes = await api<{ id: string; name: string }[]>(page, 'GET', '/api/classes');
  const { id: assignmentId } = await api<{ id: string }>(page, 'POST', '/api/assignments', {
    lessonId,
    to: [{ kind: 'class', id: classes.find(({ name }) => name === className)?.id }],
    terms: { skipping: false, rewindAtStops: true, maxRate: 2 },
    ...{ opensAt: null, dueAt: null, closesAt: null },
  });
  return { teacher: page, assignmentId };
}

async function openWalk(context: BrowserContext, title: string, verb = 'Begin'): Promise<Page> {
  const page = await context.newPage();
  await enterAs(page, student);
  await page.getByRole('link', { name: `${verb}: ${title}` }).click();
  return page;
}

const answer = async (page: Page, text: string) => {
  await page.getByPlaceholder(/Write here/).fill(text);
  await page.getByRole('button', { name: 'Answer' }).click();
};

test('a lesson walked without a connection, the tab closed, another device in between: every answer is there', async ({
  browser,
}) => {
  test.setTimeout(isLong ? 1_200_000 : 240_000);
  const everyMs = isLong ? 60_000 : 2_000;
  const { teacher, assignmentId } = await assignCounting(browser, 'Far away', stopCount, everyMs);
  const context = await browser.newContext();
  const page = await openWalk(context, 'Far away');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const atStop = (i: number) =>
    expect(page.getByRole('heading', { name: `Stop ${i + 1} of ${stopCount}` })).toBeVisible({ timeout: 90_000 });
  if (!isLong) await atStop(0);
  // The film is here; the school is gone from now on.
  await page.waitForFunction(
    (endS) => {
      const video = document.querySelector('video');
      return video !== null && video.buffered.length > 0 && video.buffered.end(video.buffered.length - 1) >= endS;
    },
    ((stopCount + 1) * everyMs) / 1_000 - 1,
  );
  await context.setOffline(true);
  for (let i = 0; i < stopCount; i++) {
    await atStop(i);
    await answer(page, right(i));
    await page.getByRole('button', { name: 'Go on', exact: true }).click();
  }
  await expect(page.getByText('You have reached the end')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText(/^No connection/)).toBeVisible();
  await page.close();

  const other = await browser.newContext();
  const elsewhere = await openWalk(other, 'Far away', 'Go on');
  // It plays on its own for a while, or stands at the first stop where that was told before the connection went; of the
  // rest it knows nothing.
  const next = elsewhere.getByRole('button', { name: /^(Begin|Go on|Answer)$/ });
  await expect(next).toBeVisible();
  if ((await next.textContent()) !== 'Answer') await next.click();
  await elsewhere.waitForTimeout(isLong ? 20_000 : 5_000);
  await other.close();

  await context.setOffline(false);
  const later = await context.newPage();
  await later.goto('/to-do');
  const given = async () => {
    const { state } = await api<{ state: { stops: Record<string, { answers: Record<string, unknown> }> } }>(
      teacher,
      'GET',
      `/api/assignments/${assignmentId}/students/${studentId}`,
    );
    return Object.values(state.stops).filter(({ answers }) => Object.keys(answers).length > 0).length;
  };
  await expect.poll(given, { timeout: 60_000 }).toBe(stopCount);
  await later.getByRole('link', { name: 'Go on: Far away' }).click();
  await expect(later.getByText(`Stop ${stopCount} of ${stopCount}: Handed in, not marked`).last()).toBeVisible();
});

test('every sheet of the demo school is saved as CSV', async ({ page }) => {
  await enterAs(page, teacherName);
  const assignments = await api<{ id: string }[]>(page, 'GET', '/api/assignments');
  expect(assignments.length).toBeGreaterThan(2);
  for (const { id } of assignments) {
    await page.goto(`/assignments/${id}`);
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save …' }).click();
    await page.getByRole('menuitem', { name: 'Sheet as CSV' }).click();
    const file = await (await downloading).path();
    const [head = '', ...rows] = readFileSync(file, 'utf8').trim().split('\n');
    expect(head).toContain('Student');
    const { students } = await api<{ students: unknown[] }>(page, 'GET', `/api/assignments/${id}/sheet`);
    expect(rows.length, id).toBe(students.length);
    // In words, and times as the sheet says them.
    expect(rows.join('\n')).not.toMatch(/notBegun|inProgress|handedIn|\d\.\d{6}/);
  }
});

test('on a shared computer nobody finds the work of another, and nobody loses theirs unasked', async ({ browser }) => {
  await assignCounting(browser, 'Shared', 1);
  const context = await browser.newContext();
  const page = await openWalk(context, 'Shared');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Stop 1 of 1' })).toBeVisible();
  await context.setOffline(true);
  await answer(page, 'For nobody else to read');
  await expect(page.getByText(/^No connection/)).toBeVisible();
  await page.getByRole('link', { name: 'To do' }).click();
  await page.getByRole('button', { name: /account$/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  const unsent = page.getByRole('dialog', { name: 'Some of your work is on this device only' });
  await expect(unsent).toBeVisible();
  // It opened from a menu that is gone; the focus goes back to what opens that.
  await expect.poll(async () => (await focusIn(unsent)).isInside).toBe(true);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /account$/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  // Without a connection nobody is signed out, and nothing is thrown away on the way.
  await page.getByRole('button', { name: 'Sign out anyway' }).click();
  await expect(page.getByRole('dialog').getByText(/connection/)).toBeVisible();
  await page.getByRole('button', { name: 'Stay signed in' }).click();
  await context.setOffline(false);
  await page.getByRole('link', { name: 'Go on: Shared' }).click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 40_000 });
  await page.getByRole('link', { name: 'To do' }).click();
  await page.getByRole('button', { name: /account$/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  await expect(page.getByText('Look around the demo school')).toBeVisible();

  const left = await page.evaluate(async () => {
    const found: string[] = [JSON.stringify(localStorage), JSON.stringify(sessionStorage)];
    for (const { name = '' } of await indexedDB.databases())
      await new Promise<void>((resolve) => {
        const opening = indexedDB.open(name);
        opening.onsuccess = () => {
          const database = opening.result;
          const stores = [...database.objectStoreNames];
          if (stores.length === 0) return resolve();
          const reading = database.transaction(stores);
          for (const store of stores) {
            const all = reading.objectStore(store).getAll();
            all.onsuccess = () => found.push(JSON.stringify(all.result));
          }
          reading.oncomplete = () => {
            database.close();
            resolve();
          };
        };
      });
    return found.join('\n');
  });
  expect(left).not.toContain('For nobody else to read');
});

test('what is typed in a dialog does not go away by Escape or a press outside', async ({ page }) => {
  await enterAs(page, teacherName);
  await page.goto('/shelf/questions');
  await page.getByRole('button', { name: 'Type or paste' }).click();
  const lines = page.getByLabel('One question after another, with a blank line in between');
  // Nothing was typed: nobody is asked.
  await page.keyboard.press('Escape');
  await expect(lines).toHaveCount(0);
  await page.getByRole('button', { name: 'Type or paste' }).click();
  await lines.fill('Which force squeezes?\n- [x] Compression\n- [ ] Tension');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Throw away what you have written here?')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go on writing' }).click();
  await page.mouse.click(4, 400);
  await expect(page.getByText('Throw away what you have written here?')).toBeVisible();
  await expect(lines).toHaveValue(/Compression/);
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(lines).toHaveCount(0);
});

test('what was given back is first on To do, with what the teacher said', async ({ browser }) => {
  const { teacher, assignmentId } = await assignCounting(browser, 'Comes back', 1);
  const context = await browser.newContext();
  const page = await openWalk(context, 'Comes back');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await answer(page, 'Two');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await api(teacher, 'POST', `/api/assignments/${assignmentId}/students/${studentId}/marks`, {
    ...{ stopId: 'stop-0', questionId: 'q-0', points: 0, comment: 'Look at the number once more.', returns: true },
  });
  await page.goto('/to-do');
  const first = page.getByRole('main').getByRole('listitem').first();
  await expect(first.getByRole('heading', { name: 'Comes back' })).toBeVisible();
  await expect(first.getByText('Your teacher gave 1 answer back to you.')).toBeVisible();
  await expect(first.getByText('Look at the number once more.')).toBeVisible();
  await expectAccessible(page);
});
