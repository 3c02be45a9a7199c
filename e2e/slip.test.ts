import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { Jokul } from './support/jokul.js';

/* A load moved by hand; and a morning that slips: an oven is gone at 05:10, and the loads find others. */

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start();
});
test.afterAll(() => jokul.stop());

interface Load {
  readonly id: string;
  readonly batchId: string;
  readonly ovenId: string;
  readonly setC: number;
  readonly startS: number;
  readonly pullS: number;
  readonly trays: readonly { readonly id: string; readonly pieces: number }[];
}
interface Batch {
  readonly batchId: string;
  readonly massG: number;
  readonly pieces: number;
  readonly tasks: readonly { readonly kind: string; readonly loadId?: string; readonly endS: number }[];
  readonly loads: readonly Load[];
}
const batches = async (): Promise<readonly Batch[]> =>
  (await jokul.api<{ plan: { plan: { batches: Batch[] } } }>('GET', 'days/2026-11-27')).plan.plan.batches;

/** Writes down all that was due by a moment, as a floor that keeps up with its plan does. */
const keepUp = async (fromS: number, toS: number) => {
  const entries: (Record<string, unknown> & { readonly atMs: number })[] = [];
  const put = (atS: number | undefined, lot: string, kind: string, payload: object) => {
    if (atS === undefined || atS <= fromS || atS > toS) return;
    entries.push({
      id: randomUUID(),
      who: 'Oven hand',
      device: 'test',
      lot,
      kind,
      payload,
      atMs: Math.round(atS * 1e3),
    });
  };
  for (const { batchId, massG, pieces, tasks, loads } of await batches()) {
    const end = (kind: string) => tasks.find((task) => task.kind === kind)?.endS;
    put(end('mix'), batchId, 'mixed', { doughC: 22, massG, missing: [] });
    put(end('portion'), batchId, 'portioned', {
      pieces,
      scoop: 30,
      samplesG: [],
      targetG: 30,
      remainderG: 0,
    });
    for (const { id: loadId, ovenId, setC, startS, pullS, trays } of loads) {
      const trayIds = trays.map(({ id }) => id);
      put(startS, batchId, 'loaded', {
        loadId,
        trayIds,
        ovenId,
        setC,
        pullS,
        trayRestS: 300,
        pieces: trays.map((tray) => tray.pieces),
      });
      put(startS + pullS, batchId, 'pulled', { loadId, trayIds });
      put(startS + pullS + 300, batchId, 'racked', { loadId, trayIds });
      const after = (kind: string) =>
        tasks.find((task) => task.kind === kind && task.loadId === loadId)?.endS;
      put(after('ice'), batchId, 'iced', { loadId, trayIds });
      put(after('pack'), batchId, 'packed', { loadId, trayIds });
    }
  }
  for (const entry of entries.sort((a, b) => a.atMs - b.atMs))
    await jokul.api('POST', 'journal', { entries: [entry] });
};

const names: Readonly<Record<string, RegExp>> = {
  CLM: /Coconut Lime Cooler/,
  NIB: /Cocoa-Nib Yoghurt Drop/,
  PNT: /Peanut Crunch/,
  LEM: /Lemon Poppy Drop/,
  MLT: /Barley Malt/,
  GNG: /Quay Ginger/,
  RYE: /Burnt-Butter Walnut Rye/,
  SES: /Sesame Tahini Round/,
};

/** A load that has not begun and may wait, or begin earlier, so long: nothing is broken by it, and nobody is late. */
const mayMove = async (byS: number): Promise<{ readonly load: Load; readonly later: boolean }> => {
  const { nowMs } = await jokul.api<{ nowMs: number }>('GET', 'clock');
  const open = (await batches())
    .flatMap(({ loads }) => loads)
    .filter(({ batchId, startS }) => names[batchId.slice(0, 3)] && startS > nowMs / 1000 + 600)
    .sort((a, b) => b.startS - a.startS);
  const ways = [true, false].flatMap((later) => open.map((load) => ({ load, later })));
  for (const { load, later } of ways) {
    const { faults, before, after } = await jokul.api<Record<'faults' | 'before' | 'after', unknown[]>>(
      'POST',
      'days/2026-11-27/plan/move',
      { loadId: load.id, ovenId: load.ovenId, startS: load.startS + (later ? byS : -byS) },
    );
    if (faults.length === 0 && after.length === before.length && after.length === 0) return { load, later };
  }
  throw new Error('no load may move');
};

