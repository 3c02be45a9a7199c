import { isDough, type LotState } from '../ledger/index.js';
import { clocksOf, type AgeRules, type OverWindow } from './window.js';

/** A dough that stands out of the cold past its limit. */
export interface LeftOut extends OverWindow {
  readonly lot: string;
}

/**
 * Doughs that lie nowhere in the cold and have been out for longer than they may, the longest first. Dough that was
 * loaded, thrown away or released by somebody is none.
 * @param rulesOf limits of a lot; lots of an unknown formula are passed over
 */
export const leftOut = (
  lots: Iterable<LotState>,
  rulesOf: (lot: string) => AgeRules | undefined,
  nowMs: number,
): readonly LeftOut[] =>
  [...lots]
    .flatMap((lot): LeftOut[] => {
      const rules = rulesOf(lot.lot);
      const inside = lot.stays.some(
        ({ outMs, placeId }) => outMs === null && rules?.kindOf(placeId) !== 'bench',
      );
      if (!rules || inside || !isDough(lot)) return [];
      const out = clocksOf(lot, rules, nowMs).find(({ clock }) => clock === 'out');
      if (!out || out.leftS >= 0 || lot.released.some(({ clock }) => clock === undefined || clock === 'out'))
        return [];
      // It counts only while it goes on: dough that was baked or thrown away ages no more.
      const before = clocksOf(lot, rules, nowMs - 60_000).find(({ clock }) => clock === 'out');
      if (before && out.ageS - before.ageS < 59) return [];
      return [{ lot: lot.lot, clock: 'out', ageS: out.ageS, limitS: out.limitS }];
    })
    .sort((a, b) => b.ageS - a.ageS);
