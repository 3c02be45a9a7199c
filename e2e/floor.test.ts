import { expect, test, type Browser, type Page } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* The floor with two tablets: in step, offline, and with a server that is killed in mid-bake. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
});
test.afterAll(() => jokul.stop());

interface Entry {
  readonly kind: string;
  readonly lot: string;
  readonly payload: { readonly trayIds?: readonly string[] };
}
const journal = async (): Promise<readonly Entry[]> =>
  (await jokul.api<{ entries: Entry[] }>('GET', 'journal?since=0')).entries;
const steps = async (loadId: string, kind: string) =>
  (await journal()).filter((e) => e.kind === kind && e.payload.trayIds?.some((id) => id.startsWith(loadId)))
    .length;

const tablet = async (browser: Browser): Promise<Page> => {
  const context = await browser.newContext({ viewport: { width: 1180, height: 820 } });
  const page = await context.newPage();
  await page.goto(`${jokul.url}/floor`);
  await expect(page.getByRole('region', { name: 'Ovens' })).toBeVisible();
  return page;
};
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

test('two tablets stay in step, through a killed server and an offline spell; nothing is lost or doubled', async ({
  browser,
}) => {
  await jokul.setClock('04:20');
  const wall = await tablet(browser);
  const bench = await tablet(browser);
  const load = `${jokul.lot('NIB')}-L1`;

  // In step: what one presses, the other shows without a reload.
  await button(wall, `Load ${load}`).click();
  await expect(button(bench, `Load ${load}`)).toBeHidden();
  await expect(button(bench, `Turn ${load}`)).toBeVisible();

  // The server dies in mid-bake. The press still counts, at once.
  await jokul.kill();
  await button(wall, `Turn ${load}`).click();
  await expect(button(wall, `Turn ${load}`)).toBeHidden();
  await expect(wall.getByText(/Server away/)).toBeVisible();
  await expect(wall.getByText(/1 kept here/)).toBeVisible();

  // It comes back: the entry arrives, the other tablet learns of it, nobody did anything.
  await jokul.run();
  await expect(button(bench, `Turn ${load}`)).toBeHidden({ timeout: 40_000 });
  await expect(wall.getByText(/Server away/)).toBeHidden({ timeout: 40_000 });
  expect(await steps(load, 'turned')).toBe(1);

  // A tablet without network goes on working, and catches up.
  await wall.context().setOffline(true);
  await button(wall, `Pull ${load}`).click();
  await expect(button(wall, `Pull ${load}`)).toBeHidden();
  await expect(button(bench, `Pull ${load}`)).toBeVisible();
  expect(await steps(load, 'pulled')).toBe(0);

  // Meanwhile the other one pulls the same trays: two people at one tray.
  await button(bench, `Pull ${load}`).click();
  await expect.poll(() => steps(load, 'pulled')).toBe(1);
  await wall.context().setOffline(false);
  await expect.poll(() => steps(load, 'pulled'), { timeout: 40_000 }).toBe(2);
  // Both are in the journal, the first one counts, and both tablets say so.
  await expect(wall.getByText(/was already pulled by/).first()).toBeVisible();
  await expect(bench.getByText(/was already pulled by/).first()).toBeVisible();
  await expect(button(wall, `Rack ${load}`)).toBeVisible();
  const health = await jokul.api<{ firstBrokenSeq: number | null }>('GET', 'journal/verify');
  expect(health.firstBrokenSeq).toBeNull();
});

test('what was never opened before comes when the server is back; until then the page stays', async ({
  browser,
}) => {
  const page = await tablet(browser);
  await jokul.kill();
  await expect(page.getByText(/Server away/)).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText(/is not on this device yet/)).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('region', { name: 'Ovens' })).toBeVisible();
  await jokul.run();
  await expect(page).toHaveURL(/\/week/);
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expect(page.getByText(/is not on this device yet/)).toBeHidden();
});

test('what is kept on a tablet survives a reload while the server is away', async ({ browser }) => {
  await jokul.setClock('04:28');
  const page = await tablet(browser);
  const load = `${jokul.lot('GNG')}-L1`;
  // The network takes the entry away but the page itself can still be loaded.
  await page.route('**/api/journal', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await button(page, `Load ${load}`).click();
  await expect(page.getByText(/1 kept here/)).toBeVisible();
  expect(await steps(load, 'loaded')).toBe(0);
  await page.reload();
  await expect(button(page, `Turn ${load}`)).toBeVisible();
  expect(await steps(load, 'loaded')).toBe(0);
  await page.unroute('**/api/journal');
  await expect.poll(() => steps(load, 'loaded'), { timeout: 40_000 }).toBe(1);
  await expect(page.getByText(/kept here/)).toBeHidden();
});

test('an answer that is lost does not make a second entry', async ({ browser }) => {
  const page = await tablet(browser);
  const load = `${jokul.lot('RYE')}-L1`;
  let lost = 0;
  // The server stores the entry, but its confirmation never arrives: the tablet sends it again.
  await page.route('**/api/journal', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await button(page, `Load ${load}`).click();
  await expect(page.getByText(/kept here/)).toBeHidden({ timeout: 40_000 });
  expect(lost).toBe(1);
  expect(await steps(load, 'loaded')).toBe(1);
});
