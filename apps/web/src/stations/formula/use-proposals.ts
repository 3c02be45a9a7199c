import { useMemo, useState } from 'react';
import {
  bakeInputOf,
  inUse,
  JokulError,
  proposalsOf,
  sheetDirections,
  targetAfter,
  withProposals,
  type Doneness,
  type Formula,
  type Proposals,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import type { ProposalKey } from './recipe-proposals';

/** Dough comes cold to the oven. */
const startC = 7;

/** What a bake of the recipe's minutes comes to, on the tray that is planned with; null where the model cannot say. */
const targetOf = (formula: Formula, pullS: number, { equipment, rules }: BakeryView): Doneness | null => {
  const tray = inUse(equipment).trays.find(({ id }) => id === rules.trayId) ?? equipment.trays[0];
  if (!tray) return null;
  try {
    const input = bakeInputOf(formula, {
      start: startC,
      tray: tray.material,
      liner: rules.liner,
      fan: formula.bake.fan,
    });
    return targetAfter(input, pullS);
  } catch (error) {
    if (error instanceof JokulError) return null;
    throw error;
  }
};

/**
 * What the text proposes beside its lines, what of it is left out, and the formula with the others.
 * @param formula that the lines make; null while some are not answered
 * @param doughG what they weigh, g
 */
export const useProposals = (
  text: string,
  formula: Formula | null,
  doughG: number,
  bakery: BakeryView | undefined,
) => {
  const [left, setLeft] = useState<ReadonlySet<ProposalKey>>(new Set());
  const said = JSON.stringify(proposalsOf(sheetDirections(text), doughG));
  // The bake behind the minutes takes some tenths of a second: only when the dough or what is said of it changes.
  const dough = formula && JSON.stringify(formula);
  const { proposals, made, target } = useMemo(() => {
    const all = JSON.parse(said) as Proposals;
    const own = dough === null ? null : (JSON.parse(dough) as Formula);
    const taken = Object.fromEntries(Object.entries(all).filter(([key]) => !left.has(key as ProposalKey)));
    const ruled = own && withProposals(own, taken);
    const [from, to] = all.minutes ?? [0, 0];
    const found = ruled && bakery && all.minutes ? targetOf(ruled, ((from + to) / 2) * 60, bakery) : null;
    return {
      proposals: all,
      made:
        ruled && found && !left.has('minutes') ? { ...ruled, bake: { ...ruled.bake, target: found } } : ruled,
      target: found,
    };
  }, [said, dough, left, bakery]);
  const leave = (key: ProposalKey, away: boolean) =>
    setLeft((before) => {
      const next = new Set(before);
      if (away) next.add(key);
      else next.delete(key);
      return next;
    });
  return { proposals, made, target, left, leave };
};
