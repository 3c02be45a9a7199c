import {
  bakeInputIn,
  demoEquipment,
  demoRules,
  foretell,
  foretoldNames,
  noAdjustment,
  slopesOf,
  type Foretold,
  type Formula,
  type Slopes,
} from '@jokul/core';

interface Told {
  readonly onTime: Foretold;
  readonly perLateS: Foretold;
  readonly slopes: Slopes;
}

const told = new Map<string, Told>();
const lateStepS = 120;

/** How a formula bakes in a fan oven on time, later, and under other conditions: a few runs for all its past trays. */
export const tell = (formula: Formula, pullS: number): Told => {
  const known = told.get(`${formula.code}/${pullS}`);
  if (known) return known;
  const { setup } = bakeInputIn(formula, { id: 'port', fan: true }, demoEquipment, demoRules);
  const at = (s: number) => foretell({ setup, pullS: s, trayS: formula.bake.trayRestS }, noAdjustment);
  const [onTime, late] = [at(pullS), at(pullS + lateStepS)];
  const perLateS = Object.fromEntries(
    foretoldNames.map((name) => [name, (late[name] - onTime[name]) / lateStepS]),
  ) as unknown as Foretold;
  const made = { onTime, perLateS, slopes: slopesOf({ setup, pullS }) };
  told.set(`${formula.code}/${pullS}`, made);
  return made;
};
