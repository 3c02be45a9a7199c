import { describe, expect, it } from '@jest/globals';
import { atWallClock, wallClock, type RibbonSegment } from '@jokul/core';

import { evenTimes } from './ribbon-frame';
import { flowsOf, rowsOf, segmentKey } from './ribbons';
import { surfaceTone } from './surface-tone';
import { contrast, inkOn, temperatureColour, temperatureStops } from './temperature';
import { yRange } from './y-range';

const luma = (hex: string) => {
  const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) as [
    number,
    number,
    number,
  ];
  return 0.299 * r + 0.587 * g + 0.114 * b;
};

describe('the temperature scale', () => {
  it('meets its stops and stays at its ends', () => {
    for (const [t, colour] of temperatureStops) expect(temperatureColour(t)).toBe(colour);
    expect(temperatureColour(-60)).toBe(temperatureStops[0]?.[1]);
    expect(temperatureColour(400)).toBe(temperatureStops.at(-1)?.[1]);
  });
  it('goes smoothly: no two neighbouring degrees look apart', () => {
    for (let t = -20; t < 120; t++)
      expect(Math.abs(luma(temperatureColour(t)) - luma(temperatureColour(t + 1)))).toBeLessThan(10);
  });
  it('parts cold dough, soft dough and baking by lightness too', () => {
    const [cold, soft, hot] = [4, 24, 110].map((t) => luma(temperatureColour(t))) as [number, number, number];
    expect(soft - cold).toBeGreaterThan(60);
    expect(soft - hot).toBeGreaterThan(60);
  });
  it('has ink that reads on every colour', () => {
    for (let t = -25; t < 130; t += 1) {
      const ground = temperatureColour(t);
      expect(contrast(inkOn(ground), ground)).toBeGreaterThan(4.5);
    }
  });
});

const segment = (
  batchId: string,
  kind: RibbonSegment['kind'],
  placeId: string,
  startS: number,
  endS: number,
  loadId?: string,
): RibbonSegment => ({
  batchId,
  productCode: batchId,
  kind,
  placeId,
  startS,
  endS,
  samples: [],
  ...(loadId && { loadId }),
});

describe('the lanes of the ribbon chart', () => {
  const segments = [
    segment('A', 'cold', 'walk-in', 0, 100),
    segment('B', 'cold', 'walk-in', 50, 120),
    segment('C', 'cold', 'walk-in', 100, 200),
    segment('A', 'oven', 'port', 100, 110, 'L1'),
    segment('A', 'rack', 'racks', 110, 160, 'L1'),
  ];
  const places = [
    { id: 'walk-in', name: 'Walk-in' },
    { id: 'port', name: 'Port' },
    { id: 'racks', name: 'Racks' },
    { id: 'empty', name: 'Empty' },
  ];
  const rows = rowsOf(places, segments);
  it('never put two ribbons of one place over one another', () => {
    const lanes = segments.slice(0, 3).map((s) => rows[0]?.laneOf.get(segmentKey(s)));
    expect(lanes).toEqual([0, 1, 0]);
    expect(rows[0]?.lanes).toBe(2);
  });
  it('leave out places where nothing is', () =>
    expect(rows.map((row) => row.placeId)).toEqual(['walk-in', 'port', 'racks']));
  it('join each batch from place to place', () => {
    expect(flowsOf(segments).map(([a, b]) => `${a.placeId}>${b.placeId}`)).toEqual([
      'walk-in>port',
      'port>racks',
    ]);
  });
  it('do not join different batches', () => {
    expect(flowsOf([segment('A', 'mixer', 'm', 0, 1), segment('B', 'bench', 'b', 1, 2)])).toEqual([]);
  });
});

describe('the tone of a surface', () => {
  const lightness = (score: number) => {
    const [r = 0, g = 0, b = 0] = (surfaceTone(score).match(/\d+/g) ?? []).map(Number);
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  it('gets darker with every step of the score', () => {
    const tones = Array.from({ length: 21 }, (_, i) => lightness(i * 5));
    expect(tones).toEqual([...tones].sort((a, b) => b - a));
    expect(tones[0]).toBeGreaterThan(200);
    expect(tones.at(-1)).toBeLessThan(40);
  });
  it('holds beyond its ends', () => {
    expect(surfaceTone(-5)).toBe(surfaceTone(0));
    expect(surfaceTone(140)).toBe(surfaceTone(100));
  });
});

describe('the upright axis of a chart', () => {
  it('is left alone where the curve fills it', () => {
    expect(yRange([4, 22], 10)).toBeNull();
    expect(yRange([], 10)).toBeNull();
    expect(yRange([Number.NaN], 10)).toBeNull();
  });
  it.each([[[3.8, 4.1]], [[4, 8]], [[-19.6, -20.3]], [[0, 7.9]]])('%j does not fill it', (values) => {
    const range = yRange(values, 10);
    expect((range?.max ?? 0) - (range?.min ?? 0)).toBe(12);
    expect(range?.min).toBeLessThanOrEqual(Math.min(...values));
    expect(range?.max).toBeGreaterThanOrEqual(Math.max(...values));
  });
});

describe('the times under the day', () => {
  const marks = (zone: string, from: string, to: string, count = 12) =>
    evenTimes(atWallClock(from, '22:00', zone), atWallClock(to, '14:00', zone), zone, count).map(
      (atS) => wallClock(atS, zone).time,
    );
  it.each(['Atlantic/Faroe', 'Asia/Kolkata', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'America/St_Johns'])(
    'are whole hours of the clock in %s',
    (zone) => {
      const times = marks(zone, '2026-11-27', '2026-11-28');
      expect(times.length).toBeGreaterThan(4);
      expect(times.every((time) => time.endsWith(':00'))).toBe(true);
    },
  );
  it('are even hours there, in summer too', () =>
    expect(marks('Atlantic/Faroe', '2026-07-27', '2026-07-28', 5)).toEqual([
      '00:00',
      '03:00',
      '06:00',
      '09:00',
      '12:00',
    ]));
  it('go over a night of the clock change', () => {
    expect(marks('Atlantic/Faroe', '2026-10-24', '2026-10-25', 16)).toEqual(
      expect.arrayContaining(['00:00', '03:00', '13:00', '14:00']),
    );
    expect(
      marks('Australia/Lord_Howe', '2026-10-03', '2026-10-04', 16).filter((time) => !time.endsWith(':00')),
    ).toEqual([]);
  });
});
