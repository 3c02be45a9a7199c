import { expect, test } from '@playwright/test';
import { allSent } from './support/all-sent.js';
import { Jokul } from './support/jokul.js';

/* A dough is taken out of the cold and put back, twice: it goes on from how warm it is by then, and its age adds up. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
});
test.afterEach(({ page }) => allSent(page));
test.afterAll(() => jokul.stop());

test('a dough that was out goes back as warm as it is, not as it was mixed, and a part of it likewise', async ({
  page,
}) => {
  const lot = jokul.lot('MLT');
  const open = async (name: string, time: string) => {
    await jokul.setClock(time);
    await page.goto(`${jokul.url}/rest/${name}`);
  };
  const backIn = page.getByRole('form', { name: 'Into the cold' });
  const goesIn = async (): Promise<number> => {
    const field = backIn.getByLabel('Dough, °C');
    await expect(field).not.toHaveValue('');
    return Number(await field.inputValue());
  };
  const age = (name: string) => page.getByText(name, { exact: true }).locator('xpath=..');
  await open(lot, '04:10');
  await page.getByRole('button', { name: 'Take it out' }).click();
  await allSent(page);
  await open(lot, '04:40');
  await expect(backIn).toContainText('Worked out from where it has been');
  const first = await goesIn();
  // 22.4 °C off the mixer, 13 h in a tub at 4 °C, half an hour on the bench.
  expect(first).toBeGreaterThan(5);
  expect(first).toBeLessThan(9);
  await expect(page.getByText('at once')).toBeVisible();
  await backIn.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('button', { name: 'Take it out' })).toBeVisible();
  await allSent(page);
  await open(lot, '05:40');
  await page.getByRole('button', { name: 'Take it out' }).click();
  await allSent(page);
  await open(lot, '06:00');
  expect(await goesIn()).toBeLessThan(9);
  // What a needle says counts for more.
  await backIn.getByLabel('Dough, °C').fill('8.5');
  await expect(backIn).not.toContainText('Worked out from where it has been');
  await backIn.getByRole('button', { name: 'Put away' }).click();
  await expect(age('Out of the cold')).toContainText('51 min of 4 h');
  await expect(age('times put away')).toContainText('3');
  // A part of it is as cold, as old, and was put away as often.
  await page.getByRole('button', { name: 'Parts' }).click();
  const parts = page.getByRole('dialog');
  await parts.getByLabel('Weight, g').fill('2000');
  await parts.getByRole('button', { name: 'Split off', exact: true }).click();
  await expect(page.getByText(/2\.00 kg are now/)).toBeVisible();
  await allSent(page);
  await open(`${lot}.2`, '06:00');
  await expect(age('Core now')).toContainText('8.5 °C');
  await expect(age('times put away')).toContainText('3');
  await expect(age('Out of the cold')).toContainText('51 min of 4 h');
});

test('what lies in a place that is taken out of use stays in sight, and nothing goes in there any more', async ({
  page,
}) => {
  await jokul.setClock('06:00');
  await page.goto(`${jokul.url}/setup`);
  const places = page.getByRole('region', { name: 'Cold places' });
  await places.getByRole('button', { name: 'Copy Walk-in' }).click();
  await page.getByRole('button', { name: /^Add the/ }).click();
  await expect(page.getByText('Walk-in, another is added.')).toBeVisible();
  await places.getByRole('button', { name: 'Retire Walk-in', exact: true }).click();
  await expect(page.getByText(/Walk-in is retired\. \d doughs lie in it still/)).toBeVisible();
  const lot = jokul.lot('RYE');
  await page.goto(`${jokul.url}/rest/${lot}`);
  await expect(page.getByText('Walk-in, out of use: move these')).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(lot) }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take it out' }).click();
  const goesInto = page.getByRole('form', { name: 'Into the cold' }).getByLabel('Place');
  await expect(goesInto).toBeVisible();
  expect(await goesInto.getByRole('option').allTextContents()).toEqual(
    expect.arrayContaining([expect.stringContaining('Walk-in, another')]),
  );
  await expect(goesInto.getByRole('option', { name: /^Walk-in, 4/ })).toHaveCount(0);
});
