import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { allSent } from './support/all-sent.js';
import { openAt, press } from './support/at-hand.js';
import { Jokul } from './support/jokul.js';

/*
 * A flour of the house's own, from its label to the tub: named in a pasted recipe and picked in a formula, weighed, and
 * corrected while a dough of it lies there. What is mixed keeps what it was mixed from, what is planned follows.
 */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
  await jokul.setClock('04:10');
});
test.afterEach(({ page }) => allSent(page));
test.afterAll(() => jokul.stop());
test.describe.configure({ mode: 'serial' });

const tomorrow = '?day=2026-11-28';
const open = (page: Page, path: string) => openAt(page, `${jokul.url}${path}`);

test('is copied from the library with what its label says', async ({ page }) => {
  await open(page, '/setup/ingredients/wheat-flour');
  await press(page, 'Copy as our own');
  const form = page.getByRole('form', { name: 'Own ingredient' });
  await form.getByLabel('Name').fill('Flour of the mill');
  await form.getByLabel('Source').fill('label of the bag');
  await press(page, 'Save ingredient');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Flour of the mill');
});

test('is known by its name in a pasted recipe', async ({ page }) => {
  await open(page, '/formula/new');
  await page
    .getByLabel('Paste it, one ingredient per line')
    .fill(
      [
        'Mill Drop:',
        '1 kg flour of the mill',
        '500 g butter',
        '600 g caster sugar',
        '200 g egg',
        '10 g salt',
        '8 g baking soda',
      ].join('\n'),
    );
  const lines = page.getByRole('list', { name: 'Lines as read' });
  await expect(lines.getByRole('listitem').filter({ hasText: '1 kg flour' })).toContainText('1.00 kg');
  await expect(lines.getByRole('listitem').filter({ hasText: '1 kg flour' })).toContainText(
    'Flour of the mill',
  );
  await expect(page.getByText(/lines? waits? for an answer/)).toBeHidden();
  await page.getByLabel('Name of the formula').fill('Mill Drop');
  await page.getByLabel('Code').fill('MIL');
  await press(page, 'Save as formula');
  await expect(page).toHaveURL(/\/formula\/MIL/);
  await expect(page.getByRole('row', { name: /Flour of the mill/ })).toContainText('100 %');
});

test('is picked in the editor, and saved with the next version', async ({ page }) => {
  await open(page, '/formula/MIL');
  await press(page, 'Edit');
  await press(page, 'Add an ingredient to the toppings');
  await page.getByPlaceholder('Name of the ingredient …').fill('of the mill');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('How Flour of the mill is put on')).toBeVisible();
  await press(page, 'Save as version 2');
  await expect(page.getByRole('button', { name: 'Version 2' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('row', { name: /On top: Flour of the mill/ })).toBeVisible();
});

test('is weighed, and corrected afterwards: the tub’s label stays, the formula’s follows', async ({
  page,
}) => {
  await open(page, `/orders${tomorrow}`);
  const form = page.getByRole('form', { name: 'Add a line' });
  await form.getByLabel('For').fill('Pier kiosk');
  await form.getByLabel('Product').selectOption('MIL');
  await form.getByLabel('Pieces').fill('96');
  await form.getByLabel('Ready by').fill('10:00');
  await form.getByRole('button', { name: 'Add' }).click();
  await page.getByRole('button', { name: /Plan/ }).first().click();
  await expect(page.getByText(/Planned: 1 batch/)).toBeVisible({ timeout: 60_000 });
  await jokul.readLots('2026-11-28');
  const lot = jokul.lot('MIL');
  await open(page, `/mix/${lot}${tomorrow}`);
  const label = await page.locator('#target').getAttribute('aria-label');
  await page.getByLabel('Reading, g').fill(/Target ([\d.]+)/.exec(label ?? '')?.[1] ?? '');
  await press(page, 'Weighed');
  await expect(page.getByText(/still to weigh/)).toBeVisible();
  await allSent(page);

  await open(page, '/setup/ingredients/own-flour-of-the-mill');
  await press(page, 'Change it');
  await page.getByRole('form', { name: 'Own ingredient' }).getByLabel('lupin').check();
  await press(page, 'Save ingredient');
  await expect(page.getByText('Flour of the mill is saved.')).toBeVisible();

  await open(page, '/formula/MIL');
  await expect(page.getByText(/gluten \(wheat\), lupin, milk/).first()).toBeVisible();
  const clock = (await (await page.request.get(`${jokul.url}/api/clock`)).json()) as { nowMs: number };
  const entry = {
    id: randomUUID(),
    atMs: clock.nowMs,
    who: 'night',
    device: 'another',
    lot,
    kind: 'rest-in',
    payload: { placeId: 'walk-in', form: 'tub', cover: 'covered', startC: 21, massG: 4000, pieces: 0 },
  };
  const sent = await page.request.post(`${jokul.url}/api/journal`, { data: { entries: [entry] } });
  expect(sent.status()).toBe(201);
  await open(page, `/rest/${lot}/labels${tomorrow}`);
  await expect(page.getByText('Contains: egg, gluten (wheat), milk.').first()).toBeVisible();
  await expect(page.getByText(/lupin/)).toBeHidden();
});
