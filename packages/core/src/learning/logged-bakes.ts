import { bakeInputOf } from '../bake/index.js';
import type { Formula } from '../formula/index.js';
import type { TrayState } from '../ledger/index.js';
import { heatOf, ruledBy, type Equipment, type HouseRules } from '../bakery/index.js';
import { loadTemperature, trayKindOf } from '../planning/index.js';
import type { LoggedBake, Measured } from './logged.js';

/** The place of a tray in its oven, from 1: as written down, or by the number that its name ends in. */
export const positionOf = (tray: TrayState): number =>
  tray.position ?? Number(/T(\d+)$/.exec(tray.trayId)?.[1] ?? 1);

const measuredOf = (tray: TrayState): Measured => {
  const seen = tray.inspected;
  if (!seen) return {};
  const { coreC, diameterMm, heightMm, lossShare, colourScore, rightLessLeft, backLessFront } = seen;
  return {
    ...(coreC !== undefined && { coreC }),
    ...(diameterMm !== undefined && { diameterMm }),
    ...(heightMm !== undefined && { heightMm }),
    ...(lossShare !== undefined && { lossShare }),
    ...(colourScore !== undefined && { colour: colourScore }),
    ...(rightLessLeft !== undefined && { rightLessLeft }),
    ...(backLessFront !== undefined && { backLessFront }),
  };
};

/**
 * The measured trays of the log as bakes to learn from, the latest first: pulled, with at least one figure, of a
 * formula and an oven that are known.
 * @param made the formula that each lot was made by
 * @param most at most so many
 */
export const loggedBakes = (
  trays: readonly TrayState[],
  made: ReadonlyMap<string, Formula>,
  equipment: Equipment,
  rules: HouseRules,
  most = 60,
): readonly LoggedBake[] => {
  const tray = trayKindOf(equipment, rules);
  return trays
    .flatMap((state): LoggedBake[] => {
      const { inspected, pulled, loaded, racked } = state;
      const formula = made.get(state.batchId);
      const oven = equipment.ovens.find(({ id }) => id === state.ovenId);
      const measured = measuredOf(state);
      if (!inspected || !pulled || !formula || !oven || Object.keys(measured).length === 0) return [];
      const pullS = Math.round((pulled.atMs - loaded.atMs) / 1000);
      if (pullS < 60 || pullS > 7200) return [];
      const { setup } = bakeInputOf(formula, {
        start: state.startC ?? loadTemperature(formula, rules, equipment),
        tray: tray.material,
        ...ruledBy(rules, formula, equipment),
        ...heatOf(oven),
        setC: state.setC,
      });
      return [
        {
          id: inspected.entryId,
          atMs: pulled.atMs,
          ovenId: oven.id,
          position: positionOf(state),
          code: formula.code,
          setup,
          pullS,
          trayS: racked ? Math.min(3600, (racked.atMs - pulled.atMs) / 1000) : state.trayRestS,
          turned: state.turned !== null,
          measured,
        },
      ];
    })
    .sort((a, b) => b.atMs - a.atMs)
    .slice(0, most);
};
