import { expect, test, type Page } from '@playwright/test';
import { allSent } from './support/all-sent.js';
import { openAt, press } from './support/at-hand.js';
import { Jokul } from './support/jokul.js';

/* A recipe in cups, from the paste to the last dough ball, with what goes wrong on the way. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:10');
});
test.afterEach(({ page }) => allSent(page));
test.afterAll(() => jokul.stop());
test.describe.configure({ mode: 'serial' });

const tomorrow = '?day=2026-11-28';
let batch = '';
const open = (page: Page, path: string) => openAt(page, `${jokul.url}${path}`);

const target = async (page: Page): Promise<string> => {
  const label = await page.locator('#target').getAttribute('aria-label');
  return /Target ([\d.]+)/.exec(label ?? '')?.[1] ?? '';
};
/** Types what stands on the scale when the target is met, and presses Weighed. */
const weighed = async (page: Page): Promise<void> => {
  await page.getByLabel('Reading, g').fill(await target(page));
  await press(page, 'Weighed');
};

const recipe = `Slipway Drop:
2 1/4 cups all-purpose flour
1 tsp baking soda
½ teaspoon salt
1 stick salted butter, softened
1/2 cup unsalted butter, browned
3/4 cup packed light brown sugar
1/2 cup granulated sugar
2 eggs
2 tsp vanilla extract
1 cup walnuts, toasted and chopped
a handful of raisins
1 tbsp sugar for rolling`;

