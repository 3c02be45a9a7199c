import { expect, test, type Page } from '@playwright/test';
import { keptOut } from './support/axe.js';
import { Jokul } from './support/jokul.js';
import { mainPages } from './support/pages.js';

let jokul: Jokul;
test.beforeAll(async () => {
  jokul = await Jokul.start(true);
});
test.afterAll(() => jokul.stop());
test.describe.configure({ mode: 'serial' });

const next = (page: Page) => page.getByRole('button', { name: /^Next: / }).click();
const asks = (page: Page, words: RegExp) => expect(page.getByRole('heading', { level: 1 })).toHaveText(words);

test('a new browser chooses, and a bakery of one’s own is set up from its name to its first plan', async ({
  page,
}) => {
  await page.goto(jokul.url);
  await expect(page).toHaveURL(/\/welcome$/);
  await page.getByRole('button', { name: 'Set up my bakery' }).click();
  await page.getByRole('button', { name: 'Open your own bakery' }).click();
  await page.waitForURL(/\/begin\/bakery/, { timeout: 60_000 });
  await page.getByLabel('Name', { exact: true }).fill('Kestrel Lane');
  await page.getByLabel('Time zone').fill('America/New_York');
  await page.getByLabel('Units on this device').selectOption('us');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'The bakery' })).toContainText('(done)');
  await next(page);

  // Two unlike ovens: the example stays, and a deck of one's own.
  await asks(page, /chambers or decks/);
  await page.getByRole('button', { name: 'Add Deck, 2 trays' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Old deck');
  await page.getByRole('dialog').getByRole('button', { name: 'Add the oven' }).click();
  await expect(page.getByText('Old deck', { exact: true })).toBeVisible();
  await next(page);

  // Trays in inches, planned with.
  await page.getByRole('button', { name: 'Add Half sheet 18 × 13 in' }).click();
  const tray = page.getByRole('dialog');
  await tray.getByLabel('Length inside the rim, in').fill('17 in');
  await tray.getByLabel('Width inside the rim, in').fill('12');
  await tray.getByRole('button', { name: 'Add the tray' }).click();
  await page.getByLabel('Tray to plan with').selectOption({ label: 'Half sheet 18 × 13 in' });
  await expect(page.getByText('17 in long, 12 in wide')).toBeVisible();
  await next(page);

  await page.getByRole('button', { name: 'Add Scale, 11 lb by 0.1 oz' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Add the scale' }).click();
  await expect(page.getByText(/by 0\.10 oz/)).toBeVisible();
  await next(page);
  await asks(page, /dough rest/);
  await next(page);

  // A night shift; what is typed is not left behind without a word.
  await asks(page, /Who works when/);
  await page.getByLabel('From', { exact: true }).fill('22:00');
  await page.getByLabel('To', { exact: true }).fill('06:00');
  await page.getByLabel('Ovens hot from').fill('23:00');
  await page.getByLabel('to', { exact: true }).fill('08:00');
  await next(page);
  await expect(page.getByRole('alert')).toContainText('not saved yet');
  await page.getByRole('button', { name: 'Save shifts and crew' }).click();
  await expect(page.getByText('Shifts, crew and scoops are saved.')).toBeVisible();
  await next(page);

  // An example, and a recipe in cups.
  await page.getByRole('button', { name: 'Use Oat and Raisin' }).click();
  await expect(page.getByRole('list', { name: 'Formulas' })).toContainText('Oat and Raisin');
  await page.getByRole('link', { name: 'Import recipe' }).click();
  await page
    .getByLabel('Paste it, one ingredient per line')
    .fill(
      [
        '2 1/4 cups all-purpose flour',
        '1 tsp baking soda',
        '3/4 tsp salt',
        '1 cup unsalted butter',
        '1 1/2 cups packed light brown sugar',
        '2 large eggs',
        '2 cups dark chocolate chips',
        'Bake at 350 °F for 11 minutes.',
      ].join('\n'),
    );
  await page.getByRole('button', { name: 'spooned, 4.34 oz a cup' }).click();
  await expect(page.getByText(/lines? waits? for an answer/)).toBeHidden();
  await page.getByLabel('Name of the formula').fill('Kestrel Chip');
  await page.getByLabel('Code').fill('KCH');
  await page.getByRole('button', { name: 'Save as formula' }).click();
  await expect(page).toHaveURL(/\/formula\/KCH/);
  await expect(page.getByText(/ at 350 °F /)).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Setting up' })).toContainText('7 of 9 steps done');
});

test('the demo is beside it, with its own records, and the way back is in Setup', async ({ page }) => {
  await page.goto(`${jokul.url}/setup`);
  await expect(page.getByText('Kestrel Lane: house rules')).toBeVisible();
  await page.getByRole('button', { name: 'Open the demo' }).click();
  // All screens change along: it is asked for once more.
  await page.getByRole('dialog').getByRole('button', { name: 'Open the demo' }).click();
  await page.waitForURL(/\/welcome$/, { timeout: 60_000 });
  await expect(page.getByText(/Hollin Quay Bakehouse, a made-up bakery/)).toBeVisible();
  await page.getByRole('button', { name: 'Look at the demo' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Orders' })).toBeVisible();
  await page.goto(`${jokul.url}/setup`);
  await page.getByRole('button', { name: 'Open Kestrel Lane' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Open Kestrel Lane' }).click();
  await page.waitForURL(/\/(begin|orders)/, { timeout: 60_000 });
  await expect(page.getByText('Hollin Quay')).toHaveCount(0);
  await page.goto(`${jokul.url}/begin/formula`);
  await expect(page.getByRole('list', { name: 'Formulas' })).toContainText('Oat and Raisin');
});

test('a second site begins beside it with nothing of the first, and both go on', async ({ page }) => {
  await page.goto(`${jokul.url}/setup`);
  await page.getByRole('button', { name: 'Begin another bakery' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Open another bakery' }).click();
  await page.waitForURL(/\/begin\/bakery/, { timeout: 60_000 });
  await expect(page.getByRole('complementary', { name: 'Setting up' })).toHaveCount(0);
  await page.getByLabel('Name', { exact: true }).fill('Kestrel Lane North');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'The bakery' })).toContainText('(done)');
  await page.goto(`${jokul.url}/begin/formula`);
  // The example is offered anew: what the first site made of it is not here.
  await expect(page.getByRole('button', { name: 'Use Oat and Raisin' })).toBeEnabled();
  await expect(page.getByRole('list', { name: 'Formulas' })).toHaveCount(0);
  await page.goto(`${jokul.url}/setup`);
  await expect(page.getByText('Kestrel Lane North: house rules')).toBeVisible();
  const others = page.getByRole('list', { name: 'Other bakeries' });
  await expect(others.getByRole('button')).toHaveText([
    'Open the demo',
    'Open Kestrel Lane',
    'Begin another bakery',
  ]);
  await others.getByRole('button', { name: 'Open Kestrel Lane' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Open Kestrel Lane' }).click();
  await page.waitForURL(/\/(begin|orders)/, { timeout: 60_000 });
  await page.goto(`${jokul.url}/setup`);
  await expect(page.getByRole('button', { name: 'Open Kestrel Lane North' })).toBeVisible();
});

test('the steps keep nobody out, and fit on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const step of ['bakery', 'ovens', 'trays', 'mixers', 'cold', 'people', 'formula', 'order', 'plan']) {
    await page.goto(`${jokul.url}/begin/${step}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(300);
    const wide = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(wide, `${step} is wider than the phone`).toBeLessThanOrEqual(0);
    expect(await keptOut(page), step).toEqual([]);
  }
});

test('its first order is planned for the night shift', async ({ page }) => {
  await page.goto(`${jokul.url}/begin/order`);
  await page.getByLabel('For', { exact: true }).fill('Corner shop');
  await page.getByLabel('Product').selectOption('OAT');
  await page.getByLabel('Pieces').fill('120');
  await page.getByLabel('Ready by').fill('07:30');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const list = page.getByRole('list', { name: 'Orders of this day' });
  await expect(list).toContainText('Corner shop');
  // The day after, so that the shift of this night does not hang on when the test runs.
  await page.getByRole('button', { name: 'The day after' }).click();
  // Typed too soon it goes into the form of the day that is left.
  await expect(list).toBeHidden();
  await page.getByLabel('For', { exact: true }).fill('Corner shop');
  await page.getByLabel('Product').selectOption('OAT');
  await page.getByLabel('Pieces').fill('120');
  await page.getByLabel('Ready by').fill('07:30');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(list).toContainText('Corner shop');
  await next(page);
  await page.getByRole('button', { name: 'Plan the day' }).click();
  await expect(page.getByText('Oven loads')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('What does not fit')).toHaveCount(0);
  await page.getByRole('button', { name: 'Go to the day' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Day' })).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Setting up' })).toHaveCount(0);
  day = new URL(page.url()).searchParams.get('day') ?? '';
});

/** A day of the plan, and the clock of this bakery put to a moment of it. */
let day = '';
interface Planned {
  readonly batchId: string;
  readonly productCode: string;
  readonly tasks: readonly { readonly kind: string; readonly startS: number }[];
}
const planned = async (code: string): Promise<Planned> => {
  const { plan } = await jokul.api<{ plan: { plan: { batches: readonly Planned[] } } }>('GET', `days/${day}`);
  const batch = plan.plan.batches.find(({ productCode }) => productCode === code);
  if (!batch) throw new Error(`No ${code} is planned on ${day}.`);
  return batch;
};
const startOf = ({ tasks }: Planned, kind: string): number => {
  const found = tasks.find((task) => task.kind === kind);
  if (!found) throw new Error(`There is no ${kind} in its plan.`);
  return found.startS;
};
const putClock = (atS: number) => {
  const [date, time] = new Date(atS * 1000)
    .toLocaleString('sv-SE', { timeZone: 'America/New_York' })
    .split(' ') as [string, string];
  return jokul.api('PUT', 'clock', { mode: 'frozen', date, time: time.slice(0, 5) });
};

test('what was planned is mixed, rested, portioned, baked and logged, in ounces and °F', async ({ page }) => {
  page.setDefaultTimeout(15_000);
  const batch = await planned('OAT');
  const { batchId } = batch;
  const at = (kind: string, laterS = 0) => putClock(startOf(batch, kind) + laterS);
  const open = (path: string) => page.goto(`${jokul.url}/${path}?day=${day}`);
  await open('setup');
  await page.getByLabel(/^Units/).selectOption('us');
  await at('mix');
  await open(`mix/${batchId}`);
  const scale = page.getByRole('form', { name: /^On the scale/ });
  await expect(scale).toBeVisible();
  for (let i = 0; i < 20 && (await scale.count()) > 0; i++) {
    const name = (await scale.getAttribute('aria-label')) ?? '';
    const target = /Target ([\d.]+) oz/.exec(
      (await scale.locator('#target').getAttribute('aria-label')) ?? '',
    );
    await scale.getByLabel(/^Reading/).fill(target?.[1] ?? '');
    await scale.getByRole('button', { name: 'Weighed', exact: true }).click();
    await expect(page.getByRole('form', { name, exact: true })).toHaveCount(0);
  }
  await page.getByLabel('Dough off the mixer, °F').fill('72');
  await page.getByRole('button', { name: 'Mixing done' }).click();
  await expect(page.getByText(/^Mixed at .* dough at 72.0 °F/)).toBeVisible();

  // No probe hangs in the fridge: nothing is made up, and nothing is silent.
  await open(`rest/${batchId}`);
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Oat and Raisin in the fridge');
  await expect(page.getByText(/Computed with the air as it is set/)).toBeVisible();
  await expect(page.getByText(/The probe has told nothing|Air by the probe/)).toHaveCount(0);

  await at('portion');
  await open(`rest/${batchId}`);
  await page.getByRole('button', { name: 'Take it out' }).click();
  await open(`portion/${batchId}`);
  // A press that cannot be done yet says why.
  await expect(page.getByText('Count the pieces first.')).toBeVisible();
  await page.getByLabel('Pieces counted').fill('120');
  await expect(page.getByText('Weigh what is left over: 0 for none.')).toBeVisible();
  await page.getByLabel('Left over, oz').fill('0.5');
  await page.getByRole('button', { name: 'Portioning done' }).click();
  await expect(page.getByText(/^Portioned at .*: 120 pieces/)).toBeVisible();

  const press = async (name: RegExp) => {
    await open('floor');
    await page.getByRole('button', { name }).first().click();
  };
  const does = (what: string) => new RegExp(`^${what} ${batchId}-L1`);
  await at('bake');
  await press(does('Load'));
  await at('bake', 300);
  await press(does('Turn'));
  await at('tray-rest');
  await press(does('Pull'));
  await at('rack');
  await press(does('Rack'));
  await open(`log/${batchId}`);
  await expect(page.getByRole('row', { name: new RegExp(`^${batchId}`) })).toContainText('120 pieces');
  await page
    .getByRole('button', { name: new RegExp(`^Measure ${batchId}-L1-T1`) })
    .first()
    .click();
  await page.getByRole('dialog').getByLabel('Diameter, in').fill('3.2');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  // Nothing of the demo shows.
  for (const path of mainPages) {
    await open(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText(/Quay|Keel|Starboard|Hollin|Ferry galley/)).toHaveCount(0);
  }
});
