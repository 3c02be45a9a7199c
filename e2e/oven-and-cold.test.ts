import { expect, test, type Page } from '@playwright/test';
import { openAt } from './support/at-hand.js';
import { Jokul } from './support/jokul.js';

/* A formula is chilled, test baked, measured, learned from; the next tray's pull changes. A fridge fails and says so. */

let jokul: Jokul;
/** The first load in Starboard of a lot that has another one, with another product to come there: what the plan makes of it. */
const loadInStarboard = async (): Promise<string> => {
  const all = await loads();
  const there = all.filter(({ ovenId }) => ovenId === 'starboard').sort((a, b) => a.startS - b.startS);
  const found = there.find(
    ({ id, startS }) =>
      all.filter((other) => lotOf(other.id) === lotOf(id)).length > 1 &&
      there.some((other) => codeOf(other.id) !== codeOf(id) && other.startS > startS),
  );
  if (!found) throw new Error('Starboard has no such load.');
  return found.id;
};
const lotOf = (id: string) => id.replace(/-L\d+$/, '');
const codeOf = (id: string) => id.split('-')[0] ?? '';

test.beforeAll(async () => {
  jokul = await Jokul.start();
  load = await loadInStarboard();
});
test.afterAll(() => jokul.stop());

const date = '2026-11-27';
let load = '';

interface Change {
  readonly code: string;
  readonly ovenId: string;
  readonly nowS: number;
  readonly thenS: number;
}
interface Calibration {
  readonly version: number;
  readonly inForce: { readonly bakes: number } | null;
  readonly changes: readonly Change[];
  readonly bakes: readonly { readonly trayId: string; readonly test: boolean }[];
}
interface PlanLoad {
  readonly id: string;
  readonly ovenId: string;
  readonly pullS: number;
  readonly startS: number;
}
const calibration = () => jokul.api<Calibration>('GET', `days/${date}/calibration`);
const loads = async (): Promise<readonly PlanLoad[]> => {
  const day = await jokul.api<{ plan: { plan: { batches: { loads: PlanLoad[] }[] } } }>(
    'GET',
    `days/${date}`,
  );
  return day.plan.plan.batches.flatMap((batch) => batch.loads);
};
const pullOf = async (id: string) => (await loads()).find((l) => l.id === id)?.pullS ?? 0;
const open = (page: Page, path: string) => openAt(page, `${jokul.url}${path}`);

