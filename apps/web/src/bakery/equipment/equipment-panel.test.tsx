import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { Toaster } from 'sonner';
import { demoEquipment, demoRules, equipmentToCsv, type Equipment } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { usePreferences } from '../../lib/preferences';
import { LinerOptions } from '../../words/liner-options';
import { EquipmentPanel } from './equipment-panel';
import { PeoplePanel } from './people-panel';

/** The server: takes equipment, or refuses it. */
const server = {
  refuse: null as { status: number; message: string } | null,
  puts: [] as (Equipment & { version: number })[],
};
const bakery = (equipment: Equipment = demoEquipment, equipmentVersion = 1): BakeryView =>
  ({ name: 'x', equipment, equipmentVersion, rules: demoRules, formulas: [] }) as unknown as BakeryView;

beforeEach(() => {
  usePreferences.getState().set({ units: 'metric' });
  Object.assign(server, { refuse: null, puts: [] });
  Object.assign(globalThis, {
    fetch: async (_path: string, init?: { method?: string; body?: string }) => {
      const answer = (status: number, body: object) => ({
        ok: status < 400,
        status,
        text: async () => JSON.stringify(body),
      });
      if (init?.method !== 'PUT') return answer(200, bakery());
      const put = JSON.parse(init.body ?? '{}') as Equipment & { version: number };
      server.puts.push(put);
      if (server.refuse)
        return answer(server.refuse.status, { code: 'x', message: server.refuse.message, path: '' });
      const { version, ...equipment } = put;
      return answer(200, bakery(equipment, version + 1));
    },
  });
});
afterEach(cleanup);

const show = (panel: React.ReactNode) => {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter>
        {panel}
        <Toaster />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return userEvent.setup();
};
const list = (name: string) => within(screen.getByRole('region', { name }));

