import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { inUse, proposalsOf, ruledBy, withProposals, type Formula, type Proposals } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { core } from '../workers/core';
import type { WhatIf } from '../workers/core.worker';
import type { Reading } from '../workers/reading';
import type { ProposalKey } from './recipe-proposals';

/** Dough comes cold to the oven. */
const startC = 7;

/** The oven of the formula, with the tray that is planned with; null where there is none. */
const bakeOn = (formula: Formula, { equipment, rules }: BakeryView): WhatIf | null => {
  const trays = inUse(equipment).trays;
  const tray = trays.find(({ id }) => id === rules.trayId) ?? trays[0];
  const { setC, fan } = formula.bake;
  return tray
    ? { start: startC, tray: tray.material, fan, setC, ...ruledBy(rules, formula, equipment) }
    : null;
};

/** What a bake of the recipe's minutes comes to; null while that is computed, or where the model cannot say. */
const useTarget = (formula: Formula | null, minutes: Proposals['minutes'], bakery?: BakeryView) => {
  const on = formula && minutes && bakery ? bakeOn(formula, bakery) : null;
  const pullS = minutes ? ((minutes[0] + minutes[1]) / 2) * 60 : 0;
  const { data, isFetching } = useQuery({
    queryKey: ['target-after', formula, on, pullS],
    queryFn: async () =>
      formula && on
        ? core()
            .targetAfter(formula, on, pullS)
            .catch(() => null)
        : null,
    enabled: on !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return { target: data ?? null, computing: isFetching };
};

/**
 * What a text proposes beside its lines, what of it is left out, and the formula with the others.
 * @param directions how it is baked, rested and portioned, as the text says
 * @param formula that the lines make; null while some are not answered
 * @param doughG what they weigh, g
 */
export const useProposals = (
  directions: Reading['directions'],
  formula: Formula | null,
  doughG: number,
  bakery: BakeryView | undefined,
) => {
  const [left, setLeft] = useState<ReadonlySet<ProposalKey>>(new Set());
  const proposals = proposalsOf(directions, doughG);
  const taken: Proposals = Object.fromEntries(
    Object.entries(proposals).filter(([key]) => !left.has(key as ProposalKey)),
  );
  const ruled = formula && withProposals(formula, taken);
  const { target, computing } = useTarget(ruled, proposals.minutes, bakery);
  const made = ruled && target && taken.minutes ? { ...ruled, bake: { ...ruled.bake, target } } : ruled;
  const leave = (key: ProposalKey, away: boolean) =>
    setLeft((before) => {
      const next = new Set(before);
      if (away) next.add(key);
      else next.delete(key);
      return next;
    });
  return { proposals, made, target, computing, left, leave };
};
