/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas, type MapRow } from '@jokul/core';
import type { WhatIf } from '../workers/core.worker';

const asked: WhatIf[] = [];
jest.unstable_mockModule('../workers/core', () => ({
  startCore: () => ({
    api: {
      bakeMapRow: async (_formula: unknown, on: WhatIf, pullsS: readonly number[]): Promise<MapRow> => {
        asked.push(on);
        return {
          setC: on.setC,
          cells: pullsS.map((pullS) => ({
            pullS,
            index: 2.4,
            state: 'chewy',
            edgeColour: 60,
            bottomColour: 60,
            diameterMm: 70,
          })),
        };
      },
    },
    stop: () => undefined,
  }),
}));
const { BakeMap } = await import('./bake-map');

const [formula] = demoFormulas.filter(({ bake }) => bake.target === 'chewy');
if (!formula) throw new Error('no chewy one');
const base: WhatIf = {
  start: 7,
  tray: 'bright-aluminium',
  liner: 'parchment',
  fan: true,
  setC: 170,
  centreC: 71,
  offsetK: 9,
};
const draw = async (change: Partial<WhatIf> = {}) => {
  asked.length = 0;
  render(<BakeMap formula={formula} base={{ ...base, ...change }} pullS={720} />);
  await userEvent.setup().click(screen.getByRole('button', { name: 'Draw the map' }));
  await screen.findByText(/Most forgiving|No pull on this map/);
};
afterEach(cleanup);

describe('a bake map', () => {
  it('is of this oven, as hot as it is known to be', async () => {
    await draw();
    expect(asked.length).toBeGreaterThan(10);
    expect(asked.every(({ offsetK }) => offsetK === 9)).toBe(true);
    expect(new Set(asked.map(({ setC }) => setC)).size).toBe(asked.length);
  });
  it('knows what is too dark in this house', async () => {
    await draw();
    expect(screen.getByText(/Most forgiving for chewy/)).toBeTruthy();
    cleanup();
    await draw({ limits: { darkRimChewy: 50 } });
    expect(screen.getByText(/No pull on this map becomes chewy without getting too dark/)).toBeTruthy();
  });
});
