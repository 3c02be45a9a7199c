import type { Skill } from '../../bakery/index.js';
import type { RestRule } from '../../formula/index.js';
import type { CostWeights } from './costs.js';
import type { PlanStock } from './plan-stock.js';
import type { BatchPlan } from './plan.js';
import type { Spreads } from './spreads.js';

/*
 * The day as a problem: plain JSON (docs/plan.schema.json). All times are seconds since 1970 (UTC); the caller
 * turns wall clocks into them.
 */

/** A stretch of time in which `capacity` units are there. Overlapping ones add up; outside all there are none. */
export interface Availability {
  readonly fromS: number;
  readonly toS: number;
  readonly capacity: number;
}

/** Something that tasks share. Without `when` it is always there. */
export interface Resource {
  readonly id: string;
  readonly name: string;
  readonly capacity: number;
  readonly when?: readonly Availability[];
}

export interface PlanOven {
  readonly id: string;
  readonly name: string;
  readonly places: number;
  /** How fast it heats up, °C a minute. */
  readonly degreesPerMin: number;
  /** How fast it cools, °C a minute; as it heats up where left out. */
  readonly coolsPerMin?: number;
}

/** How fast a chamber goes to another temperature. */
export type OvenRates = Pick<PlanOven, 'degreesPerMin' | 'coolsPerMin'>;

/** How a product bakes in one oven, from the bake model. */
export interface OvenBake {
  readonly ovenId: string;
  readonly setC: number;
  readonly pullS: number;
}

export interface Demand {
  readonly name: string;
  readonly readyByS: number;
  readonly pieces: number;
  /** How much a piece of it that is not ready counts; 1 where left out. */
  readonly weight?: number;
}

/** Work that a dough asks for before it is mixed, by one pair of hands. */
export interface AheadWork {
  /** What is done: a kind of preparation. */
  readonly kind: string;
  /** It begins so long before the mixing, or earlier where nobody has a hand free, s. */
  readonly aheadS: number;
  readonly workS: number;
}

/** One skill, or some that are counted together, such as `mix` or `mix+portion`. */
export type RareSkills = Skill | `${Skill}+${string}`;
export const skillsIn = (able: RareSkills): readonly Skill[] => able.split('+') as Skill[];

/** What hands do to the pieces once they are out of the oven; what is left out or 0 is not done by the hands of the line. */
export interface AfterWork {
  /** Pressed flat on the hot tray at the pull, s a piece. */
  readonly flattenPieceS?: number;
  /** Iced or glazed when they are cold, s a piece. */
  readonly icePieceS?: number;
  /** From iced to dry, s. */
  readonly dryS?: number;
  readonly packPieceS?: number;
}

/** What a person does at the oven. */
export interface OvenWork {
  /** Putting a tray in, turning it half way, or taking it out, s. */
  readonly trayS: number;
  /** Done by people who tend the ovens and nothing else (`oven-hands`), not by the hands of the line. */
  readonly ownHands: boolean;
}

export interface PlanBatch {
  readonly id: string;
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
  /** Mixers that take it, `mixerId` among them; only that one where left out. */
  readonly mixerIds?: readonly string[];
  /** It may be made smaller, down to this, when not all of it can be baked; all or nothing where left out. */
  readonly minMassG?: number;
  /** Which of the product's demands it is for, as places in their list; all where left out. */
  readonly serves?: readonly number[];
  readonly stock?: PlanStock;
  /** None where left out. What finds no free hand before the mixing is left to whoever comes by. */
  readonly ahead?: readonly AheadWork[];
}

export interface PlanProduct {
  readonly code: string;
  readonly name: string;
  readonly rest: RestRule;
  readonly demands: readonly Demand[];
  readonly batches: readonly PlanBatch[];
  readonly perTray: number;
  /** Raw pieces that rest close together on one tray. */
  readonly restingPerTray: number;
  readonly bakes: readonly OvenBake[];
  readonly mixS: number;
  readonly portionSetUpS: number;
  readonly portionSPerPiece: number;
  readonly trayRestS: number;
  readonly coolS: number;
  /** Kept between cold (iced, dry) pieces and their ready-by, s. */
  readonly packS: number;
  /** Nobody's time after the oven is counted where left out. */
  readonly after?: AfterWork;
  /** Nobody's time at the oven is counted where left out. */
  readonly atOven?: OvenWork;
  /** What its trays are laid out with, where so much of it is there: the id of a resource. */
  readonly liner?: string;
  /** Work that not everybody can do: it takes hands that can; everybody can where left out. */
  readonly skills?: readonly RareSkills[];
}

