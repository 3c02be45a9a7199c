import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentProps } from 'react';
import {
  demoFormulas,
  emptyLot,
  lotRecord,
  type AgeRules,
  type Formula,
  type LotState,
  type TrayState,
} from '@jokul/core';
import { usePreferences } from '../lib/preferences';

/* What is typed on a device of another unit reaches the log in the log's own. */
const logged: { kind: string; payload: Record<string, unknown> }[] = [];
const bakery = { formulas: [] as readonly Formula[] };
const floor = { lots: new Map<string, LotState>() };
jest.unstable_mockModule('../journal/store', () => ({
  record: (kind: string, _lot: string, payload: Record<string, unknown>) =>
    void logged.push({ kind, payload }),
  useJournal: (read: (state: object) => unknown) =>
    read({ floor: { lots: floor.lots }, session: [], pending: [], refused: [] }),
}));
jest.unstable_mockModule('../line/dough-now', () => ({ useDoughNow: () => null }));
jest.unstable_mockModule('../lib/queries', () => ({
  queryClient: {},
  useBakery: () => (bakery.formulas.length > 0 ? { data: { formulas: bakery.formulas } } : {}),
  refreshRows: async () => undefined,
}));
const { NeedleCore } = await import('./needle-core');
const { InspectTray } = await import('../log/inspect-tray');
const { LotParts } = await import('./lot-parts');

beforeEach(() => {
  usePreferences.setState({ units: 'us' });
});
afterEach(() => {
  cleanup();
  logged.length = 0;
  usePreferences.setState({ units: 'metric' });
});

