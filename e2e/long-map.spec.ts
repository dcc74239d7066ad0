import { enterAs } from './demo-visit.ts';
import { bestOf, longestTask } from './long-tasks.ts';
import { expect, test } from './test.ts';

// A trace would copy hundreds of cards with every step, in the very thread that is measured.
test.use({ trace: 'off' });

const partCount = 200;

/** 200 parts; every tenth sends on to one of two of those that follow. */
function manyParts() {
  const id = (index: number) => `part-${Math.min(index, partCount - 1)}`;
  return Array.from({ length: partCount }, (_, index) => {
    const note = { id: `note-${index}`, kind: 'pause', atMs: 0, note: `Note ${index + 1}.` };
    const choices = [index + 1, index + 4].map((next, way) => ({
      ...{ id: `way-${index}-${way}`, words: `Way ${way + 1}` },
      to: { kind: 'part', partId: id(next) },
    }));
    const fork = { id: `fork-${index}`, kind: 'fork', atMs: 0, prompt: 'Which way?', choices };
    const stops = index % 10 === 0 && index + 10 < partCount ? [note, fork] : [note];
    return { id: id(index), kind: 'task', title: `Part number ${index + 1}`, inMs: 0, outMs: 1, stops };
  });
}

test('a map of 200 parts is dragged without a task over 50 ms, and its figures are exact', async ({ page }) => {
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  const lessonId = await page.evaluate(async (parts) => {
    const post = async (path: string, body: unknown) => {
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch(path, { method: 'POST', headers, body: JSON.stringify(body) });
      if (!answer.ok) throw new Error(await answer.text());
      return (await answer.json()) as { id: string };
    };
    const { id } = await post('/api/lessons', { materialId: null });
    const changes = parts.map((part, index) => ({ type: 'insertPart', index, part }));
    await post(`/api/lessons/${id}/changes`, { baseVersion: 1, changes });
    return id;
  }, manyParts());
  await page.goto(`/lessons/${lessonId}?view=path`);
  await expect(page.getByRole('button', { name: /^Part 1: / })).toBeVisible();
  // Two ways at each of nineteen forks.
  await expect(page.getByText((2 ** 19).toLocaleString('en'), { exact: true })).toBeVisible();
  const pane = page.locator('.react-flow');
  const box = await pane.boundingBox();
  if (!box) throw new Error('There is no map');
  const middle = { x: box.x + box.width / 2, y: box.y + box.height - 60 };
  await page.waitForTimeout(500);
  const ofPanning = await bestOf(6, () =>
    longestTask(page, async () => {
      await page.mouse.move(middle.x, middle.y);
      await page.mouse.down();
      for (let step = 1; step <= 15; step++) await page.mouse.move(middle.x - step * 12, middle.y);
      for (let step = 15; step >= 0; step--) await page.mouse.move(middle.x - step * 12, middle.y);
      await page.mouse.up();
    }),
  );
  const card = await page.locator('.react-flow__node-card').first().boundingBox();
  if (!card) throw new Error('There is no card');
  const on = { x: card.x + card.width / 2, y: card.y + card.height - 8 };
  const ofDragging = await bestOf(6, () =>
    longestTask(page, async () => {
      await page.mouse.move(on.x, on.y);
      await page.mouse.down();
      for (let step = 1; step <= 15; step++) await page.mouse.move(on.x + step * 4, on.y + step * 4);
      for (let step = 15; step >= 0; step--) await page.mouse.move(on.x + step * 4, on.y + step * 4);
      // Put down where it was, it is kept there: a change of the lesson.
      await page.mouse.up();
    }),
  );
  await expect(page.getByRole('button', { name: 'Arrange again' })).toBeVisible();
  console.log(`longest tasks: panning ${ofPanning} ms, dragging ${ofDragging} ms`);
  expect(Math.max(ofPanning, ofDragging)).toBeLessThanOrEqual(50);
});
