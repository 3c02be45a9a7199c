import { formatNumber, sayDuration, say } from '../../shown/index.js';
import { type BatchPlan, type Task } from '../problem/plan.js';
import {
  coldOvenC,
  hasSpareBowl,
  leftInBowl,
  washedAfterS,
  type Availability,
  type PlanProblem,
  type PlanProduct,
  type Resource,
} from '../problem/problem.js';
import type { Violation } from './violation.js';

/*
 * An independent judge of plans: it shares no code with the solver but the problem's words, and recounts every
 * capacity, window and piece from the tasks and loads themselves.
 */

const capacityAt = (resource: Resource, atS: number): number =>
  resource.when
    ? resource.when.filter((a) => a.fromS <= atS && atS < a.toS).reduce((sum, a) => sum + a.capacity, 0)
    : resource.capacity;

export const checkCapacity = (problem: PlanProblem, tasks: readonly Task[]): Violation[] =>
  problem.resources.flatMap((resource) => {
    const uses = tasks.flatMap((task) =>
      task.uses.filter((u) => u.resourceId === resource.id).map((u) => ({ task, amount: u.amount })),
    );
    // Usage and capacity only change at these moments.
    const moments = [
      ...uses.flatMap(({ task }) => [task.startS, task.endS]),
      ...(resource.when ?? []).flatMap((a) => [a.fromS, a.toS]),
    ];
    for (const atS of [...new Set(moments)].sort((a, b) => a - b)) {
      const used = uses
        .filter(({ task }) => task.startS <= atS && atS < task.endS)
        .reduce((sum, { amount }) => sum + amount, 0);
      const there = capacityAt(resource, atS);
      if (used > there) {
        return [
          {
            code: 'capacity' as const,
            where: resource.id,
            message: say`${resource.name}: ${used} are needed at once, ${there} are there.`,
          },
        ];
      }
    }
    return [];
  });

export const checkUnknown = (problem: PlanProblem, tasks: readonly Task[]): Violation[] => {
  const known = new Set(problem.resources.map((r) => r.id));
  return tasks.flatMap((task) =>
    task.uses
      .filter((use) => !known.has(use.resourceId))
      .map((use) => ({
        code: 'capacity' as const,
        where: task.id,
        message: say`${task.id} uses ${use.resourceId}, which does not exist.`,
      })),
  );
};

/** Whether somebody is there over the whole stretch, in one shift or in several that follow each other. */
const isAttended = (hours: readonly Availability[], startS: number, endS: number): boolean => {
  let coveredS = startS;
  for (const { fromS, toS, capacity } of [...hours].sort((a, b) => a.fromS - b.fromS))
    if (capacity > 0 && fromS <= coveredS) coveredS = Math.max(coveredS, toS);
  return coveredS >= endS;
};

export const checkOvens = (problem: PlanProblem, batches: readonly BatchPlan[]): Violation[] =>
  problem.ovens.flatMap((oven) => {
    const loads = batches
      .flatMap((b) => b.loads)
      .filter((load) => load.ovenId === oven.id)
      .sort((a, b) => a.startS - b.startS);
    const found: Violation[] = [];
    loads.forEach((load, i) => {
      const endS = load.startS + load.pullS;
      if (load.trays.length > oven.places) {
        found.push({
          code: 'oven',
          where: load.id,
          message: say`${load.id}: ${load.trays.length} trays in ${oven.name}, which has ${oven.places} places.`,
        });
      }
      if (!isAttended(problem.ovenHours, load.startS, endS)) {
        found.push({
          code: 'hours',
          where: load.id,
          message: say`${load.id} bakes outside the hours of the ovens.`,
        });
      }
      const opens = Math.max(
        ...problem.ovenHours.filter(({ fromS }) => fromS <= load.startS).map(({ fromS }) => fromS),
      );
      const heats = (60 * Math.max(0, load.setC - coldOvenC)) / oven.degreesPerMin;
      const begun = [...problem.fixed, ...(problem.taken ?? [])].some(
        ({ batchId }) => batchId === load.batchId,
      );
      if (problem.coldOvens && !begun && opens > problem.nowS && load.startS < opens + heats - 1e-6)
        found.push({
          code: 'oven',
          where: load.id,
          message: say`${load.id}: ${oven.name} is cold when its hours begin, and takes ${sayDuration(heats)} to ${formatNumber(load.setC)} °C.`,
        });
      const next = loads[i + 1];
      if (!next) return;
      const rate = next.setC < load.setC ? (oven.coolsPerMin ?? oven.degreesPerMin) : oven.degreesPerMin;
      const needs = problem.loadGapS + (60 * Math.abs(next.setC - load.setC)) / rate;
      if (next.startS - endS < needs - 1e-6) {
        found.push({
          code: 'oven',
          where: next.id,
          message: say`${oven.name}: ${next.id} follows ${load.id} after ${sayDuration(next.startS - endS)}; emptying, filling and the change of temperature take ${sayDuration(needs)}.`,
        });
      }
    });
    return found;
  });

/** Between two doughs in one bowl it is cleaned of what the second does not declare. Two that have begun are facts. */
export const checkBowls = (problem: PlanProblem, batches: readonly BatchPlan[]): Violation[] => {
  const { bowls } = problem;
  if (!bowls) return [];
  const facts = new Set([...problem.fixed, ...(problem.taken ?? [])].map(({ batchId }) => batchId));
  const mixed = batches
    .flatMap((batch) => {
      const mix = batch.tasks.find(({ kind }) => kind === 'mix');
      return mix ? [{ batch, mix }] : [];
    })
    .sort((a, b) => a.mix.startS - b.mix.startS);
  return mixed.flatMap(({ batch, mix }, i) => {
    const before = mixed.slice(0, i).findLast((other) => other.batch.mixerId === batch.mixerId);
    if (!before || (facts.has(batch.batchId) && facts.has(before.batch.batchId))) return [];
    const apartS = mix.startS - before.mix.endS;
    const left = leftInBowl(bowls, before.batch.productCode, batch.productCode);
    if (hasSpareBowl(bowls, batch.mixerId)) return [];
    if (left.length === 0 || apartS >= Math.min(bowls.cleanS, washedAfterS)) return [];
    return [
      {
        code: 'bowl' as const,
        where: batch.batchId,
        message: say`${batch.batchId}: mixed ${sayDuration(apartS)} after ${before.batch.batchId} in the same bowl, which is to be cleaned of ${left.join(', ')} before: ${sayDuration(bowls.cleanS)}.`,
      },
    ];
  });
};

/** Work that a person does takes up a person: those at the ovens, or those of the line. */
export const checkHands = (product: PlanProduct, batch: BatchPlan): Violation[] =>
  batch.tasks.flatMap((task) => {
    const atOven = ['load', 'turn', 'pull'].includes(task.kind);
    if (!atOven && !['prepare', 'mix', 'portion', 'flatten', 'ice', 'pack'].includes(task.kind)) return [];
    const who = atOven && product.atOven?.ownHands ? 'oven-hands' : 'hands';
    if (task.uses.some(({ resourceId, amount }) => resourceId === who && amount >= 1)) return [];
    return [
      {
        code: 'precedence' as const,
        where: batch.batchId,
        message: say`${batch.batchId}: ${task.id} is done by nobody.`,
      },
    ];
  });