describe('on a device of ounces and Fahrenheit', () => {
  const needle = () =>
    render(
      <NeedleCore
        batchId="GNG-26-1-F"
        stay={{ cores: [] } as unknown as ComponentProps<typeof NeedleCore>['stay']}
        placeName="walk-in"
        evened={false}
        answer={undefined}
      />,
    );
  it('a probe reading of 41 is 5 °C', async () => {
    needle();
    await userEvent.type(screen.getByLabelText('Core, °F'), '41{enter}');
    expect(logged).toEqual([{ kind: 'measured', payload: { what: 'dough', temperatureC: 5 } }]);
  });
  it('a reading in the other unit is understood where it is said', async () => {
    needle();
    await userEvent.type(screen.getByLabelText('Core, °F'), '5 C{enter}');
    expect(logged[0]?.payload).toEqual({ what: 'dough', temperatureC: 5 });
  });
  it('what cannot be is refused, with its limits in that unit', async () => {
    needle();
    await userEvent.type(screen.getByLabelText('Core, °F'), '150{enter}');
    expect(screen.getByText('−31 to 113 °F')).toBeTruthy();
    expect(logged).toEqual([]);
  });
  it('a measured tray is logged in millimetres and Celsius', async () => {
    const tray = {
      trayId: 'GNG-26-1-F-L1-T1',
      batchId: 'GNG-26-1-F',
      loaded: { atMs: 0 },
      pulled: { atMs: 720_000 },
      inspected: null,
    } as unknown as TrayState;
    render(<InspectTray tray={tray} onClose={() => undefined} />);
    await userEvent.type(screen.getByLabelText(/Core at the pull, °F/), '203');
    await userEvent.type(screen.getByLabelText(/Diameter, in/), '3 1/8');
    await userEvent.type(screen.getByLabelText(/Height, in/), '0.4');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    expect(logged[0]).toMatchObject({
      kind: 'inspected',
      payload: {
        coreC: expect.closeTo(95, 1),
        diameterMm: expect.closeTo(79.375, 2),
        heightMm: expect.closeTo(10.16, 2),
      },
    });
  });

  const inATub = (): LotState => ({
    ...emptyLot('GNG-26-1-F'),
    mixed: { atMs: 0, who: 'Mix hand', doughC: 22, massG: 4000, missing: [] } as unknown as LotState['mixed'],
  });
  const parts = async () => {
    const user = userEvent.setup();
    render(
      <LotParts
        lot={inATub()}
        formula={demoFormulas.find(({ code }) => code === 'GNG') as Formula}
        rules={{ kindOf: () => 'walk-in' } as unknown as AgeRules}
      />,
    );
    await user.click(screen.getByRole('button', { name: 'Parts' }));
    await user.selectOptions(screen.getByLabelText('What'), 'discard');
    await user.type(screen.getByLabelText('Why'), 'fell on the floor');
    return user;
  };
  it('a part of a tub is weighed in ounces, or as it is said, and logged in grams', async () => {
    const user = await parts();
    await user.type(screen.getByLabelText('Weight, oz'), '16');
    await user.click(screen.getByRole('button', { name: 'Throw away' }));
    expect(logged[0]).toMatchObject({ kind: 'discarded', payload: { massG: expect.closeTo(453.59, 1) } });
  });
  it('a part of a tub becomes another product of the same dough, and of none that is another dough', async () => {
    const gng = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
    const large: Formula = { ...gng, code: 'GNL', name: 'Ginger Large', piece: { ...gng.piece, massG: 70 } };
    bakery.formulas = [...demoFormulas, large];
    const user = await parts();
    expect(screen.queryByLabelText('To become')).toBeNull();
    await user.selectOptions(screen.getByLabelText('What'), 'split');
    const choice = screen.getByLabelText<HTMLSelectElement>('To become');
    expect([...choice.options].map(({ text }) => text)).toEqual([
      `${gng.name}, as it is`,
      'Ginger Large, 2.47 oz a piece',
    ]);
    await user.selectOptions(choice, 'GNL');
    await user.type(screen.getByLabelText('Weight, oz'), '1 lb');
    await user.click(screen.getByRole('button', { name: 'Split off' }));
    expect(logged[0]).toMatchObject({ kind: 'split', payload: { into: 'GNG-26-1-F.2' } });
    expect(logged[1]).toMatchObject({
      kind: 'begun',
      payload: { productCode: 'GNL', formula: { code: 'GNL', piece: { massG: 70 } } },
    });
    bakery.formulas = [];
  });
  it('dough that is worked in goes along with its age and with what it declares', async () => {
    const made = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
    const older: Formula = { ...made, toppings: [{ ingredientId: 'sesame', percent: 3 }] };
    const record = lotRecord(older, { massG: 900, pieces: 0, day: null, mixerId: null });
    const stay = { atMs: 0, outMs: null, placeId: 'walk-in', form: 'tub', massG: 900, pieces: 0, startC: 8 };
    floor.lots.set('GNG-26-2-G', {
      ...emptyLot('GNG-26-2-G'),
      begun: { ...record, atMs: 0, who: 'x', entryId: 'b' },
      stays: [{ ...stay, cores: [], taken: [], out: null, who: 'x', entryId: 's', cover: 'covered' }],
    } as unknown as LotState);
    const user = await parts();
    await user.selectOptions(screen.getByLabelText('What'), 'merge');
    await user.selectOptions(screen.getByLabelText('From the lot'), 'GNG-26-2-G');
    await user.type(screen.getByLabelText('Weight, oz'), '500 g');
    await user.click(screen.getByRole('button', { name: 'Work in' }));
    floor.lots.clear();
    expect(logged.map(({ kind }) => kind)).toEqual(['merged', 'split']);
    expect(logged[0]?.payload).toMatchObject({
      from: 'GNG-26-2-G',
      massG: 500,
      age: { stays: 1 },
      allergens: expect.arrayContaining(['sesame', 'wheat']),
    });
  });
  it('a part is no more than there is, nor nothing', async () => {
    const user = await parts();
    const weight = screen.getByLabelText('Weight, oz');
    for (const [typed, says] of [
      ['10 lb', 'There are only 8.82 lb.'],
      ['0', 'A weight above 0.'],
      ['much', 'A weight above 0.'],
    ] as const) {
      await user.clear(weight);
      await user.type(weight, typed);
      expect(screen.getByText(says)).toBeTruthy();
      expect(screen.getByRole('button', { name: 'Throw away' }).hasAttribute('disabled')).toBe(true);
    }
    await user.clear(weight);
    await user.type(weight, '500 g');
    await user.click(screen.getByRole('button', { name: 'Throw away' }));
    expect(logged[0]?.payload.massG).toBe(500);
  });
});