export interface PlanProblem {
  readonly nowS: number;
  readonly products: readonly PlanProduct[];
  readonly resources: readonly Resource[];
  readonly ovens: readonly PlanOven[];
  /** Ovens are attended only then. */
  readonly ovenHours: readonly Availability[];
  readonly loadGapS: number;
  /** Batches that have begun: they stay where they are. */
  readonly fixed: readonly BatchPlan[];
  /** Batches of other plans: they stay too, and serve nothing here. */
  readonly taken?: readonly BatchPlan[];
  /** Ovens are cold when their hours begin, and heat up first; they count as hot where left out. */
  readonly coldOvens?: boolean;
  /** What a plan costs; the usual weights where left out. */
  readonly weights?: CostWeights;
  /** How bowls are kept apart; not at all where left out. */
  readonly bowls?: BowlRule;
  /** How far people and ovens stray from a plan; the usual spreads where left out. */
  readonly spreads?: Spreads;
}

/** A mixer that goes on to a dough without an allergen of the one before is cleaned in between. */
export interface BowlRule {
  readonly cleanS: number;
  /** What each product declares, by its code; of one that is not here nothing is known. */
  readonly allergens: Readonly<Record<string, readonly string[]>>;
  /** Mixers with a bowl more: the next dough is mixed in that one, and the other is cleaned meanwhile. */
  readonly spare?: readonly string[];
}

/** Cleaning a bowl of an allergen, s: an estimate, to be changed by the house. */
export const usualCleanS = 600;

/** So far apart the bowl was washed with everything else anyway, s. */
export const washedAfterS = 6 * 3600;

/** What the dough before leaves in the bowl that the next one does not declare. */
export const leftInBowl = (
  { allergens }: Pick<BowlRule, 'allergens'>,
  before: string,
  after: string,
): readonly string[] => {
  const [left, declared] = [allergens[before], allergens[after]];
  return left && declared ? left.filter((allergen) => !declared.includes(allergen)) : [];
};

/** Whether a mixer goes on at once, in another bowl. */
export const hasSpareBowl = ({ spare = [] }: BowlRule, mixerId: string): boolean => spare.includes(mixerId);

/** What lies at least between two doughs of a mixer, s. */
export const betweenMixesS = (rule: BowlRule, mixerId: string, before: string, after: string): number =>
  !hasSpareBowl(rule, mixerId) && leftInBowl(rule, before, after).length > 0 ? rule.cleanS : 0;

/** Ovens start the day at about this, °C. */
export const coldOvenC = 22;

/** How long a chamber takes from one temperature to another, s. */
export const changeS = (
  { degreesPerMin, coolsPerMin = degreesPerMin }: OvenRates,
  fromC: number,
  toC: number,
): number => (60 * Math.abs(toC - fromC)) / (toC < fromC ? coolsPerMin : degreesPerMin);

/**
 * Time between two loads of one chamber: it is emptied, filled and comes back, and then goes to the temperature of the
 * next one, s.
 */
export const betweenLoadsS = (oven: OvenRates, fromC: number, toC: number, loadGapS: number): number =>
  loadGapS + changeS(oven, fromC, toC);

/** What a chamber takes from cold to its temperature, s. */
export const heatUpS = (oven: Pick<PlanOven, 'degreesPerMin'>, setC: number): number =>
  (60 * Math.max(0, setC - coldOvenC)) / oven.degreesPerMin;

/** Resource names that the solver and the checker agree on. */
export const resourceIds = {
  hands: 'hands',
  /** Who tends the ovens and nothing else; only there where tending them is counted. */
  ovenHands: 'oven-hands',
  /** Of the hands those that can do it; only there where not all can. */
  skilled: (able: RareSkills) => `hands/${able}`,
  trays: 'trays',
  racks: 'racks',
  liner: (id: string) => `liner/${id}`,
  cold: (kind: string, what: 'trays' | 'tubs' | 'bags') => `${kind}/${what}`,
} as const;

/** Warm trays are not loaded again before this, s. */
export const trayCoolS = 15 * 60;

/** Dough in one tub, g, and pieces in one bag: how cold places are counted. */
export const tubHoldsG = 8000;
export const bagHoldsPieces = 100;