describe('the equipment in Setup', () => {
  it('says each thing in a line, in the units of the device', () => {
    show(<EquipmentPanel bakery={bakery()} />);
    expect(
      list('Ovens').getByText('moved by a fan, 5 trays at once, 8 °C a minute', {
        selector: 'li:first-child *',
      }),
    ).toBeTruthy();
    expect(list('Trays').getByText(/600 mm long, 400 mm wide, 36 of them/)).toBeTruthy();
    cleanup();
    usePreferences.getState().set({ units: 'us' });
    show(<EquipmentPanel bakery={bakery()} />);
    expect(list('Ovens').getAllByText(/14.4 °F a minute/)).toHaveLength(2);
    expect(list('Trays').getByText(/23.62 in long, 15.75 in wide, 36 of them/)).toBeTruthy();
  });
  it('a new one gets a name of its own to be kept under', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    await user.click(screen.getByRole('button', { name: 'Add a mixer' }));
    await user.type(screen.getByLabelText(/^Name/), '40 L planetary, new');
    await user.click(screen.getByRole('button', { name: 'Add the mixer' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(server.puts[0]?.mixers.at(-1)).toMatchObject({ id: '40-l-planetary-new', bowlL: 20 });
    expect(server.puts[0]?.version).toBe(1);
  });
  it('a copy begins with the figures of the other one, and stands behind it', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const [port] = demoEquipment.ovens;
    await user.click(screen.getByRole('button', { name: 'Copy Port' }));
    expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe('Port, another');
    await user.clear(screen.getByLabelText(/^Name/));
    await user.type(screen.getByLabelText(/^Name/), 'Mole');
    await user.click(screen.getByRole('button', { name: 'Add the oven' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    const ids = server.puts[0]?.ovens.map(({ id }) => id);
    expect(ids?.slice(0, 2)).toEqual(['port', 'mole']);
    expect(server.puts[0]?.ovens[1]).toEqual({ ...port, id: 'mole', name: 'Mole' });
  });
  it('one is moved up, the first is not', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    expect(screen.queryByRole('button', { name: 'Move Port up' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Move Starboard up' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    const before = demoEquipment.ovens.map(({ id }) => id);
    expect(server.puts[0]?.ovens.map(({ id }) => id)).toEqual([before[1], before[0], ...before.slice(2)]);
  });
  it('breaks are typed with their shift, and what is no time is said', async () => {
    const user = show(<PeoplePanel bakery={bakery()} />);
    const [first] = demoEquipment.shifts;
    const field = screen.getByLabelText(`Breaks of ${first?.name}`);
    await user.type(field, '6 to 7');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    expect((await screen.findByRole('alert')).textContent).toContain('a break is written 09:00-09:30');
    await user.clear(field);
    await user.type(field, '06:00-06:20, 09:00 - 09:30');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.shifts[0]?.breaks).toEqual([
      { from: '06:00', to: '06:20' },
      { from: '09:00', to: '09:30' },
    ]);
  });
  it('scoops are typed by their number or by what they hold, and the table says all of it', async () => {
    const user = show(<PeoplePanel bakery={bakery({ ...demoEquipment, scoops: [16, 21.0301, 40] })} />);
    const field = screen.getByLabelText<HTMLInputElement>('Scoops, by number or by what they hold');
    expect(field.value).toBe('16, 45 mL, 40');
    const save = () => user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await user.type(field, ', 2 litres');
    await save();
    expect((await screen.findByRole('alert')).textContent).toContain('"2 litres" is no scoop');
    expect(screen.queryByRole('table', { name: 'What the scoops hold' })).toBeNull();
    await user.clear(field);
    await user.type(field, '40,30, 45 mL, 45,5 mL; 1/4 cup, No. 50, 2 in');
    await save();
    await waitFor(() => expect(server.puts).toHaveLength(1));
    // A scoop that was there stays what it was, to the last digit.
    const sent = server.puts[0]?.scoops ?? [];
    expect(sent).toContain(21.0301);
    expect(sent.map((number) => Math.round(number * 10) / 10)).toEqual([16, 20.8, 21, 27.6, 30, 40, 50]);
    const table = screen.getByRole('table', { name: 'What the scoops hold', hidden: true });
    expect(within(table).getByRole('row', { name: /^No\. 16/, hidden: true }).textContent).toContain(
      '59.14¼48 mm71 g',
    );
  });
  it('what the server refuses is said in the form, and what was typed stays', async () => {
    server.refuse = { status: 409, message: 'Somebody else changed this meanwhile.' };
    const user = show(<EquipmentPanel bakery={bakery()} />);
    await user.click(screen.getByRole('button', { name: 'Change Starboard' }));
    const places = screen.getByLabelText<HTMLInputElement>(/^Trays at once/);
    await user.clear(places);
    await user.type(places, '6');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Somebody else changed');
    expect(screen.getByLabelText<HTMLInputElement>(/^Trays at once/).value).toBe('6');
  });
  it('the last of a kind is not sent to be retired', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    await user.click(screen.getByRole('button', { name: 'Retire Cooling racks' }));
    expect(await screen.findByText(/At least one cooling rack stays/)).toBeTruthy();
    expect(server.puts).toEqual([]);
  });
  it('a change is taken back with what was added since kept, retired', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    await user.click(screen.getByRole('button', { name: 'Add a rack' }));
    await user.type(screen.getByLabelText(/^Name/), 'Second rack');
    await user.click(screen.getByRole('button', { name: 'Add the rack' }));
    const notice = (await screen.findByText(/Second rack is added/)).closest('li') as HTMLElement;
    await user.click(within(notice).getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.puts).toHaveLength(2));
    expect(server.puts[1]?.racks.map(({ name, retired }) => [name, retired ?? false])).toEqual([
      ['Cooling racks', false],
      ['Second rack', true],
    ]);
    expect(server.puts[1]?.version).toBe(2);
  });
  it('what is retired can be used again', async () => {
    const ovens = demoEquipment.ovens.map((oven) => (oven.id === 'port' ? { ...oven, retired: true } : oven));
    const user = show(<EquipmentPanel bakery={bakery({ ...demoEquipment, ovens })} />);
    await user.click(screen.getByRole('button', { name: 'Use again Port' }));
    await waitFor(() => expect(server.puts[0]?.ovens[0]?.retired).toBe(false));
  });
});

describe('places of an oven for each kind of tray', () => {
  it('are asked for where there are several, and kept as a list', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const port = list('Ovens').getByText('Port').closest('li') as HTMLElement;
    await user.click(within(port).getByRole('button', { name: /Change/ }));
    const form = within(screen.getByRole('dialog'));
    await user.click(form.getByText('Finer figures'));
    await user.type(form.getByLabelText('Of dark steel 60 × 40 at once'), '4');
    await user.click(form.getByRole('button', { name: /Save|Change/ }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.ovens[0]?.placesFor).toEqual([{ trayId: 'dark', places: 4 }]);
    expect(JSON.stringify(server.puts[0]?.ovens[0])).not.toContain('placesFor.');
  });
  it('are said in the line of the oven, and left open again', async () => {
    const [first, ...others] = demoEquipment.ovens;
    const ovens = [{ ...first!, placesFor: [{ trayId: 'dark', places: 4 }] }, ...others];
    const user = show(<EquipmentPanel bakery={bakery({ ...demoEquipment, ovens })} />);
    expect(list('Ovens').getByText(/5 trays at once, 4 of dark steel 60 × 40, 8 °C a minute/)).toBeTruthy();
    const port = list('Ovens').getByText('Port').closest('li') as HTMLElement;
    await user.click(within(port).getByRole('button', { name: /Change/ }));
    const form = within(screen.getByRole('dialog'));
    await user.clear(form.getByLabelText('Of dark steel 60 × 40 at once'));
    await user.click(form.getByRole('button', { name: /Save|Change/ }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.ovens[0]).not.toHaveProperty('placesFor');
  });
  it('are not asked for where there is one kind', async () => {
    const one = { ...demoEquipment, trays: demoEquipment.trays.slice(0, 1) };
    const user = show(<EquipmentPanel bakery={bakery(one)} />);
    const port = list('Ovens').getByText('Port').closest('li') as HTMLElement;
    await user.click(within(port).getByRole('button', { name: /Change/ }));
    expect(screen.queryByLabelText(/^Of /)).toBeNull();
  });
});

describe('liners', () => {
  const mats = { id: 'mats', name: 'Blue mats', kind: 'mat' as const, count: 16, contactWPerM2K: 45 };
  it('are said with how many trays they are for, and what was measured of them', () => {
    show(<EquipmentPanel bakery={bakery({ ...demoEquipment, liners: [...demoEquipment.liners, mats] })} />);
    expect(list('Liners').getByText('a silicone mat, for 16 trays, lets 45 W/m²K through')).toBeTruthy();
    expect(list('Liners').getByText('baking paper')).toBeTruthy();
  });
  it('where none is set up, say what holds', () => {
    show(<EquipmentPanel bakery={bakery({ ...demoEquipment, liners: [] })} />);
    expect(list('Liners').getByText('None is counted: there is as much of each as is wanted.')).toBeTruthy();
  });
  it('of one kind twice are not sent', async () => {
    const user = show(<EquipmentPanel bakery={bakery({ ...demoEquipment, liners: [mats] })} />);
    await user.click(list('Liners').getByRole('button', { name: /Add a liner/ }));
    const form = within(screen.getByRole('dialog'));
    await user.type(form.getByLabelText('Name'), 'Red mats');
    await user.click(form.getByRole('button', { name: 'Add the liner' }));
    expect(await screen.findByText(/Red mats and Blue mats are of one kind/)).toBeTruthy();
    expect(server.puts).toEqual([]);
  });
  it('are chosen by their kind, with what the house has of it', () => {
    render(
      <select>
        <LinerOptions equipment={{ liners: [mats, { ...demoEquipment.liners[0]!, retired: true }] }} />
      </select>,
    );
    expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual([
      'nothing',
      'grease',
      'baking paper',
      'two papers',
      'a silicone mat: Blue mats, 16',
    ]);
  });
});

describe('shifts, crew and scoops', () => {
  it('knows who can mix and who can portion, and refuses hands that can nothing', async () => {
    const user = show(<PeoplePanel bakery={bakery()} />);
    const [first] = demoEquipment.shifts;
    const own = () => within(screen.getByRole('group', { name: `What ${first?.name} can do` }));
    for (const what of ['Can mix', 'Can portion', 'Can tend ovens', 'Can ice and pack'])
      await user.click(own().getByLabelText(what));
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    expect(screen.getByRole('alert').textContent).toMatch(/say what its hands can do/);
    await user.click(own().getByLabelText('Can portion'));
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.shifts.map(({ can }) => can)).toEqual([
      ['portion'],
      ...demoEquipment.shifts.slice(1).map(() => undefined),
    ]);
  });
  it('says who is at the ovens alone, and refuses more than a figure', async () => {
    const user = show(<PeoplePanel bakery={bakery()} />);
    const hands = screen.getByLabelText('Oven hands');
    expect(hands).toHaveProperty('value', '1');
    await user.clear(hands);
    await user.type(hands, 'two');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    expect(screen.getByRole('alert').textContent).toMatch(/0 to 9/);
    await user.clear(hands);
    await user.type(hands, '0');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.ovenHands).toBe(0);
  });
  it('keeps who is away from a shift with it under its new name', async () => {
    const [first] = demoEquipment.shifts;
    const away = [{ date: '2026-12-01', shift: first?.name ?? '', hands: 1, why: 'Ill' }];
    const calendar = { closedWeekdays: [], closedDays: [], away };
    const user = show(<PeoplePanel bakery={bakery({ ...demoEquipment, calendar })} />);
    const [who] = screen.getAllByLabelText('Who');
    if (!who) throw new Error('a shift has a name');
    await user.clear(who);
    await user.type(who, 'Dawn');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.calendar?.away).toEqual([{ ...away[0], shift: 'Dawn' }]);
  });
  it('takes a night shift, and roles and scoops as they are written', async () => {
    const user = show(<PeoplePanel bakery={bakery()} />);
    await user.click(screen.getByRole('button', { name: 'Add a shift' }));
    await user.type(screen.getAllByLabelText('Who').at(-1) as HTMLElement, 'Night');
    const crew = screen.getByLabelText(/^Who works here/);
    await user.clear(crew);
    await user.type(crew, 'Night baker; Oven hand, Oven hand');
    const scoops = screen.getByLabelText(/^Scoops/);
    await user.clear(scoops);
    await user.type(scoops, 'No. 60, 8, no. 24');
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    await waitFor(() => expect(server.puts).toHaveLength(1));
    expect(server.puts[0]?.shifts.at(-1)).toEqual({ name: 'Night', from: '22:00', to: '06:00', hands: 1 });
    expect(server.puts[0]?.crew).toEqual(['Night baker', 'Oven hand']);
    expect(server.puts[0]?.scoops).toEqual([8, 24, 60]);
  });
  it.each<[RegExp, string, RegExp]>([
    [/^From/, '7 o’clock', /needs a name, times such as 03:30/],
    [/^Hands/, '0', /1 to 99 pairs of hands/],
    [/^Ovens hot from/, '', /hot from and to a time of day/],
    [/^Scoops/, 'large', /is no scoop/],
    [/^Scoops/, '2', /From No. 4 to No. 100/],
    [/^Who works here/, ' , ', /At least one name/],
  ])('%s as "%s" is not sent, and says why', async (label, text, reason) => {
    const user = show(<PeoplePanel bakery={bakery()} />);
    const field = screen.getAllByLabelText(label)[0] as HTMLElement;
    await user.clear(field);
    if (text) await user.type(field, text);
    await user.click(screen.getByRole('button', { name: 'Save shifts and crew' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(reason);
    expect(server.puts).toEqual([]);
  });
});

describe('the equipment as a table for a spreadsheet', () => {
  const opens = async (user: ReturnType<typeof show>, text: string) => {
    const file = new File([text], 'ours.csv', { type: 'text/csv' });
    // jsdom's files do not tell their text.
    Object.assign(file, { text: async () => text });
    await user.upload(screen.getByLabelText('CSV of equipment'), file);
    return within(await screen.findByRole('region', { name: 'Table of equipment' }));
  };
  const port = demoEquipment.ovens[0]?.id ?? '';
  const heading = 'what,id,name,fan,places,°C a minute';

  it('says what it would do, row by row, and is taken only then', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const look = await opens(
      user,
      `${heading}\noven,${port},Port,yes,4,12\noven,,Attic oven,no,2,9\noven,,Kiln,yes,many,9\n`,
    );
    expect(look.getByText(/^1 new, 1 changed, 1 not read\./)).toBeTruthy();
    expect(look.getByText('New: Attic oven.')).toBeTruthy();
    expect(
      look.getByText(/^Row 4, Kiln: "places" cannot be "many": write a whole number from 1 to 60/),
    ).toBeTruthy();
    expect(server.puts).toEqual([]);
    await user.click(look.getByRole('button', { name: 'Load 2 items' }));
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Table of equipment' })).toBeNull());
    expect(server.puts[0]?.ovens).toHaveLength(demoEquipment.ovens.length + 1);
    expect(server.puts[0]?.ovens.find(({ id }) => id === port)?.places).toBe(4);
    expect(server.puts[0]?.mixers).toEqual(demoEquipment.mixers);
  });
  it('that changes nothing has nothing to take', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const look = await opens(user, equipmentToCsv(demoEquipment));
    expect(look.getByText(/^0 new, 0 changed, 0 not read\./)).toBeTruthy();
    expect(look.queryByRole('button', { name: /^Load/ })).toBeNull();
    await user.click(look.getByRole('button', { name: 'Leave it' }));
    expect(screen.queryByRole('region', { name: 'Table of equipment' })).toBeNull();
  });
  it('of something else says what it needs', async () => {
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const look = await opens(user, 'customer;pieces\nPier kiosk;40');
    expect(look.getByRole('alert').textContent).toContain('"what" is not among them');
  });
  it('that the server refuses stays open, with why', async () => {
    server.refuse = { status: 409, message: 'Somebody changed the equipment meanwhile.' };
    const user = show(<EquipmentPanel bakery={bakery()} />);
    const look = await opens(user, `${heading}\noven,,Attic oven,no,2,9`);
    await user.click(look.getByRole('button', { name: 'Load one item' }));
    expect(await look.findByText('Somebody changed the equipment meanwhile.')).toBeTruthy();
  });
});
