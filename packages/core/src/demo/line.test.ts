import { describe, expect, it } from '@jest/globals';
import { amountsFor, browningLossShare, doughOf, toppingsFor } from '../formula/index.js';
import {
  emptyLot,
  openActions,
  reduceLedger,
  type DraftEntry,
  type EntryKind,
  type Payloads,
} from '../ledger/index.js';
import { checkSample, countPieces, scoopsFor } from '../portioning/index.js';
import { openLines } from '../mixing/index.js';
import { weighSheet } from '../scaling/index.js';
import {
  checkPlan,
  dayProblem,
  doughDensityGPerMl,
  rawDiameterMm,
  scaleProduct,
  solvePlan,
  trayLayout,
} from '../planning/index.js';
import { calm, demoPredictions } from '../planning/problem/problem.testkit.js';
import { atWallClock } from '../quantity/index.js';
import { restCurve } from '../thermal/index.js';
import { closestMm } from '../tray/index.js';
import { demoDay, demoEquipment, demoFormulas, demoRules } from './index.js';

/* Every one of the nine products from the bake list to the rack, each step computed from the one before. */
const pieces = 240;
const losses = (1 - demoRules.bowlLossShare) * (1 - demoRules.portionLossShare);

describe.each(demoFormulas.map((f) => [f.code, f] as const))('%s along the line', (code, formula) => {
  const { dough, splits } = scaleProduct(formula, [{ pieces, name: 'Farm shop' }], demoEquipment, demoRules);
  const [split] = splits;

  it('Mix: the dough is what the pieces and the losses need', () => {
    expect(dough.value).toBeCloseTo(((pieces + demoRules.testPieces) * formula.piece.massG) / losses, 6);
    expect(split?.batches.reduce((sum, b) => sum + b.massG, 0)).toBeCloseTo(dough.value, 6);
  });

  it('Mix: the weigh sheet adds up to the dough within its rounding', () => {
    for (const batch of split?.batches ?? []) {
      const amounts = amountsFor(formula, batch.massG);
      const sheet = weighSheet(amounts, demoEquipment.scales);
      const intoBowl = amounts.reduce(
        (sum, a) => sum + a.mass.value * (a.line.browned ? 1 - browningLossShare : 1),
        0,
      );
      expect(intoBowl).toBeCloseTo(batch.massG, 6);
      const rounding = sheet.lines.reduce((sum, line) => sum + line.resolutionG / 2, 0);
      expect(Math.abs(sheet.roundedTotalG - sheet.exactTotalG)).toBeLessThanOrEqual(rounding);
      expect(openLines(sheet, emptyLot('B')).length).toBe(amounts.length);
    }
  });

  it('Portion: the pieces are there after the losses, and a scoop is known', () => {
    const count = (split?.batches ?? [])
      .map(
        (b) =>
          countPieces(
            b.massG * (1 - demoRules.bowlLossShare),
            formula.piece.massG,
            demoRules.portionLossShare,
          ).pieces.value,
      )
      .reduce((a, b) => a + b, 0);
    expect(count).toBeGreaterThanOrEqual(pieces);
    expect(count).toBeLessThanOrEqual(pieces + demoRules.testPieces);
    const [scoop] = scoopsFor(formula.piece.massG, doughDensityGPerMl(formula), demoEquipment.scoops);
    // The largest scoop holds 70 g: all pieces find one within a fifth.
    expect(Math.abs(scoop?.offShare ?? 1)).toBeLessThan(0.2);
    expect(checkSample([formula.piece.massG], formula.piece.massG, 1)?.giveaway.value).toBe(0);
  });

  it('Portion: toppings follow the flour', () => {
    for (const topping of toppingsFor(formula, dough.value)) {
      expect(topping.mass.value).toBeGreaterThan(0);
      expect(topping.mass.value).toBeLessThan(0.2 * dough.value);
    }
  });

  it('Rest: its pieces are cold within two hours in the walk-in, open on the tray', () => {
    const place = demoEquipment.places.find((p) => p.kind === 'walk-in');
    if (!place) throw new Error('no walk-in');
    const { ready } = restCurve({
      formula,
      form: 'pieces',
      tubMassG: 6000,
      place,
      cover: 'open',
      startC: 22,
      targetC: demoRules.readyCoreC,
      durationS: 6 * 3600,
    });
    expect(ready?.value).toBeGreaterThan(20 * 60);
    expect(ready?.value).toBeLessThan(2 * 3600);
  });

  it('Bake: it has a pull in both kinds of oven, and fits its tray without touching', () => {
    const own = demoPredictions().get(code) ?? [];
    expect(own).toHaveLength(4);
    for (const { bake } of own) {
      expect(bake.pull).not.toBeNull();
      expect(bake.cooled?.diameterMm).toBeGreaterThan(rawDiameterMm(formula));
    }
    const layout = trayLayout(formula, own, demoEquipment, demoRules);
    const widest = Math.max(...own.map((p) => p.bake.cooled?.diameterMm ?? 0));
    expect(closestMm(layout.centresMm)).toBeGreaterThanOrEqual(widest + formula.bake.gapMm - 1e-6);
  });

  it('Day: alone it is planned in time, and the checker agrees', () => {
    const { problem, refused } = dayProblem({
      date: demoDay.date,
      nowS: atWallClock('2026-11-23', '12:00', demoRules.timeZone),
      orders: [{ id: '1', customer: 'Farm shop', productCode: code, pieces, readyBy: '09:00' }],
      formulas: new Map([[code, formula]]),
      equipment: demoEquipment,
      rules: demoRules,
      predictions: demoPredictions(),
      fixed: [],
    });
    expect(refused).toEqual([]);
    const plan = solvePlan(problem, calm);
    expect(plan.unplaced).toEqual([]);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('Floor: pressing what is due, step by step, ends with nothing left to do', () => {
    const { problem } = dayProblem({
      date: demoDay.date,
      nowS: atWallClock('2026-11-23', '12:00', demoRules.timeZone),
      orders: [{ id: '1', customer: 'Farm shop', productCode: code, pieces, readyBy: '09:00' }],
      formulas: new Map([[code, formula]]),
      equipment: demoEquipment,
      rules: demoRules,
      predictions: demoPredictions(),
      fixed: [],
    });
    const { batches } = solvePlan(problem, calm);
    const entries: DraftEntry[] = [];
    const write = <K extends EntryKind>(kind: K, lot: string, atMs: number, payload: Payloads[K]) =>
      entries.push({
        id: String(entries.length),
        atMs,
        who: 'Oven hand',
        device: 'test',
        lot,
        kind,
        payload,
      } as DraftEntry);
    const done: string[] = [];
    for (let i = 0; i < 200; i++) {
      const [action] = openActions(batches, reduceLedger(entries));
      if (!action) break;
      const { kind, batchId, dueMs, load, trayIds } = action;
      const step = { loadId: load?.id ?? '', trayIds };
      done.push(kind);
      if (kind === 'mix') write('mixed', batchId, dueMs, { doughC: 22, massG: 6000, missing: [] });
      if (kind === 'portion')
        write('portioned', batchId, dueMs, { pieces, scoop: 30, samplesG: [], targetG: 30, remainderG: 0 });
      if (kind === 'rest-in')
        write('rest-in', batchId, dueMs, {
          placeId: 'walk-in',
          form: 'pieces',
          cover: 'open',
          startC: 22,
          massG: 6000,
          pieces,
        });
      if (kind === 'rest-out') write('rest-out', batchId, dueMs, { placeId: 'walk-in' });
      if (kind === 'load' && load) {
        write('loaded', batchId, dueMs, {
          ...step,
          ovenId: load.ovenId,
          setC: load.setC,
          pullS: load.pullS,
          trayRestS: formula.bake.trayRestS,
          pieces: trayIds.map(() => 12),
        });
      }
      if (kind === 'turn') write('turned', batchId, dueMs, step);
      if (kind === 'pull') write('pulled', batchId, dueMs, step);
      if (kind === 'rack') write('racked', batchId, dueMs, step);
      if (kind === 'ice') write('iced', batchId, dueMs, step);
      if (kind === 'pack') write('packed', batchId, dueMs, step);
    }
    const state = reduceLedger(entries);
    expect(openActions(batches, state)).toEqual([]);
    expect(state.notices).toEqual([]);
    const loads = batches.flatMap((b) => b.loads);
    const iced = formula.afterBake?.icePieceS ? ['ice'] : [];
    for (const kind of ['load', 'turn', 'pull', 'rack', ...iced, 'pack'])
      expect(done.filter((k) => k === kind)).toHaveLength(loads.length);
    expect([...state.trays.values()].every((tray) => tray.racked)).toBe(true);
    // Dough that is not rested goes into no cold; all other does.
    expect(done.includes('rest-in')).toBe(formula.rest.form !== 'none');
  });

  it('has a dough that the models know', () => {
    const { composition, nonFatSolids } = doughOf(formula);
    expect(composition.water).toBeGreaterThan(0.03);
    expect(composition.water).toBeLessThan(0.35);
    expect(nonFatSolids).toBeGreaterThan(0.2);
  });
});
