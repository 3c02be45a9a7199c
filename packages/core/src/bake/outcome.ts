import { div, modelled, relation, type Figure, type Unit, say } from '../shown/index.js';
import type { BakeResult } from './bake.js';

const halfTime = relation({
  name: say`Turn`,
  symbol: 't½',
  unit: 's',
  inputs: { t: { symbol: 't', name: say`time in the oven`, unit: 's' } },
  formula: ({ t }) => div(t, 2),
  source: say`half of the time in the oven: each side stands at each place equally long`,
});

/** What the bake model says of a piece, each as a figure that shows what it hangs on. */
export interface Outcome {
  readonly turn: Figure;
  readonly centre: Figure;
  readonly diameter: Figure;
  readonly height: Figure;
  readonly loss: Figure;
  /** Rim that snaps. */
  readonly crispRim: Figure;
  readonly colourEdge: Figure;
  readonly colourBottom: Figure;
}

/** The outcome of a bake that has a pull; null without one. */
export const outcomeOf = ({ pull, atPull, cooled }: BakeResult): Outcome | null => {
  if (!pull || !atPull || !cooled) return null;
  const { filled: _, ...account } = pull;
  const terms = [
    ...pull.terms,
    { symbol: 't', name: say`time in the oven`, value: pull.value, unit: 's' as const, shown: pull },
  ];
  const figure = (name: string, symbol: string, value: number, unit: Unit) =>
    modelled({ ...account, terms, name, symbol, value, unit });
  return {
    turn: halfTime({ t: pull }),
    centre: figure(say`Centre at the pull`, 'T_c', atPull.centreC, '°C'),
    diameter: figure(say`Diameter, cold`, 'D', cooled.diameterMm, 'mm'),
    height: figure(say`Height, cold`, 'H', cooled.heightMm, 'mm'),
    loss: figure(say`Bake loss, cold`, 'l', cooled.lossShare, 'share'),
    crispRim: figure(say`Rim below 5.5 % of water, cold`, 'c', cooled.crispEdgeMm, 'mm'),
    colourEdge: figure(say`Colour of the rim, 0 raw to 100 black`, 'b_e', cooled.colour.edge, ''),
    colourBottom: figure(say`Colour of the underside, 0 raw to 100 black`, 'b_u', cooled.colour.bottom, ''),
  };
};
