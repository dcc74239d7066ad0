// `npm run screenshots`: one picture of each main view, from a fresh demo school, into docs/screenshots.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { build } from './build.mjs';
import { installChromium, installDependencies } from './setup.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const port = 3198;
const only = process.argv[2];
const outDir = path.resolve(root, process.argv[3] ?? 'docs/screenshots');
const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

installDependencies();
installChromium();
build();
fs.mkdirSync(outDir, { recursive: true });
const server = spawn(process.execPath, ['demo/dist/main.js', '--fresh'], {
  cwd: root,
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, PORT: String(port), SEMITA_DATA: path.join(root, 'data/screenshots') },
});
for (let said = ''; !said.includes(`:${port}`); ) said += String(await once(server.stdout, 'data'));
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-sync'],
});

/** Opens a page for somebody of the demo, or for nobody. */
async function enter(name, viewport) {
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    timezoneId: 'Europe/Stockholm',
    reducedMotion: 'reduce',
    viewport,
  });
  const page = await context.newPage();
  page.setDefaultTimeout(15_000);
  await page.goto('/sign-in');
  if (name) {
    await page.getByRole('button', { name }).click();
    await page.getByRole('link', { name: /^(Today|To do)$/ }).waitFor();
  }
  return page;
}

async function take(page, name) {
  await page.mouse.move(0, 0);
  // Fonts and the film's frame; there is no other motion.
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(400);
  await page.screenshot({ path: path.join(outDir, `${name}.png`) });
  console.log(name);
}

const teacherName = 'Ms. Adaeze Lindqvist';
const openGiven = async (page, words) => {
  await page.goto('/today');
  await page
    .getByRole('region', { name: 'Given out' })
    .getByRole('listitem')
    .filter({ hasText: words })
    .getByRole('link')
    .first()
    .click();
  await page.getByRole('table').waitFor();
};
const openWalk = async (name, viewport, lesson = 'How bridges') => {
  const page = await enter(name, viewport);
  await page.getByRole('link', { name: new RegExp(`^(Begin|Go on): ${lesson}`) }).click();
  await page
    .getByRole('heading', { name: 'So far' })
    .or(page.getByRole('heading', { name: /^Stop / }))
    .waitFor();
  return page;
};

/** A side of the assignment that 8 Cobalt has walked, once it says something. */
const openSide = async (side, words) => {
  const page = await enter(teacherName, wide);
  await openGiven(page, /How bridges carry load.*8 Cobalt/);
  await page.getByRole('link', { name: side, exact: true }).click();
  await page.getByText(words).first().waitFor();
  await page.waitForTimeout(1_000);
  return page;
};

