import { expect, test } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* Dough from the cold before anything is mixed, and several days planned together. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
});
test.afterAll(() => jokul.stop());

interface Entry {
  readonly lot: string;
  readonly kind: string;
  readonly payload: Record<string, unknown>;
}
const entriesOf = async (lot: string) =>
  (await jokul.api<{ entries: readonly Entry[] }>('GET', 'journal?since=0')).entries.filter(
    (entry) => entry.lot === lot,
  );

test('a bag in the freezer is used first, taken out in part, and mixed anew when it is told to stay', async ({
  page,
}) => {
  const day = '2026-12-04';
  await jokul.api('POST', `days/${day}/orders`, {
    customer: 'Farm shop',
    productCode: 'CRD',
    pieces: 180,
    readyBy: '09:00',
  });
  await page.goto(`${jokul.url}/day?day=${day}`);
  await page.getByRole('button', { name: 'Plan the day' }).click();
  await expect(page.getByRole('button', { name: /Cardamom Shortbite.*from the freezer/s })).toBeVisible();
  const why = page.getByRole('heading', { name: 'From the cold first' });
  await expect(why).toBeVisible();

  await page.getByRole('button', { name: 'Mix new dough instead' }).click();
  await expect(page.getByText('is left where it is.')).toBeVisible();
  await expect(page.getByRole('button', { name: /Cardamom Shortbite.*mixed/s })).toBeVisible();
  await page.getByRole('button', { name: 'Use it after all' }).click();
  await expect(page.getByRole('button', { name: /Cardamom Shortbite.*from the freezer/s })).toBeVisible();

  // The mixer has nothing to do with it.
  await page.goto(`${jokul.url}/mix?day=${day}`);
  await expect(page.getByText('No batch could be planned')).toBeHidden();
  await expect(page.getByText('Nothing to mix')).toBeVisible();

  await page.goto(`${jokul.url}/floor?day=${day}`);
  await page
    .getByRole('button', { name: /Out of the cold CRD/ })
    .first()
    .click();
  const take = page.getByRole('button', { name: 'Take 180 out, into the walk-in' });
  await expect(take).toBeVisible();
  const part = /([A-Z]{3}-26-\d+-\w\.\d+)/.exec(page.url())?.[1] ?? '';
  await take.click();
  await expect(page.getByRole('heading', { name: 'Cardamom Shortbite in the walk-in' })).toBeVisible();
  await expect
    .poll(async () => (await entriesOf(part)).map(({ kind }) => kind))
    .toEqual(['begun', 'note', 'rest-in', 'rest-out', 'rest-in']);
  const [split] = (await entriesOf(part.replace(/\.\d+$/, ''))).filter(({ kind }) => kind === 'split');
  expect(split?.payload).toMatchObject({ into: part, pieces: 180 });
  await expect(page.getByText('Not in the log yet')).toBeHidden();
  await page.goto(`${jokul.url}/floor?day=${day}`);
  // Its oven first: turned on, and hot.
  const next = page.getByRole('region', { name: 'Due next' });
  for (const what of ['Oven on for', 'Oven hot for']) {
    await expect(next.getByRole('heading', { name: `${what} Cardamom Shortbite` })).toBeVisible();
    await next.getByRole('button', { name: what }).click();
  }
  await expect(next.getByRole('heading', { name: 'Load Cardamom Shortbite' })).toBeVisible();
});

test('several days are planned together, each with its way there', async ({ page }) => {
  await page.goto(`${jokul.url}/orders?day=2026-12-14`);
  await page.getByRole('button', { name: 'Several days' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Up to').selectOption('2026-12-16');
  await dialog.getByRole('button', { name: 'Plan these days' }).click();
  await expect(dialog.getByText(/^All \d+ pieces in time/)).toBeVisible({ timeout: 60_000 });
  await expect(dialog.getByRole('row')).toHaveCount(4);
  await dialog.getByRole('link', { name: /15 Dec/ }).click();
  await expect(page).toHaveURL(/day=2026-12-15/);
  await expect(page.getByText('Yes: the checker recounted every mixer')).toBeVisible();
});
