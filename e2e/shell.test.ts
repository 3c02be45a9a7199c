import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* What is around the stations: keys, search, themes, pages that do not exist, and that every page can be used by all. */

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
  const serious = async (axe: AxeBuilder) =>
    (await axe.analyze()).violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 120)}`);
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
    // There are no frames, and what passes is not wanted: both take most of the time.
    const axe = () =>
      new AxeBuilder({ page })
        .setLegacyMode(true)
        .options({ resultTypes: ['violations'] })
        .exclude('.apexcharts-canvas');
    expect(await serious(axe().withTags(['wcag2a', 'wcag2aa'])), `${path}, light`).toEqual([]);
    // In the dark only the colours are others, and those of a station's tabs are its own.
    if (path.includes('?at=')) continue;
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    expect(await serious(axe().withRules(['color-contrast'])), `${path}, dark`).toEqual([]);
  }
  expect(errors).toEqual([]);
});

test('the keys go along the line', async ({ page }) => {
  await page.goto(`${jokul.url}/orders`);
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toHaveText('Orders');
  const line = [
    ['2', /\/formula/, 'Coconut Lime Cooler'],
    ['3', /\/mix/, /^Lemon Poppy Drop, /],
    ['4', /\/portion/, /pieces of 38 g/],
    ['5', /\/rest/, /in the walk-in/],
    ['6', /\/bake/, / in (Port|Starboard|Keel)/],
    ['7', /\/log/, 'Log of Fri 27 Nov'],
    ['d', /\/day/, 'Day'],
    ['w', /\/week/, 'Week'],
    ['f', /\/floor/, /^(Load|Portion|Turn|Pull|Mix) /],
    ['1', /\/orders/, 'Orders'],
  ] as const;
  for (const [key, path, title] of line) {
    // On Mix the reading of the scale has the focus: Escape leaves it.
    await page.keyboard.press('Escape');
    await page.keyboard.press(key);
    await expect(page).toHaveURL(path);
    await expect(heading).toHaveText(title);
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Go to what is due next');
  await page.keyboard.press('Escape');
  // What is next is pressed on the floor, or where its work is done.
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/(floor|portion|mix)/);
  // While typing, keys are letters.
  await page.keyboard.press('1');
  await page.getByRole('form', { name: 'Add a line' }).getByLabel('For').fill('12d');
  await expect(page).toHaveURL(/\/orders/);
});

test('search finds a formula, a batch, an ingredient', async ({ page }) => {
  await page.goto(`${jokul.url}/orders`);
  await expect(page.getByRole('heading', { name: 'Orders' })).toBeVisible();
  for (const [text, shown, path] of [
    ['rye', /Rye/, /\/formula\/RYE/],
    [jokul.lot('CLM'), new RegExp(jokul.lot('CLM')), new RegExp(`/mix/${jokul.lot('CLM')}`)],
    ['tahini', /Sesame/, /\/formula\/SES/],
  ] as const) {
    // A page may put the focus into a field as it appears: Escape leaves it, then the key works.
    await expect(async () => {
      await page.keyboard.press('Escape');
      await page.keyboard.press('/');
      await expect(page.getByPlaceholder(/A station, formula/)).toBeVisible({ timeout: 1000 });
    }).toPass();
    const box = page.getByPlaceholder(/A station, formula/);
    await box.fill(text);
    await expect(page.getByRole('option', { selected: true })).toHaveText(shown);
    await box.press('Enter');
    await expect(page).toHaveURL(path);
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await page.keyboard.press('/');
  await page.getByPlaceholder(/A station, formula/).fill('zzzz');
  await expect(page.getByText('Nothing here goes by that name')).toBeVisible();
});

test('a day without orders, and a page that is not there, say what to do', async ({ page }) => {
  await page.goto(`${jokul.url}/mix?day=2027-02-01`);
  await expect(page.getByText('No bake list for this day')).toBeVisible();
  await page.goto(`${jokul.url}/orders?day=2027-02-01`);
  await expect(page.getByText('Nothing on the list for this day')).toBeVisible();
  await page.goto(`${jokul.url}/pantry`);
  await expect(page.getByText('There is no such page')).toBeVisible();
});

test('house rules: a figure out of range is refused, and nothing typed is lost', async ({ page }) => {
  await page.goto(`${jokul.url}/setup`);
  const loss = page.getByLabel('Left in the bowl, %');
  await loss.fill('60');
  await page.getByRole('button', { name: 'Save the rules' }).click();
  await expect(page.getByText('A loss is between 0 and 20 %.')).toBeVisible();
  await expect(loss).toHaveValue('60');
  await loss.fill('2');
  await page.getByRole('button', { name: 'Save the rules' }).click();
  await expect(page.getByText('House rules saved')).toBeVisible();
  await page.reload();
  await expect(loss).toHaveValue('2');
});

test('units of the device: ounces and Fahrenheit', async ({ page }) => {
  await page.goto(`${jokul.url}/setup`);
  await page.getByLabel('Units').selectOption('us');
  await page.goto(`${jokul.url}/formula/GNG`);
  await expect(page.getByText('Pull at 302 °F')).toBeVisible();
  await expect(page.getByText(/ at 302 °F (still|fan), gap [\d.]+ in, /)).toBeVisible();
  await page.goto(`${jokul.url}/mix/${jokul.lot('GNG')}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/14\.\d\d lb/);
  const lot = jokul.lot('GNG');
  for (const path of [
    'orders',
    'formula/SES',
    `portion/${lot}`,
    `rest/${lot}`,
    `bake/${lot}`,
    'day',
    'floor',
    'log',
    'setup',
  ]) {
    await page.goto(`${jokul.url}/${path}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForLoadState('networkidle');
    const said = await page.locator('main').innerText();
    expect(said.match(/[^\n]{0,30}\d (?:°C|kg|g|mm)(?![\p{L}/²³])[^\n]{0,20}/gu) ?? [], path).toEqual([]);
  }
});

test('a tab says what is looked at', async ({ page }) => {
  await page.goto(`${jokul.url}/formula/LEM`);
  await expect(page).toHaveTitle('Lemon Poppy Drop · Formula · Jokul');
  await page.goto(`${jokul.url}/setup`);
  await expect(page).toHaveTitle('Setup · Jokul');
});

test('an oven of one’s own: added, found by the next plan, retired, and taken back', async ({ page }) => {
  await page.goto(`${jokul.url}/setup`);
  await page.getByRole('button', { name: 'Add an oven' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill('Attic deck');
  await form.getByLabel('Air').selectOption('still (deck oven)');
  await form.getByLabel('Trays at once').fill('3');
  await form.getByRole('button', { name: 'Add the oven' }).click();
  const ovens = page.getByRole('region', { name: 'Ovens' });
  await expect(ovens.getByText('Attic deck')).toBeVisible();
  await page.goto(`${jokul.url}/floor`);
  await expect(page.getByRole('region', { name: 'Ovens' }).getByText('Attic deck')).toBeVisible();
  await page.goto(`${jokul.url}/setup`);
  await page.getByRole('button', { name: 'Retire Attic deck' }).click();
  await expect(ovens.getByText('(retired)')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(ovens.getByText('(retired)')).toBeHidden();
  // The last of a kind stays.
  await page.getByRole('button', { name: 'Retire Cooling racks' }).click();
  await expect(page.getByText(/At least one cooling rack stays/)).toBeVisible();
});