test('a pasted recipe is read line by line, and what is open is asked', async ({ page }) => {
  await open(page, '/formula/new');
  await page.getByLabel('Paste it, one ingredient per line').fill(recipe);
  const lines = page.getByRole('list', { name: 'Lines as read' });
  // 1 cup = 236.588 mL, sugar 0.845 g/mL: half of it 99.96 g. A stick is 113.4 g. Half a cup of butter 113.6 g.
  await expect(lines.getByRole('listitem').filter({ hasText: 'granulated sugar' })).toContainText('99.96 g');
  await expect(lines.getByRole('listitem').filter({ hasText: '1 stick salted' })).toContainText('113.4 g');
  await expect(lines.getByRole('listitem').filter({ hasText: 'browned' })).toContainText('to brown');
  await expect(page.getByText('3 lines wait for an answer')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save as formula' })).toBeDisabled();
  // The cup of flour: spooned, 2.25 × 236.588 × 0.52 = 276.8 g.
  await press(page, 'spooned, 123 g a cup');
  await expect(lines.getByRole('listitem').filter({ hasText: 'all-purpose' })).toContainText('276.8 g');
  await press(page, 'large, 50 g');
  await page.getByLabel('Weight of this line, g').fill('40');
  await press(page, 'Take');
  await expect(page.getByText('lines wait')).toBeHidden();
  // An answer can be taken back, and is kept over a reload.
  await page.reload();
  await expect(lines.getByRole('listitem').filter({ hasText: 'raisins' })).toContainText('40 g');
  await page.getByLabel('Name of the formula').fill('Slipway Drop');
  await page.getByLabel('Code').fill('SLW');
  await press(page, 'Save as formula');
  await expect(page).toHaveURL(/\/formula\/SLW/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Slipway Drop');
  // 113.4 g of salted butter to 276.8 g of flour.
  await expect(page.getByRole('row', { name: /Butter, salted/ })).toContainText('40.97 %');
});

test('salted butter on top of the salt is found, taken off, and the stages are put in order by keyboard', async ({
  page,
}) => {
  await open(page, '/formula/SLW');
  await expect(page.getByText(/The salted butter brings 0\.65.* % of salt on top of the 1\.0/)).toBeVisible();
  await press(page, 'Edit');
  await page.getByLabel('Percent, Fine salt').fill('0.41');
  await page.getByLabel('Percent, Fine salt').press('Enter');
  await expect(page.getByText(/brings .* of salt on top/)).toBeHidden();
  // Alt and an arrow take the salt up a line, and the focus goes with it.
  await page.getByLabel('Percent, Fine salt').press('Alt+ArrowUp');
  await expect(page.getByLabel('Percent, Fine salt')).toBeFocused();
  const order = await page.getByRole('row').allTextContents();
  const at = (name: string) => order.findIndex((row) => row.includes(name));
  expect(at('Fine salt')).toBeLessThan(at('Baking soda'));
  // Fold in goes up before Dry: Space takes the stage, an arrow moves it, Space puts it down.
  const handle = page.getByRole('button', { name: 'Move the stage Fold in' });
  await handle.focus();
  // Each key waits for what a screen reader is told: that is when the stage has been taken, and has moved.
  for (const [key, said] of [
    ['Space', 'Fold in: place 4 of 4.'],
    ['ArrowUp', 'Fold in: place 3 of 4.'],
    ['Space', 'Fold in put down at place 3 of 4.'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByText(said)).toBeAttached();
  }
  await expect(page.getByText('stages: Cream, Egg and liquids, Fold in, Dry')).toBeVisible();
  await page.keyboard.press('Escape');
  await press(page, 'Undo');
  await expect(page.getByText(/stages: Cream/)).toBeHidden();
  await press(page, 'Save as version 2');
  await expect(page.getByRole('button', { name: 'Version 2' })).toBeVisible();
  // A swap, looked at and left.
  await press(page, 'Swap something …');
  await press(page, 'Unsalted butter for salted');
  await expect(page.getByRole('dialog')).toContainText('The same butter and the same salt as before');
  await page.keyboard.press('Escape');
});

test('it is ordered, and the day is planned', async ({ page }) => {
  await open(page, `/orders${tomorrow}`);
  const form = page.getByRole('form', { name: 'Add a line' });
  await form.getByLabel('For').fill('Pier kiosk');
  await form.getByLabel('Product').selectOption('SLW');
  await form.getByLabel('Pieces').fill('96');
  await form.getByLabel('Ready by').fill('10:00');
  await form.getByRole('button', { name: 'Add' }).click();
  await page.getByRole('button', { name: /Plan/ }).first().click();
  await expect(page.getByText(/Planned: 1 batch, all ready in time/)).toBeVisible({ timeout: 60_000 });
  await jokul.readLots('2026-11-28');
  batch = jokul.lot('SLW');
});

test('over-poured sugar scales the batch, what is weighed already wants more', async ({ page }) => {
  await open(page, `/mix/${batch}${tomorrow}`);
  const scale = page.getByRole('form', { name: /^On the scale/ });
  await expect(scale).toContainText('Butter, salted');
  await scale.getByLabel('Lot number').fill('B-77');
  await weighed(page);
  await expect(scale).toContainText('Butter, unsalted, to brown');
  await weighed(page);
  await expect(scale).toContainText('Light brown sugar');
  const wanted = Number(await target(page));
  await scale.getByLabel('Reading, g').fill(String(wanted * 1.1));
  await press(page, 'Weighed');
  const off = page.getByRole('group', { name: 'Light brown sugar is off' });
  await expect(off).toContainText('What now?');
  await expect(off).toContainText(/Scale everything else \+10 %.*needs more: butter, salted/);
  await off.getByRole('button', { name: 'Scale everything else' }).click();
  await expect(page.getByText(/The batch is scaled by 1\.1000/)).toBeVisible();
  // The salted butter comes back for its tenth more.
  await expect(scale).toContainText('are in, the batch was scaled');
  await expect(page.getByText('lot B-77')).toBeVisible();
  await weighed(page);
  await weighed(page);
  // The rest, but for the walnuts, which are put off and forgotten.
  for (let i = 0; i < 14; i++) {
    const name = (await scale.count()) > 0 ? await scale.getAttribute('aria-label') : null;
    if (name === null || (await page.getByText('1 still to weigh').count()) > 0) break;
    if (name.includes('Walnuts')) await press(page, 'Later');
    else await weighed(page);
    await expect(scale).not.toHaveAttribute('aria-label', name);
  }
  await expect(page.getByText('1 still to weigh')).toBeVisible();
});

test('browned butter: its loss, its cooling, and no egg into it while it is hot', async ({ page }) => {
  await open(page, `/mix/${batch}${tomorrow}&at=butter`);
  const butter = page.getByRole('region', { name: 'Browned butter' });
  await expect(butter).toContainText('browning takes 17.6 %');
  await expect(butter.getByRole('row', { name: /Freezer/ })).toContainText(/min/);
  await butter.getByLabel('Into the pan, g').fill('300');
  await butter.getByLabel('Out of the pan, g').fill('320');
  await expect(butter.getByText('Less than went in.')).toBeVisible();
  await butter.getByLabel('Out of the pan, g').fill('246');
  await press(page, 'Log the pan');
  await expect(butter).toContainText('18.0 % lost');
  await butter.getByLabel('Butter measured, °C').fill('63');
  await press(page, 'Measured');
  await expect(butter).toContainText('too hot for egg');

  await page.getByRole('tab', { name: 'At the mixer' }).click();
  const egg = page.getByRole('listitem').filter({ hasText: 'Egg and liquids' });
  await egg.getByRole('button', { name: 'Start' }).click();
  const block = page.getByRole('dialog', { name: 'Too hot for egg' });
  await expect(block).toContainText('The browned butter was 63 °C');
  await expect(block.getByRole('button', { name: 'Start anyway' })).toBeDisabled();
  await block.getByRole('button', { name: 'Let it cool' }).click();
  await page.getByRole('tab', { name: 'Browned butter' }).click();
  await butter.getByLabel('Butter measured, °C').fill('38');
  await press(page, 'Measured');
  await expect(butter).toContainText('egg may follow');
  await page.getByRole('tab', { name: 'At the mixer' }).click();
  await egg.getByRole('button', { name: 'Start' }).click();
  await expect(egg.getByRole('timer')).toBeVisible();
  await egg.getByRole('button', { name: 'Stopped' }).click();
  await expect(egg.getByRole('button')).toHaveCount(0);
  // The stage whose walnuts are missing does not begin unasked.
  const fold = page.getByRole('listitem').filter({ hasText: 'Fold in' });
  await fold.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('dialog')).toContainText('Not weighed yet: Walnuts, chopped');
  await page.getByRole('button', { name: 'Weigh it first' }).click();
});

test('the forgotten one is caught at the end, weighed, and the batch is mixed', async ({ page }) => {
  await open(page, `/mix/${batch}${tomorrow}`);
  await page.getByLabel('Dough off the mixer, °C').fill('22.4');
  await press(page, 'Mixing done');
  await expect(page.getByRole('dialog')).toContainText('Not weighed yet: Walnuts, chopped');
  await page.getByRole('button', { name: 'Weigh them' }).click();
  await weighed(page);
  await press(page, 'Mixing done');
  await expect(page.getByText(/Mixed at 04:10 by Oven hand/)).toBeVisible();
});

test('portioned: the scoop weighed, the rest used, the yield reconciled', async ({ page }) => {
  await open(page, `/portion/${batch}${tomorrow}`);
  await expect(page.getByText(/ mixed\. Which scoop/)).toBeVisible();
  // A tenth more dough than planned gives a tenth more pieces.
  const title = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
  const pieces = Number(/(\d+) pieces/.exec(title)?.[1]);
  expect(pieces).toBeGreaterThan(105);
  expect(pieces).toBeLessThan(116);
  const scoops = page.getByRole('form', { name: 'Weigh three scoops' });
  await scoops.getByLabel('Scoop', { exact: true }).selectOption('24');
  await scoops.getByLabel('Three scoops, g').fill('40 41 39');
  await press(page, 'Take');
  // 40 g / (946.35 / 24 mL) = 1.014 g/mL.
  await expect(page.getByText('1.014 g/mL')).toBeVisible();
  const form = page.getByRole('form', { name: 'What came out' });
  await form.getByLabel('Pieces counted').fill(String(pieces));
  await form.getByLabel('Left over, g').fill('30');
  await form.getByLabel('Portioned with').selectOption('24');
  await form.getByRole('radio', { name: /Spread it/ }).check();
  await form.getByLabel('Some pieces on the scale, g').fill('42 42.2 41.8 42.1 42.4 41.9 42.3');
  await expect(form).toContainText(/2\.1 g heavy: \d pieces lost per batch/);
  await expect(form.getByText(/The lightest wants/)).toBeVisible({ timeout: 40_000 });
  await press(page, 'Portioning done');
  await expect(page.getByText(/scoop No\. 24, level, 30 g left over, spread over the pieces/)).toBeVisible();
  await expect(page.getByText('In bowl, scoop and bench')).toBeVisible();
});