test('a load is moved by keys, held there when the day is planned again, and taken back', async ({
  page,
}) => {
  await jokul.setClock('04:10');
  const { load, later } = await mayMove(120);
  await page.goto(`${jokul.url}/day`);
  await page.getByRole('button', { name: names[load.batchId.slice(0, 3)] }).click();
  const panel = page.getByRole('region', { name: `Loads of ${load.batchId}` });
  await panel.getByRole('button', { name: `Move ${load.id}` }).click();
  const dialog = page.getByRole('dialog', { name: `Move ${load.id}` });
  const key = later ? 'ArrowRight' : 'ArrowLeft';
  await dialog.getByRole('button', { name: '1 min later' }).focus();
  await page.keyboard.press(key);
  await page.keyboard.press(key);
  await expect(dialog.getByText('It breaks no rule, and nobody is late.')).toBeVisible({
    timeout: 60_000,
  });
  const before = await batches();
  await dialog.getByRole('button', { name: 'Move it', exact: true }).click();
  await expect(dialog).toBeHidden();
  await expect(panel.getByRole('button', { name: 'Release' })).toBeVisible();
  const changed = (now: readonly Batch[]) =>
    now
      .flatMap(({ loads }) => loads)
      .filter(
        ({ id, startS }) =>
          before.flatMap(({ loads }) => loads).find((load) => load.id === id)?.startS !== startS,
      ).length;
  expect(changed(await batches())).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => changed(await batches())).toBe(0);
  await expect(panel.getByRole('button', { name: 'Hold' })).toBeVisible();
});

test('what if one order came: tried on a copy by keyboard, made so, and taken back', async ({ page }) => {
  const orders = async () =>
    (await jokul.api<{ orders: { customer: string }[] }>('GET', 'days/2026-11-27')).orders.map(
      ({ customer }) => customer,
    );
  const before = await batches();
  await page.goto(`${jokul.url}/day`);
  await page.getByRole('button', { name: 'Try something' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'What if …?' });
  await dialog.getByRole('button', { name: 'One more order' }).press('Enter');
  await dialog.getByLabel('For').fill('Harbour fair');
  await dialog.getByLabel('Product').selectOption('LEM');
  await dialog.getByLabel('Pieces', { exact: true }).fill('72');
  await dialog.getByLabel('Ready by').fill('10:45');
  await dialog.getByLabel('Ready by').press('Enter');
  await expect(dialog.getByText(/would still be in time/)).toBeVisible({ timeout: 60_000 });
  expect(await orders()).not.toContain('Harbour fair');
  await dialog.getByRole('button', { name: 'Make it so' }).press('Enter');
  await expect(dialog).toBeHidden({ timeout: 60_000 });
  expect(await orders()).toContain('Harbour fair');
  const pieces = (of: readonly Batch[]) => of.reduce((sum, batch) => sum + batch.pieces, 0);
  expect(pieces(await batches())).toBeGreaterThanOrEqual(pieces(before) + 72);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(orders, { timeout: 40_000 }).not.toContain('Harbour fair');
  await expect.poll(async () => pieces(await batches()), { timeout: 40_000 }).toBe(pieces(before));
});

test('an oven is gone at 05:10: who will be late is named, and the way out is looked at, then taken', async ({
  page,
}) => {
  await jokul.setClock('05:10');
  const { nowMs } = await jokul.api<{ nowMs: number }>('GET', 'clock');
  await keepUp(nowMs / 1000 - 3600, nowMs / 1000);
  await page.goto(`${jokul.url}/setup`);
  const alarm = page.getByRole('alert').filter({ hasText: 'will be late' });
  await expect(page.getByRole('heading', { name: 'Setup', level: 1 })).toBeVisible();
  await expect(alarm).toBeHidden();

  await page.getByRole('button', { name: 'Retire Port' }).click();
  await expect(alarm).toContainText('Port is out of use');
  await page.goto(`${jokul.url}/floor`);
  await expect(alarm).toContainText('not at all as things stand');
  await alarm.getByRole('button', { name: 'What can be done?' }).click();
  const dialog = page.getByRole('dialog', { name: 'What can be done' });
  await expect(dialog.getByText('instead of Port').first()).toBeVisible({ timeout: 60_000 });
  const before = await batches();
  await dialog.getByRole('button', { name: 'Change the plan' }).click();
  await expect(dialog).toBeHidden();

  const nowS = nowMs / 1000;
  const open = (of: readonly Batch[]) =>
    of.flatMap((batch) => batch.loads).filter(({ startS }) => startS > nowS);
  expect(open(before).filter(({ ovenId }) => ovenId === 'port').length).toBeGreaterThan(0);
  expect(open(await batches()).filter(({ ovenId }) => ovenId === 'port')).toEqual([]);
  // The wall shows the new plan, and nothing is left unbaked.
  await expect(page.getByText('not at all as things stand')).toBeHidden();
  // What is in Port already stays there to its end; nothing more goes in.
  const next = page.getByRole('region', { name: 'What comes next' }).getByRole('listitem');
  await expect(next.first()).toBeVisible();
  await expect(next.filter({ hasText: /Load .*Port,/ })).toHaveCount(0);
});