test('a few pieces are baked first, measured and learned from; the rest of the day is timed by them', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await jokul.setClock('04:05');
  await open(page, `/bake/${load}`);
  const part = page.getByRole('region', { name: 'Test bake' });
  await part.getByRole('button', { name: 'Bake a few first' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Pieces', { exact: true }).fill('14');
  await expect(dialog.getByText('1 to 12')).toBeVisible();
  await dialog.getByLabel('Pieces', { exact: true }).fill('5');
  await dialog.getByLabel('Place in the oven').selectOption('3');
  await dialog.getByRole('button', { name: 'Log the load' }).click();
  await expect(part.getByText(/5 pieces at place 3 of Starboard: pull at/)).toBeVisible();

  // Some minutes later it is pulled, racked and measured: darker and drier than the untouched model says.
  await jokul.setClock('04:26');
  await page.reload();
  await part.getByRole('button', { name: 'Pull' }).click();
  await part.getByRole('button', { name: 'Rack' }).click();
  await part.getByRole('button', { name: 'Measure it' }).click();
  await dialog.getByLabel('Core at the pull, °C').fill('101');
  await dialog.getByLabel('Diameter, mm').fill('76');
  await dialog.getByLabel('Bake loss, %').fill('11');
  await dialog.getByLabel('Colour score').fill('90');
  await dialog.getByLabel('The gap').selectOption('touched');
  await dialog.getByRole('button', { name: 'Log it' }).click();

  // What it taught, and what that changes.
  await expect(part.getByRole('table', { name: 'Pulls of the loads to come' })).toBeVisible({
    timeout: 90_000,
  });
  const learned = await calibration();
  expect(learned.bakes.find(({ test: few }) => few)?.trayId).toBe(`${load}-test-T3`);
  expect(learned.inForce).toBeNull();
  // Another product that is still to be baked in the same oven.
  const change = learned.changes.find(({ code, ovenId }) => ovenId === 'starboard' && code !== codeOf(load));
  const next = (await loads()).find(
    ({ id, ovenId, pullS }) =>
      ovenId === 'starboard' &&
      id.startsWith(`${change?.code}-`) &&
      Math.abs(pullS - (change?.nowS ?? 0)) < 2,
  )?.id;
  if (!change || !next) throw new Error('Starboard has no other load to come.');
  const before = await pullOf(next);
  // Starboard has been drifting hot: everything in it comes out earlier now.
  expect(change.thenS).toBeLessThan(before - 30);
  await part.getByRole('button', { name: 'Use for the rest of the day' }).click();
  await expect(part.getByRole('button', { name: 'In use' })).toBeVisible({ timeout: 90_000 });

  // The next tray in that oven is pulled as computed, on the plan and on the page.
  const after = await pullOf(next);
  expect(Math.abs(after - change.thenS)).toBeLessThan(3);
  await open(page, `/bake/${next}`);
  await expect(page.getByText(/calibrated by \d+ logged bakes/).first()).toBeVisible();
  await expect(page.getByText(/Pieces touched/)).toBeHidden();
  const sister = (await loads()).find(({ id }) => lotOf(id) === lotOf(load) && id !== load)?.id ?? '';
  await open(page, `/bake/${sister}`);
  await expect(page.getByText(/Pieces touched on the last tray: with a gap of/)).toBeVisible();

  // It can be taken back, and then the pull is what it was.
  await open(page, '/log/learned');
  await page.getByRole('button', { name: 'Undo' }).click();
  // What is in force is known at once; what the bakes say is learned anew beside it.
  const inForce = async () => (await jokul.api<{ learned: object | null }>('GET', 'bakery')).learned;
  await expect.poll(inForce, { timeout: 60_000 }).toBeNull();
  await expect.poll(() => pullOf(next), { timeout: 90_000 }).toBe(before);

  // A bake that is left out is not learned from.
  const box = page.getByRole('checkbox', { name: `Learn from ${load}-test-T3` });
  await box.click();
  await expect(page.getByText(/^\d+ measured bakes of the last five weeks/)).toBeVisible();
  await expect(box).not.toBeChecked({ timeout: 60_000 });
});

test('the bake is cut open, compared and run as a whole load, by keyboard', async ({ page }) => {
  test.setTimeout(240_000);
  await jokul.setClock('04:30');
  await open(page, `/bake/${jokul.lot('LEM')}-L1`);
  await page.getByRole('tab', { name: 'This load' }).focus();
  await page.keyboard.press('ArrowRight');
  const cut = page.getByRole('img', { name: /^Cut at 1[1-3] minutes/ });
  await expect(cut).toBeVisible({ timeout: 40_000 });
  const time = page.getByRole('slider', { name: 'Time of the cut' });
  await time.focus();
  await page.keyboard.press('Home');
  await expect(page.getByRole('img', { name: /^Cut at 0 minutes: 4\d mm wide/ })).toBeVisible();
  await page.keyboard.press('End');
  await expect(page.getByText('on the rack', { exact: true })).toBeVisible();

  await page.getByRole('tab', { name: 'Whole load' }).click();
  const places = page.getByRole('table', { name: 'Pulls by place' });
  await expect(places.getByRole('row')).toHaveCount(6, { timeout: 40_000 });
  await page.getByRole('button', { name: 'turn, and top to bottom' }).click();
  await expect(page.getByText(/Its places are done/)).toBeVisible();

  await page.getByRole('tab', { name: 'What if' }).click();
  const table = page.getByRole('table', { name: 'Bakes side by side' });
  await page.getByRole('button', { name: 'dark tray' }).click();
  await expect(table.getByText(/underside (much )?darker/)).toBeVisible({ timeout: 60_000 });
  await expect(table.getByText(/min.* later/)).toBeVisible();
  await page.getByRole('button', { name: 'in Keel upper deck' }).click();
  await expect(table.getByRole('columnheader', { name: /^in Keel upper deck/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^Pull after/ })).not.toContainText('…', { timeout: 60_000 });

  await page.getByRole('tab', { name: 'Time and heat' }).click();
  await page.getByLabel('In the oven, min').fill('11');
  await expect(page.getByText(/takes an oven at/)).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('In the oven, min').fill('1');
  await expect(page.getByText('3 to 60')).toBeVisible();
});

test('a walk-in that failed warms the dough: one alarm says so, and the load waits', async ({ page }) => {
  test.setTimeout(240_000);
  await jokul.setClock('04:04');
  const { nowMs } = await jokul.api<{ nowMs: number }>('GET', 'clock');
  const { version } = await jokul.api<{ version: number }>('GET', 'probes');
  await open(page, '/rest?at=places');
  await expect(page.getByRole('table', { name: 'Use first' }).getByRole('row').nth(1)).toBeVisible();

  // The machine was off since one o'clock; the baker finds it and puts it right.
  await jokul.api('PUT', 'probes/faults', {
    version,
    faults: [{ placeId: 'walk-in', kind: 'machine-off', fromMs: Math.round(nowMs) - 3 * 3600e3, toMs: null }],
  });
  await expect(page.getByText('Walk-in is too warm.')).toBeVisible({ timeout: 60_000 });
  await expect(
    page.getByText(new RegExp(`Not cold, or warm again, while this lasts: .*${jokul.lot('GNG')}`)),
  ).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'Clear the fault' }).click();
  const start = (await loads()).find(({ id }) => id === `${jokul.lot('GNG')}-L1`)?.startS ?? 0;

  // Some minutes on the air is right again, the dough is not: its load has to wait, and says for how long.
  await jokul.setClock('04:22');
  await page.reload();
  await expect(page.getByText(new RegExp(`${jokul.lot('GNG')} waits \\d+`))).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Delay the loads' }).click();
  await expect
    .poll(async () => (await loads()).find(({ id }) => id === `${jokul.lot('GNG')}-L1`)?.startS ?? 0, {
      timeout: 60_000,
    })
    .toBeGreaterThan(start);
  await expect(page.getByText(new RegExp(`${jokul.lot('GNG')} waits`))).toBeHidden({ timeout: 60_000 });
});