const views = {
  today: async () => enter(teacherName, wide),
  shelf: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/shelf');
    await page.getByText('Used in').first().waitFor();
    return page;
  },
  desk: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/shelf');
    await page.getByRole('link', { name: 'How bridges carry load' }).click();
    const stop = page.getByRole('button', { name: /^Checkpoint at/ }).nth(1);
    await stop.click();
    await stop.scrollIntoViewIfNeeded();
    return page;
  },
  path: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/shelf');
    await page.getByRole('link', { name: 'Which bridge would you build?' }).click();
    await page.getByRole('button', { name: 'Path', exact: true }).click();
    await page.getByRole('button', { name: /^The beam → Squeeze.*suspension/ }).click();
    await page.getByRole('list', { name: 'What is met on this route' }).waitFor();
    return page;
  },
  questions: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/shelf');
    await page.getByRole('link', { name: 'How bridges carry load' }).click();
    await page
      .getByRole('button', { name: /^Checkpoint at/ })
      .nth(1)
      .click();
    await page.getByRole('button', { name: 'Type or paste' }).click();
    await page
      .getByRole('dialog')
      .getByRole('textbox')
      .fill(
        'What belongs together? (2 points)\n- Arch -> Stone\n- Cable -> Steel\n- -> Paper\n\nWhat does the truck weigh?\n= 32 kN ± 5 %\n? Ten newtons to a kilogram.\n\nFollow the load down.\n1. Deck\n2. Hangers\n3. Main cable',
      );
    await page.getByRole('button', { name: 'Add 3 questions' }).waitFor();
    return page;
  },
  assigning: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/shelf');
    await page.getByRole('link', { name: 'Which bridge would you build?' }).click();
    await page.getByRole('button', { name: 'Assign', exact: true }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('checkbox', { name: '8 Amber Design & Engineering' }).check();
    await dialog.getByRole('button', { name: 'Groups and students of 8 Cobalt' }).click();
    await dialog.getByRole('checkbox', { name: 'plain words, group of 8 Cobalt' }).check();
    await dialog.getByRole('button', { name: 'Groups and students of 8 Cobalt' }).click();
    await dialog.getByLabel('Opens', { exact: true }).fill('next Mon 8:00');
    await dialog.getByLabel('Due', { exact: true }).fill('in 2 weeks');
    await dialog.getByLabel('Opens', { exact: true }).focus();
    return page;
  },
  marking: async () => {
    const page = await enter(teacherName, wide);
    await openGiven(page, /How bridges carry load.*8 Cobalt/);
    await page.getByRole('link', { name: 'Marking', exact: true }).click();
    await page
      .getByText(/answers alike/)
      .first()
      .waitFor();
    return page;
  },
  slides: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/slides/new');
    await page.getByLabel('Name of these slides').fill('Two forces');
    await page.getByLabel('Heading').fill('Squeeze or pull?');
    await page
      .getByLabel('Text', { exact: true })
      .fill('Two forces do most of the work:\n\n- **compression** squeezes\n- **tension** pulls');
    await page.getByRole('button', { name: 'Background #1f4b3f' }).click();
    await page.getByRole('button', { name: 'Cut one out' }).first().click();
    await page.getByLabel('From', { exact: true }).selectOption({ label: 'How bridges carry load' });
    await page.getByLabel('Moment').fill('62000');
    await page.getByLabel('What it shows').fill('A beam under the weight of a truck');
    await page.getByRole('button', { name: 'Use this picture' }).click();
    await page.getByRole('region', { name: 'How the slide looks' }).getByRole('img').waitFor();
    return page;
  },
  sheet: async () => {
    const page = await enter(teacherName, wide);
    await openGiven(page, /How bridges carry load.*8 Amber/);
    return page;
  },
  gradebook: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/classes');
    await page.getByRole('link', { name: /8 Cobalt/ }).click();
    await page.getByRole('link', { name: 'Gradebook' }).click();
    await page.getByRole('button', { name: /^Mirela Fagerlund: .*how it comes about/ }).click();
    await page.getByText('Given by hand').waitFor();
    return page;
  },
  targets: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/classes');
    await page.getByRole('link', { name: /8 Cobalt/ }).click();
    await page.getByRole('link', { name: 'Targets' }).click();
    await page.getByRole('table').waitFor();
    return page;
  },
  'come-back': async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/classes');
    await page.getByRole('link', { name: /8 Cobalt/ }).click();
    await page.getByRole('link', { name: 'Come back to it', exact: true }).click();
    await page.getByText(/was still known/).waitFor();
    return page;
  },
  stops: () => openSide('Stops', /^\d+ chose “It gets longer/),
  watching: () => openSide('Watching', /went back over 1:24/),
  class: async () => {
    const page = await enter(teacherName, wide);
    await page.goto('/classes');
    await page.getByRole('link', { name: /8 Amber/ }).click();
    await page.getByRole('heading', { name: '8 Amber Design & Engineering' }).waitFor();
    return page;
  },
  'to-do': () => enter('Kofi Brannström', wide),
  walk: () => openWalk('Leilani Draganov', wide),
  'walk-phone': () => openWalk('Leilani Draganov', phone),
  feedback: async () => {
    const page = await enter('Alma Hernqvist-Diaz', wide);
    await page.goto('/feedback');
    await page.getByRole('heading', { name: 'Feedback' }).waitFor();
    return page;
  },
};

try {
  for (const [name, open] of Object.entries(views)) {
    if (only && only !== 'all' && !only.split(',').includes(name)) continue;
    const page = await open();
    await take(page, name);
    await page.context().close();
  }
} finally {
  await browser.close();
  server.kill();
  await once(server, 'exit');
  fs.rmSync(path.join(root, 'data/screenshots'), { recursive: true, force: true });
}
