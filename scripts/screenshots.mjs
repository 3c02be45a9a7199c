import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureProgram } from './lib/debian.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { freePort } from './lib/port.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './lib/server.mjs';

/*
 * npm run screenshots [-- FOLDER THEME NAME ...]: pictures of the main views, from the demo data with the clock standing
 * still. Without arguments: light theme, into docs/screenshots.
 */
const [folder = inRoot('docs/screenshots'), theme = 'light', ...only] = process.argv.slice(2);
const wide = { width: 1280, height: 800 };
const tablet = { width: 1180, height: 820 };
/** The planned lots of the demo Friday, by product, once the demo is there to ask. */
const lots = new Map();
const batch = (code) => `{${code}}`;
const named = (text) => text.replace(/\{(\w{3})\}/g, (_, code) => lots.get(code));

const views = [
  { name: 'orders', path: '/orders' },
  { name: 'formula', path: '/formula/RYE' },
  {
    name: 'import',
    path: '/formula/new',
    after: async (page) => {
      await page.getByRole('button', { name: 'Try it with an example' }).click();
      await page.getByText('Reading …').waitFor({ state: 'hidden' });
      await page
        .getByText(/all-purpose flour/)
        .nth(1)
        .waitFor();
    },
  },
  { name: 'mixer', path: `/mix/${batch('PNT')}?at=mixer` },
  { name: 'browned-butter', path: `/mix/${batch('RYE')}?at=butter` },
  { name: 'ingredients', path: '/setup/ingredients/salted-butter' },
  { name: 'mix', path: `/mix/${batch('LEM')}`, before: weighSome },
  {
    name: 'portion',
    path: `/portion/${batch('SES')}`,
    after: async (page) => {
      await page.getByLabel('Some pieces on the scale, g').fill('38.5 39 38.2 39.4 38.8 40.4 39 38.9 39.3');
      await page.getByText('The lightest wants').waitFor();
    },
  },
  { name: 'rest', path: `/rest/${batch('RYE')}` },
  {
    name: 'rest-life',
    path: `/rest/${batch('GNG')}?at=life`,
    after: (page) => page.getByRole('table', { name: 'What happens on the way' }).waitFor(),
  },
  { name: 'bake', path: '/bake' },
  {
    name: 'bake-cut',
    path: `/bake/${batch('LEM')}-L1?at=cut`,
    after: (page) => page.getByRole('slider', { name: 'Time of the cut' }).waitFor(),
  },
  {
    name: 'learned',
    path: '/log/learned',
    after: (page) => page.getByText('What it changes').waitFor({ timeout: 90_000 }),
  },
  { name: 'day', path: '/day' },
  { name: 'week', path: '/week?day=2026-11-25' },
  { name: 'log', path: '/log?day=2026-11-24' },
  { name: 'setup', path: '/setup' },
  {
    name: 'arithmetic',
    path: '/orders',
    after: (page) =>
      page
        .getByRole('button', { name: /Dough to mix/ })
        .first()
        .click(),
  },
  { name: 'floor', path: '/floor', size: tablet, before: busyMorning },
];

async function weighSome(page) {
  await page.goto(named(`/mix/${batch('LEM')}`));
  for (let i = 0; i < 3; i++) {
    const target = await page.locator('#target').getAttribute('aria-label');
    await page.getByLabel('Reading, g').fill(/Target ([\d.]+)/.exec(target)[1]);
    await page.getByRole('button', { name: 'Weighed', exact: true }).click();
    await page.waitForTimeout(150);
  }
}

async function busyMorning(page, setClock) {
  const press = async (time, name) => {
    await setClock(time);
    await page.goto('/floor');
    await page.getByRole('button', { name, exact: false }).first().click();
    await page.waitForTimeout(300);
  };
  await press('04:13', `Turn ${lots.get('CRD')}`);
  await press('04:20', `Pull ${lots.get('CRD')}`);
  await press('04:24', `Eggs out for ${lots.get('CLM')}`);
  await press('04:26', `Rack ${lots.get('CRD')}`);
  await press('04:26', `Load ${lots.get('SES')}`);
  await press('04:28', `Load ${lots.get('GNG')}`);
  await press('04:31', `Turn ${lots.get('SES')}`);
  await setClock('04:32');
}

/** Until nothing is being fetched, computed or drawn any more: a slow machine must not show half a page. */
const untilDone = async (page) => {
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll('main *')].every(
        (own) =>
          own.textContent.trim() !== '…' &&
          !(own.role === 'status' && (own.ariaLabel === 'Drawing' || /^Getting .*…$/.test(own.textContent))),
      ),
    undefined,
    { timeout: 60_000 },
  );
};

await ensureDependencies();
await ensureBuild();
const executablePath = await ensureProgram('chromium', 'chromium', 'the pictures');
const home = mkdtempSync(join(tmpdir(), 'jokul-shots-'));
const db = await startMariadb(home, { durable: false });
const port = await freePort();
const server = spawnServer(serverEnv(db, { port }), 'ignore');
const browser = await chromium.launch({
  executablePath,
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
});
try {
  if (!(await untilReady(port, server))) throw new Error('The server did not become ready.');
  const base = `http://127.0.0.1:${port}`;
  const setClock = (time) =>
    fetch(`${base}/api/clock`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ mode: 'frozen', date: '2026-11-27', time }),
    });
  await setClock('04:10');
  const { plan } = await (await fetch(`${base}/api/days/2026-11-27`)).json();
  for (const { productCode, batchId } of plan.plan.batches) lots.set(productCode, batchId);
  for (const { name, path, size = wide, before, after } of views) {
    if (only.length > 0 && !only.includes(name)) continue;
    const page = await browser.newPage({
      viewport: size,
      baseURL: base,
      colorScheme: theme,
      reducedMotion: 'reduce',
    });
    page.on('pageerror', (error) => console.log(`${name}: ${error.message}`));
    page.on('console', (message) => message.type() === 'error' && console.log(`${name}: ${message.text()}`));
    await before?.(page, setClock);
    await page.goto(named(path));
    await page.waitForTimeout(1200);
    await after?.(page);
    await untilDone(page);
    // What is drawn moves into its place.
    await page.waitForTimeout(1200);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
    if (before) await setClock('04:10');
    console.log(name);
  }
} finally {
  await browser.close();
  await stopServer(server);
  await db.stop();
  rmSync(home, { recursive: true, force: true });
}
