import { describe, expect, it } from '@jest/globals';
import type { BatchPlan } from '@jokul/core';
import { planToCalendar } from './give-out';

const at = Date.UTC(2026, 10, 27, 4, 20) / 1000;
const batch: BatchPlan = {
  batchId: 'GNG-26-58-X',
  productCode: 'GNG',
  mixerId: 'mixer-40l',
  massG: 6530,
  pieces: 60,
  loads: [
    {
      id: 'GNG-26-58-X-L1',
      batchId: 'GNG-26-58-X',
      ovenId: 'port',
      setC: 150,
      pullS: 1392,
      startS: at,
      readyS: at + 5000,
      dueS: at + 6000,
      trays: [{ id: 't', position: 1, pieces: 60 }],
    },
  ],
  tasks: [
    {
      id: 'GNG-26-58-X/mix',
      kind: 'mix',
      batchId: 'GNG-26-58-X',
      startS: at - 50_000,
      endS: at - 48_500,
      uses: [],
    },
    { id: 'GNG-26-58-X/rest', kind: 'rest', batchId: 'GNG-26-58-X', startS: at - 48_000, endS: at, uses: [] },
    {
      id: 'GNG-26-58-X-L1/bake',
      kind: 'bake',
      batchId: 'GNG-26-58-X',
      loadId: 'GNG-26-58-X-L1',
      startS: at,
      endS: at + 1392,
      uses: [],
    },
  ],
};
const say = { temperature: (c: number) => `${c} °C`, mass: (g: number) => `${g} g` };
const names = { product: () => 'Quay Ginger; crisp, thin', place: (id: string) => id };
/** Long lines are folded by a line break and a blank. */
const unfolded = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');

describe('a plan as a calendar', () => {
  it('for the ovens holds the loads, in universal time', () => {
    const lines = unfolded(planToCalendar([batch], 'ovens', names, say));
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
    expect(lines).toContain('DTSTART:20261127T042000Z');
    expect(lines).toContain('DTEND:20261127T044312Z');
    expect(lines).toContain('UID:GNG-26-58-X-L1/bake@jokul');
    // Signs that mean something in a calendar are told apart from those that do not.
    expect(lines).toContain('SUMMARY:Bake Quay Ginger\\; crisp\\, thin\\, port');
    expect(lines).toContain('DESCRIPTION:Lot GNG-26-58-X\\, 60 pieces\\, 1 tray\\, 150 °C');
  });
  it('for the bench holds mixing and portioning, and no rest', () => {
    const lines = unfolded(planToCalendar([batch], 'bench', names, say));
    expect(lines.filter((line) => line.startsWith('SUMMARY'))).toEqual([
      'SUMMARY:Mix Quay Ginger\\; crisp\\, thin\\, mixer-40l',
    ]);
  });
  it('of an empty day is an empty calendar', () => {
    expect(unfolded(planToCalendar([], 'ovens', names, say))).not.toContain('BEGIN:VEVENT');
  });

  it('for the bench holds what is put out before, too', () => {
    const lines = unfolded(
      planToCalendar([batch], 'bench', names, say, [
        {
          id: 'GNG-26-58-X/butter-out',
          kind: 'butter-out',
          batchId: 'GNG-26-58-X',
          productCode: 'GNG',
          massG: 1450,
          startS: at - 60_000,
          earlyS: 0,
        },
      ]),
    );
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
    expect(lines).toContain('SUMMARY:Butter out for Quay Ginger\\; crisp\\, thin');
    expect(lines.some((line) => line.startsWith('DESCRIPTION:') && line.includes('1450 g of it'))).toBe(true);
  });
});
