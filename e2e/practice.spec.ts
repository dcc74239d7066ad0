import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { enterAs, expectAccessible } from './demo-visit.ts';
import { expect, test } from './test.ts';

/** Another site, whose pages show what they are told to in a frame. */
async function openSite(): Promise<{ readonly site: string; readonly server: Server }> {
  const server = createServer((req, res) => {
    const of = new URL(req.url ?? '', 'http://site').searchParams.get('of') ?? '';
    res.setHeader('content-type', 'text/html');
    res.end(`<title>A page</title><iframe src="${of}" width="900" height="700"></iframe>`);
  });
  server.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { site: `http://localhost:${(server.address() as AddressInfo).port}`, server };
}

test('a lesson is practised by anyone, also within a page of a site that is named, and nothing is kept', async ({
  browser,
  page,
}) => {
  const [named, other] = [await openSite(), await openSite()];
  await enterAs(page, 'Ms. Adaeze Lindqvist');
  await page.goto('/shelf');
  // Of the lessons of that name, the one that has an edition: other stories begin drafts beside it.
  const given = page.getByRole('listitem').filter({
    has: page.getByRole('link', { name: 'How bridges carry load', exact: true }),
    hasText: /Edition \d/,
  });
  await given
    .last()
    .getByRole('button', { name: /^More for/ })
    .click();
  await page.getByRole('menuitem', { name: 'Practice link …' }).click();
  await page.getByRole('button', { name: 'Make a practice link' }).click();
  const address = await page.getByRole('textbox', { name: 'Practice link' }).inputValue();
  await page.getByLabel(/^Sites that may/).fill(`${named.site}/our/page`);
  await page.getByRole('button', { name: 'Save the sites' }).click();
  await expect(page.getByLabel('For the page that shows it')).toHaveValue(/<iframe/);
  await expectAccessible(page);

  const visitor = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await visitor.goto(address);
  await expect(visitor.getByText('For practice: nothing is kept')).toBeVisible();
  await expectAccessible(visitor);
  await visitor.getByRole('button', { name: 'Begin', exact: true }).click();
  await visitor.getByRole('button', { name: 'Begin', exact: true }).click();
  // The film itself comes by the link, to somebody who is nobody here.
  await expect
    .poll(() => visitor.locator('video').evaluate((video: HTMLVideoElement) => video.currentTime))
    .toBeGreaterThan(0.5);
  expect((await visitor.request.get('/api/todo')).status()).toBe(401);
  await expectAccessible(visitor);

  for (const { site, server, isShown } of [
    { ...named, isShown: true },
    { ...other, isShown: false },
  ]) {
    const outside = await (await browser.newContext()).newPage();
    await outside.goto(`${site}/our/page?of=${encodeURIComponent(address)}`);
    const begin = outside.frameLocator('iframe').getByRole('button', { name: 'Begin' });
    if (isShown) await expect(begin).toBeVisible();
    else await expect.poll(() => outside.frames()[1]?.url()).toContain('chrome-error');
    server.closeAllConnections();
    server.close();
  }
});
