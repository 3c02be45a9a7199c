import { expect, test, type Browser, type Page } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* The floor in the hand: a phone, and a tablet held upright. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:20');
});
test.afterAll(() => jokul.stop());

const hand = async (browser: Browser, width: number, height: number): Promise<Page> => {
  const context = await browser.newContext({
    viewport: { width, height },
    isMobile: true,
    hasTouch: true,
  });
  return context.newPage();
};

/** What reaches beyond the screen, though it is in nothing that moves by itself. */
const beyond = (page: Page) =>
  page.evaluate(() => {
    const moves = (element: Element): boolean =>
      element.parentElement !== null &&
      (/auto|scroll/.test(getComputedStyle(element.parentElement).overflowX) || moves(element.parentElement));
    return [...document.querySelectorAll('body *')]
      .filter((e) => e.getClientRects().length > 0 && !e.closest('svg') && !moves(e))
      .filter((e) => {
        const { right, width } = e.getBoundingClientRect();
        return width > 1 && right > innerWidth + 1;
      })
      .map((e) => `${e.tagName} ${e.textContent?.slice(0, 30)}`);
  });
/** Buttons, links and fields of the workpiece that a wet thumb misses. */
const tooSmall = (page: Page, among: string) =>
  page.locator(among).evaluateAll((elements) =>
    elements
      .map((e) => ({
        name: e.getAttribute('aria-label') ?? e.textContent ?? e.id,
        box: e.getBoundingClientRect(),
      }))
      .filter(({ box }) => box.width > 0 && (box.height < 43.5 || box.width < 43.5))
      .map(({ name, box }) => `${name} ${Math.round(box.width)} x ${Math.round(box.height)}`),
  );

const floor = ['floor', 'mix', 'bake'];
const sizes = [
  [
    'a small phone',
    360,
    640,
    [...floor, 'portion', 'rest', 'log', 'orders', 'formula', 'day', 'week', 'setup', 'models'],
  ],
  ['an upright tablet', 768, 1024, floor],
] as const;
for (const [name, width, height, paths] of sizes)
  test(`no page moves sideways on ${name}`, async ({ browser }) => {
    const page = await hand(browser, width, height);
    for (const path of paths) {
      await page.goto(`${jokul.url}/${path}`);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      expect(await beyond(page), path).toEqual([]);
      const [wide, high] = await page.evaluate(() => {
        const { scrollWidth, scrollHeight } = document.documentElement;
        return [scrollWidth - innerWidth, scrollHeight - innerHeight];
      });
      expect([path, wide, high]).toEqual([path, 0, 0]);
    }
    await page.context().close();
  });

test('a tray is loaded and an ingredient weighed on a phone, with a thumb', async ({ browser }) => {
  const page = await hand(browser, 390, 844);
  await page.goto(`${jokul.url}/floor`);
  const load = `${jokul.lot('NIB')}-L1`;
  const press = page.getByRole('button', { name: `Load ${load}`, exact: true });
  await expect(press).toBeVisible();
  expect(await tooSmall(page, 'main button, nav a, header button, header select')).toEqual([]);
  await press.tap();
  await expect(press).toBeHidden();

  // The station one is at stays in sight on the line under the thumb.
  const mix = page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Mix' });
  await mix.tap();
  await expect(page.getByLabel('Reading, g')).toBeVisible();
  await expect(mix).toBeInViewport();
  expect(await tooSmall(page, 'main form button, main form #reading, main [role=tab]')).toEqual([]);
  const wanted = /Target ([\d.]+) g/.exec(
    (await page.locator('#target').getAttribute('aria-label')) ?? '',
  )?.[1];
  expect(wanted).toBeDefined();
  const name = await page.locator('main form p.text-3xl').textContent();
  await page.getByLabel('Reading, g').fill(wanted ?? '');
  await page.getByRole('button', { name: 'Weighed', exact: true }).tap();
  await expect(page.locator('main form p.text-3xl')).not.toHaveText(name ?? '');
  await page.context().close();
});
