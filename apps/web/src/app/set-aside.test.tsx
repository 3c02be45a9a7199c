import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { OutboxItem } from '../journal/outbox';
import { usePreferences } from '../lib/preferences';
import { useJournal } from '../journal/store';
import { SetAside, UnkeptWarning } from './set-aside';

const blank = useJournal.getState();
afterEach(() => {
  cleanup();
  act(() => useJournal.setState(blank, true));
  usePreferences.setState({ units: 'metric' });
});

const item = (id: string, massG: number): OutboxItem =>
  ({
    entry: {
      id,
      atMs: 0,
      who: 'Aud',
      device: 'tablet',
      lot: 'GNG-26-417-H',
      kind: 'weighed',
      payload: { key: 'butter', massG },
    },
    refused: 'The mass must be above 0.',
  }) as unknown as OutboxItem;

describe('an entry that was refused', () => {
  it('is in sight with its reason, and how many more there are', () => {
    useJournal.setState({ refused: [item('a', -5), item('b', -6), item('c', -7)] });
    render(<SetAside />);
    expect(document.body.textContent).toContain('The mass must be above 0.');
    expect(document.body.textContent).toContain('2 more like it');
    expect(document.body.textContent).toContain('kept on this device');
  });
  it('can be mended by its figures, a comma too; a figure that is none cannot be sent', async () => {
    const user = userEvent.setup();
    useJournal.setState({ refused: [item('a', -5)] });
    render(<SetAside />);
    await user.click(screen.getByRole('button', { name: 'Correct' }));
    const field = await screen.findByLabelText('mass, g');
    const send = screen.getByRole<HTMLButtonElement>('button', { name: 'Send again' });
    await user.clear(field);
    expect(send.disabled).toBe(true);
    await user.type(field, 'twelve');
    expect(send.disabled).toBe(true);
    await user.clear(field);
    await user.type(field, '250,5');
    expect(send.disabled).toBe(false);
  });
  it('is in the units of the device, and what nobody touched is sent to the last digit', async () => {
    usePreferences.setState({ units: 'us' });
    const user = userEvent.setup();
    const one = item('a', 340.194);
    const entry = {
      ...one.entry,
      kind: 'mixed',
      payload: { massG: 340.194, doughC: 22, mixS: 300, note: 'soft' },
    };
    useJournal.setState({ refused: [{ ...one, entry } as unknown as OutboxItem] });
    render(<SetAside />);
    await user.click(screen.getByRole('button', { name: 'Correct' }));
    const value = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;
    expect([value('mass, oz'), value('dough, °F'), value('mix s'), value('note')]).toEqual([
      '12',
      '71.6',
      '300',
      'soft',
    ]);
    await user.clear(screen.getByLabelText('dough, °F'));
    await user.type(screen.getByLabelText('dough, °F'), '68');
    await user.click(screen.getByRole('button', { name: 'Send again' }));
    const sent = () => useJournal.getState().pending[0]?.entry.payload as Record<string, unknown> | undefined;
    await waitFor(() => expect(sent()).toMatchObject({ massG: 340.194, mixS: 300, note: 'soft' }));
    expect(sent()?.doughC).toBeCloseTo(20, 3);
  });
  it('shows all the digits that were sent', async () => {
    useJournal.setState({ refused: [item('a', 10_432.5)] });
    render(<SetAside />);
    await userEvent.click(screen.getByRole('button', { name: 'Correct' }));
    expect((await screen.findByLabelText<HTMLInputElement>('mass, g')).value).toBe('10432.5');
  });
  it('is struck only when that is pressed twice', async () => {
    const user = userEvent.setup();
    useJournal.setState({ refused: [item('a', -5)] });
    render(<SetAside />);
    await user.click(screen.getByRole('button', { name: 'Correct' }));
    await user.click(screen.getByRole('button', { name: 'Strike entry' }));
    expect(useJournal.getState().refused).toHaveLength(1);
    expect(screen.getByRole('button', { name: 'Press again to strike it' })).toBeTruthy();
  });
  it('is no trouble of a page that has none', () => {
    const { container } = render(<SetAside />);
    expect(container.innerHTML).toBe('');
  });
});

describe('a browser that keeps nothing', () => {
  it.each([
    [0, 'nothing is waiting now'],
    [1, '1 entry is not there yet'],
    [3, '3 entries are not there yet'],
  ])('says so with %d at risk', (count, words) => {
    useJournal.setState({
      keeps: false,
      unkept: new Set(Array.from({ length: count }, (_, i) => String(i))),
    });
    render(<UnkeptWarning />);
    expect(document.body.textContent).toContain(words);
  });
  it('and says nothing where entries are kept', () => {
    const { container } = render(<UnkeptWarning />);
    expect(container.innerHTML).toBe('');
  });
});
