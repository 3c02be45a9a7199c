import { expect, test } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* What is around the stations: keys, search, and pages that do not exist. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:10');
});
test.afterAll(() => jokul.stop());

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
