import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* Up without the network, many pages of one browser, an old page after an upgrade. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:20');
});
test.afterAll(() => jokul.stop());
test.use({ serviceWorkers: 'allow' });

const ovens = (page: Page) => page.getByRole('region', { name: 'Ovens' });
/** A page that has been here before: its worker is in charge, and it has seen floor and mix. */
const visited = async (context: BrowserContext): Promise<Page> => {
  const page = await context.newPage();
  await page.goto(`${jokul.url}/floor`);
  await expect(ovens(page)).toBeVisible();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
  });
  await page.goto(`${jokul.url}/mix`);
  await expect(page.getByText('Batches to mix')).toBeVisible();
  await page.goto(`${jokul.url}/floor`);
  await expect(ovens(page)).toBeVisible();
  return page;
};

test('a reload without the server gives the floor as it was last known; presses made there reach the log', async ({
  context,
}) => {
  const page = await visited(context);
  const load = `${jokul.lot('NIB')}-L1`;
  await page.getByRole('button', { name: `Load ${load}`, exact: true }).click();
  await expect(page.getByRole('button', { name: `Turn ${load}`, exact: true })).toBeVisible();
  // Heard back from the stream, and kept.
  await page.waitForTimeout(1200);

  await jokul.kill();
  await page.reload();
  await expect(ovens(page)).toBeVisible();
  await expect(page.getByText(/Server away/)).toBeVisible();
  await expect(page.getByLabel('Bakery clock')).toContainText('04:2');
  const turn = page.getByRole('button', { name: `Turn ${load}`, exact: true });
  await expect(turn).toBeVisible();
  await turn.click();
  await expect(page.getByText(/1 kept here/)).toBeVisible();
  await page.goto(`${jokul.url}/mix`);
  await expect(page.getByText('Batches to mix')).toBeVisible();
  await expect(page.getByText(/1 kept here/)).toBeVisible();

  await jokul.run();
  await expect(page.getByText(/kept here/)).toBeHidden({ timeout: 40_000 });
  const { entries } = await jokul.api<{ entries: { kind: string; lot: string }[] }>('GET', 'journal?since=0');
  expect(entries.filter((e) => e.kind === 'turned' && e.lot === jokul.lot('NIB'))).toHaveLength(1);
  await page.close();
});

test('twelve pages of one browser: all come up, and a press in the last shows in the first', async ({
  context,
}) => {
  const pages: Page[] = [];
  for (let i = 0; i < 12; i++) {
    const page = await context.newPage();
    await page.goto(`${jokul.url}/floor`);
    await expect(ovens(page)).toBeVisible();
    pages.push(page);
  }
  const [first] = pages;
  const last = pages.at(-1);
  if (!first || !last) throw new Error('no pages');
  const load = `${jokul.lot('GNG')}-L1`;
  await last.getByRole('button', { name: `Load ${load}`, exact: true }).click();
  await expect(first.getByRole('button', { name: `Turn ${load}`, exact: true })).toBeVisible();
  // The page that listens for all goes: another takes its place.
  await first.close();
  await last.getByRole('button', { name: `Turn ${load}`, exact: true }).click();
  for (const page of pages.slice(1, 4))
    await expect(page.getByRole('button', { name: `Turn ${load}`, exact: true })).toBeHidden();
});

test('a device clock that jumps while the page is open moves no entry', async ({ context }) => {
  const page = await context.newPage();
  await page.goto(`${jokul.url}/floor`);
  await expect(ovens(page)).toBeVisible();
  const time = await page.getByLabel('Bakery clock').innerText();
  await page.evaluate(() => {
    const real = Date.now.bind(Date);
    Date.now = () => real() + 3 * 3600e3;
  });
  await page.waitForTimeout(2500);
  expect((await page.getByLabel('Bakery clock').innerText()).slice(0, 4)).toBe(time.slice(0, 4));
});

test('a file of an older version is missing, never a page', async ({ request }) => {
  const answer = await request.get(`${jokul.url}/assets/gone-12345678.js`);
  expect(answer.status()).toBe(404);
  expect(answer.headers()['content-type']).not.toContain('html');
});
