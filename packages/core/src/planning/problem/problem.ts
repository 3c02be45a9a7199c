import type { RestRule } from '../../formula/index.js';
import type { Skill } from '../../bakery/index.js';

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
  readonly degreesPerMin: number;
}

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

/** Dough that is in the cold already: it is only loaded, or portioned and loaded. */
export interface PlanStock {
  /** As what and where it lies, and how long it thaws or tempers before the oven. */
  readonly form: RestRule['form'];
  readonly placeKind: RestRule['placeKind'];
  readonly temperS: number;
  /** First and last moment that it may go into the oven (a tub: that it may be portioned). */
  readonly fromS: number;
  readonly toS: number;
  /** What it takes up until it is loaded is counted elsewhere: it is a part of a batch that has begun. */
  readonly held?: boolean;
  /** Loads that were planned of it before: those here are numbered on, so that no two bear one name. */
  readonly loadsBefore?: number;
  /** The place that it lies in, and since when the plan reckons with it; left out for dough that no floor knows. */
  readonly placeId?: string;
  readonly sinceS?: number;
  /** The lot that it is a part of, where not all of that is used: it becomes a lot of its own when it is taken out. */
  readonly from?: string;
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

/** How far durations and people stray from the plan. */
export interface Spreads {
  /** Standard deviation of a duration, as a share of it. */
  readonly workShare: number;
  readonly pullShare: number;
  readonly coolShare: number;
  /** Mean of what a person comes late to a task, s. */
  readonly lateS: number;
}

/** Spreads as the log shows them, with how much it has of each. */
export interface LearnedSpreads extends Spreads {
  readonly loads: number;
  readonly pulls: number;
  readonly works: number;
}

/** A mixer that goes on to a dough without an allergen of the one before is cleaned in between. */
export interface BowlRule {
  readonly cleanS: number;
  /** What each product declares, by its code; of one that is not here nothing is known. */
  readonly allergens: Readonly<Record<string, readonly string[]>>;
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

/** What lies at least between two mixings in one bowl, s. */
export const betweenMixesS = (rule: BowlRule, before: string, after: string): number =>
  leftInBowl(rule, before, after).length > 0 ? rule.cleanS : 0;

/** What counts how much in a plan, in minutes of one person. House settings; the defaults are estimates. */
export interface CostWeights {
  /** For a minute that a chamber is hot. */
  readonly ovenMinute: number;
  /** For a piece that is packed, s of work. */
  readonly packPieceS: number;
  /** For a piece that waits an hour longer than it stays fresh. */
  readonly staleHour: number;
  /** How long a packed piece stays fresh, s. */
  readonly freshS: number;
}

export const usualWeights: CostWeights = {
  ovenMinute: 0.25,
  packPieceS: 3,
  staleHour: 0.02,
  freshS: 3 * 3600,
};

/** Ovens start the day at about this, °C. */
export const coldOvenC = 22;

export type TaskKind =
  | 'prepare'
  | 'mix'
  | 'portion'
  | 'rest'
  | 'temper'
  | 'load'
  | 'bake'
  | 'turn'
  | 'pull'
  | 'flatten'
  | 'tray-rest'
  | 'rack'
  | 'ice'
  | 'dry'
  | 'pack';

export interface Use {
  readonly resourceId: string;
  readonly amount: number;
}

export interface Task {
  readonly id: string;
  readonly kind: TaskKind;
  readonly batchId: string;
  readonly loadId?: string;
  readonly startS: number;
  readonly endS: number;
  readonly uses: readonly Use[];
}

export interface PlanTray {
  readonly id: string;
  readonly position: number;
  readonly pieces: number;
}

export interface Load {
  readonly id: string;
  readonly batchId: string;
  readonly ovenId: string;
  readonly setC: number;
  readonly pullS: number;
  readonly startS: number;
  /** When its pieces are cold and packed. */
  readonly readyS: number;
  /** The earliest ready-by that it serves. */
  readonly dueS: number;
  readonly trays: readonly PlanTray[];
}

/** Everything planned for one batch. */
export interface BatchPlan {
  readonly batchId: string;
  readonly productCode: string;
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
  readonly loads: readonly Load[];
  readonly tasks: readonly Task[];
  /** Dough that was in the cold when the plan was made, or a part of it: it is not mixed for this plan. */
  readonly stock?: PlanStock;
}

export interface Unplaced {
  readonly batchId: string;
  readonly productCode: string;
  readonly pieces: number;
  /** A sentence for the baker. */
  readonly reason: string;
}

export interface Plan {
  readonly batches: readonly BatchPlan[];
  readonly unplaced: readonly Unplaced[];
  /** No plan can keep the ovens and the line busy for less, s. */
  readonly boundS: number;
}

/**
 * Time between two loads of one chamber: it is emptied, filled and comes back, and then goes to the temperature of the
 * next one, s.
 */
export const betweenLoadsS = (
  oven: Pick<PlanOven, 'degreesPerMin'>,
  fromC: number,
  toC: number,
  loadGapS: number,
): number => loadGapS + (Math.abs(fromC - toC) / oven.degreesPerMin) * 60;

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
  cold: (kind: string, what: 'trays' | 'tubs' | 'bags') => `${kind}/${what}`,
} as const;

/** Warm trays are not loaded again before this, s. */
export const trayCoolS = 15 * 60;

/** Dough in one tub, g, and pieces in one bag: how cold places are counted. */
export const tubHoldsG = 8000;
export const bagHoldsPieces = 100;
