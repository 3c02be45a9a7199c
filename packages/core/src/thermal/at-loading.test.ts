import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { alongWay, type WayStretch } from './at-loading.js';
import type { Place } from './place.js';

const place = (kind: Place['kind']): Place => {
  const found = demoEquipment.places.find((p) => p.kind === kind);
  if (!found) throw new Error(kind);
  return found;
};
const [walkIn, freezer, bench] = [place('walk-in'), place('freezer'), place('bench')];
const ginger = demoFormulas[0] ?? demoFormulas[1]!;
const hour = 3600;
const on = (form: WayStretch['form'], where: Place, durationS: number): WayStretch => ({
  form,
  massG: 6000,
  place: where,
  cover: 'open',
  durationS,
});
const after = (startC: number, ...way: WayStretch[]) => alongWay(ginger, startC, way);

describe('a dough on its way to the oven', () => {
  it('that went nowhere is as it was mixed', () =>
    expect(after(22)).toEqual({ profileC: [22], coreC: 22, meanC: 22 }));
  it('is as cold as its air after a night, and colder inside than outside when it comes out', () => {
    const night = after(22, on('pieces', walkIn, 14 * hour));
    expect(Math.abs(night.coreC - 4)).toBeLessThan(0.3);
    const out = after(22, on('pieces', walkIn, 14 * hour), on('pieces', bench, 900));
    expect(out.meanC).toBeGreaterThan(night.meanC + 3);
    expect(out.profileC[0]).toBeLessThan(out.profileC.at(-1) ?? 0);
    expect(out.coreC).toBeLessThan(out.meanC);
  });
  it('frozen it has a frozen profile', () => {
    const frozen = after(22, on('pieces', freezer, 20 * hour), on('pieces', bench, 300));
    expect(frozen.coreC).toBeLessThan(-13);
    expect(frozen.profileC.at(-1)).toBeGreaterThan(frozen.coreC + 1);
  });
  it('a tub is warmer than pieces after the same time, also when it is portioned then', () => {
    const tub = after(22, on('tub', walkIn, 4 * hour));
    expect(tub.meanC).toBeGreaterThan(after(22, on('pieces', walkIn, 4 * hour)).meanC + 5);
    const portioned = after(22, on('tub', walkIn, 4 * hour), on('pieces', bench, 60));
    expect(Math.abs(portioned.meanC - tub.meanC)).toBeLessThan(1);
  });
  it('taken out and put back it is as if the parts were one way', () => {
    const parts = after(
      22,
      on('pieces', walkIn, hour),
      on('pieces', bench, 1200),
      on('pieces', walkIn, hour),
    );
    const less = after(22, on('pieces', walkIn, 2 * hour));
    expect(parts.meanC).toBeGreaterThan(less.meanC);
    expect(parts.meanC).toBeLessThan(after(22, on('pieces', walkIn, hour), on('pieces', bench, 1200)).meanC);
  });
  it('weeks cost no more than a day, and come to the same', () => {
    const weeks = after(22, on('bag', freezer, 50 * 24 * hour));
    expect(Math.abs(weeks.meanC - after(22, on('bag', freezer, 4 * 24 * hour)).meanC)).toBeLessThan(0.2);
  });
});
