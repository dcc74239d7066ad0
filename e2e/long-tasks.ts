import type { Page } from './test.ts';

/** Longest task of the page's one thread while something is done, in ms; the browser tells of those above 50 ms only. */
export async function longestTask(page: Page, work: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    const own = window as unknown as { longest: number; watcher: PerformanceObserver };
    own.longest = 0;
    own.watcher = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) own.longest = Math.max(own.longest, duration);
    });
    own.watcher.observe({ type: 'longtask' });
  });
  await work();
  return page.evaluate(async () => {
    const own = window as unknown as { longest: number; watcher: PerformanceObserver };
    await new Promise((resolve) => setTimeout(resolve, 200));
    own.watcher.disconnect();
    return own.longest;
  });
}

/**
 * Other work on the machine can stretch a task; what the page itself needs shows in the best of a few tries. The tests
 * run beside others, so this is the one place where a measure is taken more than once.
 */
export async function bestOf(tries: number, measure: () => Promise<number>): Promise<number> {
  let best = Number.POSITIVE_INFINITY;
  for (let count = 0; count < tries && best > 50; count++) best = Math.min(best, await measure());
  return best;
}
