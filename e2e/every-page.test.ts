import { expect, test } from '@playwright/test';
import { keptOut } from './support/axe.js';
import { Jokul } from './support/jokul.js';
import { mainPages } from './support/pages.js';

/* That every page can be used by all. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:10');
});
test.afterAll(() => jokul.stop());

/** An address with the lots of the day in it: {RYE} is the planned lot of that product. */
const named = async (path: string): Promise<string> => {
  const { entries } = await jokul.api<{
    entries: { kind: string; lot: string; payload: { placeId?: string } }[];
  }>('GET', 'journal?since=1795752600000');
  const frozen = entries.find(({ kind, payload }) => kind === 'rest-in' && payload.placeId === 'freezer');
  return path
    .replace('{frozen}', frozen?.lot ?? '')
    .replace(/\{(\w{3})\}/, (_, code: string) => jokul.lot(code));
};

const pages = [
  '/orders',
  '/formula/RYE',
  '/formula/CLM',
  '/formula/new',
  '/mix/{RYE}?at=butter',
  '/mix/{LEM}?at=mixer',
  '/setup/ingredients/salted-butter',
  '/mix/{LEM}',
  '/portion/{GNG}',
  '/rest/{RYE}',
  '/rest/{RYE}?at=life',
  '/rest/{RYE}?at=places',
  '/rest/{frozen}/labels',
  '/bake',
  '/bake?at=cut',
  '/bake?at=whole',
  '/bake?at=what-if',
  '/bake?at=heat',
  '/log/learned',
  '/day',
  '/day/lists',
  '/week?day=2026-11-25',
  '/floor',
  '/log?day=2026-11-24',
  '/setup',
  '/formula/LEM/cups',
  '/welcome',
];

test('every page, light and dark: no error, nothing cut at the side, nothing that keeps anybody out', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  page.on(
    'request',
    (request) =>
      !request.url().startsWith(jokul.url) &&
      !request.url().startsWith('data:') &&
      errors.push(`asks outside: ${request.url()}`),
  );
  for (const path of pages) {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    await page.goto(`${jokul.url}${await named(path)}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    if (path === '/log/learned')
      await expect(page.getByRole('heading', { name: 'What was learned' })).toBeVisible({
        timeout: 60_000,
      });
    await page.waitForTimeout(400);
    const wide = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(wide, `${path} is wider than the screen`).toBeLessThanOrEqual(0);
    expect(await keptOut(page), `${path}, light`).toEqual([]);
    // In the dark only the colours are others, and those of a station's tabs are its own.
    if (path.includes('?at=')) continue;
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    expect(await keptOut(page, ['color-contrast']), `${path}, dark`).toEqual([]);
  }
  expect(errors).toEqual([]);
});

/** Every text within a value: names of things, which are said as they are. */
const namesIn = (value: unknown): readonly string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(namesIn)
      : [];

test('headings, buttons, labels and columns of every page are in the catalogue, and none is cut', async ({
  page,
}) => {
  const day = await jokul.api<object>('GET', 'days/2026-11-27');
  const names = [...new Set([...namesIn(await jokul.api('GET', 'bakery')), ...namesIn(day)])]
    .filter((name) => name.length > 1)
    .sort((a, b) => b.length - a.length);
  const outside: string[] = [];
  for (const path of mainPages) {
    await page.goto(`${jokul.url}/${path}?language=pseudo`);
    await expect(page.locator('h1, h2').first()).toContainText('⟦');
    await page.waitForTimeout(1000);
    const said = await page
      .locator('h1, h2, h3, button, th, label, legend, [role=tab], dt')
      .filter({ visible: true })
      .allInnerTexts();
    const left = said
      // A date is said by the browser's own words for it.
      .map((text) => text.replace(/\b(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?: \d+ [A-Z][a-z]{2})?\b/g, ''))
      .map((text) => names.reduce((rest, name) => rest.replaceAll(name, ''), text))
      // What the core says, and how long something takes.
      .map((text) => text.replace(/‹[^›]*›/g, '').replace(/\d+ (?:min|h|s|d)\b/g, ''))
      // Messages within messages, the innermost first.
      .map((text) => {
        let rest = text;
        while (/⟦[^⟦⟧]*⟧/.test(rest)) rest = rest.replace(/⟦[^⟦⟧]*⟧/g, '');
        return rest;
      })
      .filter((text) => /[A-Za-z]{3}/.test(text));
    for (const text of left) outside.push(`${path}: ${text}`);
    const sideways = await page.evaluate(
      () => document.documentElement.scrollWidth > document.documentElement.clientWidth,
    );
    if (sideways) outside.push(`${path} goes sideways`);
  }
  expect(outside).toEqual([]);
});
