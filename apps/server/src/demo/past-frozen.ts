import { atWallClock, demoDay, demoRules, lotRecord, shiftDate, type Formula } from '@jokul/core';
import type { DemoWriter } from './writer.js';

/** Bags that lie in the freezer from earlier weeks, one of them near the end of its time. */
export const frozenBags = [
  { code: 'CRD', daysAgo: 51, pieces: 300, form: 'bag' },
  { code: 'CRD', daysAgo: 16, pieces: 200, form: 'bag' },
] as const;

export const writeFrozen = (
  writer: DemoWriter,
  formulas: readonly Formula[],
  ids: readonly string[],
): void => {
  frozenBags.forEach(({ code, daysAgo, pieces, form }, i) => {
    const formula = formulas.find((f) => f.code === code);
    const id = ids[i];
    if (!formula || !id) return;
    const date = shiftDate(demoDay.date, -daysAgo);
    const atS = atWallClock(date, '16:10', demoRules.timeZone);
    const massG = pieces * formula.piece.massG;
    const record = lotRecord(formula, { massG, pieces, day: null, mixerId: null });
    writer.write('begun', atS - 3600, 'Mix hand', id, record);
    writer.write('mixed', atS - 2400, 'Mix hand', id, { doughC: 21.4, massG, missing: [] });
    writer.write('portioned', atS - 300, 'Mix hand', id, {
      pieces,
      scoop: 0,
      samplesG: [],
      targetG: formula.piece.massG,
      remainderG: 0,
    });
    writer.write('rest-in', atS, 'Mix hand', id, {
      placeId: 'freezer',
      form,
      cover: 'covered',
      startC: 20,
      massG,
      pieces,
    });
  });
};