test('dough past its window is loaded only on a decision that is written down', async ({ page }) => {
  await jokul.setClock('12:30');
  await open(page, `/bake/${jokul.lot('NIB')}-L2`);
  await page.getByRole('button', { name: 'Load', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: /is past its window/ });
  await expect(dialog.getByRole('button', { name: /Load it/ })).toBeDisabled();
  await dialog.getByLabel('Why it may still be baked').fill('Head baker smelled and baked one: good.');
  await dialog.getByRole('button', { name: /Load it/ }).click();
  await expect(dialog).toBeHidden();
  interface Entry {
    readonly kind: string;
    readonly lot: string;
    readonly payload: { readonly reason?: string; readonly loadId?: string };
  }
  const entries = async () => (await jokul.api<{ entries: Entry[] }>('GET', 'journal?since=0')).entries;
  await expect
    .poll(async () => (await entries()).find(({ kind }) => kind === 'released')?.payload.reason)
    .toMatch(/Head baker/);
  await expect
    .poll(async () =>
      (await entries()).some(
        ({ kind, payload }) => kind === 'loaded' && payload.loadId === `${jokul.lot('NIB')}-L2`,
      ),
    )
    .toBe(true);
});

test('a life from place to place answers when it is cold, soft and must come out', async ({ page }) => {
  await jokul.setClock('04:20');
  await open(page, `/rest/${jokul.lot('GNG')}?at=life`);
  const happens = page.getByRole('table', { name: 'What happens on the way' });
  await expect(happens.getByText(/after/).first()).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Add step' }).click();
  await page.getByLabel('Place of step 3').selectOption({ label: 'Bench, 24 °C' });
  await page.getByLabel('Hours of step 3').fill('3');
  const soft = happens.getByRole('row', { name: /Too soft to keep its shape/i });
  await expect(soft).toContainText('after', { timeout: 60_000 });
  await page.getByLabel('Hours of step 3').fill('nothing');
  await expect(page.getByText('0.02 to 240 h')).toBeVisible();
  const bench = page.getByRole('region', { name: 'How long on the bench' });
  await expect(bench.getByRole('status')).toContainText('min', { timeout: 60_000 });
  await expect(page.getByRole('region', { name: 'When must it come out' }).getByRole('status')).toContainText(
    'before',
    { timeout: 60_000 },
  );
  await open(page, `/rest/${jokul.lot('GNG')}/labels`);
  await expect(page.getByText(/not after Fri 27 Nov/).first()).toBeVisible();
});
