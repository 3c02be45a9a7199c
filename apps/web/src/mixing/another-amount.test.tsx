import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoEquipment, demoFormulas, demoRules, type Formula } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { AnotherAmount } from './another-amount';

const blank = usePreferences.getState();
afterEach(() => {
  cleanup();
  act(() => {
    usePreferences.setState(blank, true);
  });
});

const formula = demoFormulas.find(({ code }) => code === 'RYE') as Formula;
const equipment = {
  ...demoEquipment,
  scales: [{ id: 'scale-7', name: 'Floor scale', maxMassG: 60_000, resolutionG: 1 }],
};
const show = () =>
  render(
    <AnotherAmount
      formula={formula}
      equipment={equipment}
      rules={demoRules}
      perTray={12}
      onClose={() => undefined}
    />,
  );
const amount = async (kind: string) =>
  userEvent.setup().selectOptions(screen.getByLabelText('Made for'), kind);

describe('a formula for another amount', () => {
  it('has a sheet that names the scales as the bakery does', () => {
    show();
    expect(screen.getAllByText('Floor scale').length).toBeGreaterThan(3);
    expect(screen.queryByText('scale-7')).toBeNull();
  });

  it('asks for stock, and shows the sheet, in the units of the device', async () => {
    act(() => {
      usePreferences.setState({ units: 'us' });
    });
    show();
    await amount('stock');
    const [first] = screen.getAllByLabelText<HTMLInputElement>(/^Stock of .*, oz$/);
    expect(first?.placeholder).toBe('oz');
    await amount('pieces');
    expect(screen.getByRole('table').textContent).toMatch(/\d oz/);
    expect(screen.getByRole('table').textContent).not.toMatch(/\d g/);
  });

  it('finds what runs out first', async () => {
    const user = userEvent.setup();
    show();
    await amount('stock');
    for (const field of screen.getAllByLabelText(/^Stock of /)) await user.type(field, '5000');
    const [short] = screen.getAllByLabelText(/^Stock of .*[Rr]ye/);
    if (!short) throw new Error('no rye flour');
    await user.clear(short);
    await user.type(short, '100');
    expect(screen.getAllByText('runs out first')).toHaveLength(1);
    expect(short.closest('label')?.textContent).toContain('runs out first');
  });

  it('says what cannot be, and goes on', async () => {
    const user = userEvent.setup();
    show();
    const pieces = screen.getByLabelText('Pieces');
    await user.clear(pieces);
    await user.type(pieces, '-4');
    expect(screen.getByRole('alert').textContent).not.toBe('');
    await user.clear(pieces);
    await user.type(pieces, '120');
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
