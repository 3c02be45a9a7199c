import type { Ingredient } from '../ingredient/index.js';
import type { Figure } from '../shown/index.js';
import type { WrittenLine } from './written-line.js';
import type { LineUse } from './sections.js';
import type { Measures } from './words.js';
import type { OwnNames } from './own-names.js';

/** How this kitchen, or the writer of the recipe, fills a cup. A number is grams of one cup. */
export interface CupSchools {
  readonly flour?: 'spooned' | 'dipped' | 'sifted' | number;
  readonly 'brown sugar'?: 'packed' | 'loose' | number;
  readonly cocoa?: 'spooned' | 'dipped' | number;
}
export type SchoolName = keyof CupSchools;

export interface ReadSettings extends OwnNames {
  readonly measures: Measures;
  readonly schools: CupSchools;
  /** Size of an egg where the recipe names none; left out, it is asked. */
  readonly eggSize?: string;
  /** What a figure without a unit means on this sheet; left out, it is asked, once for all lines. */
  readonly bareUnit?: BareUnit;
}
export const bareUnits = ['g', 'kg', 'oz'] as const;
export type BareUnit = (typeof bareUnits)[number];

/** What the baker answered about a line. */
export interface LineAnswer {
  readonly ingredientId?: string;
  readonly massG?: number;
  readonly packing?: string;
  readonly size?: string;
  /** The amount to take out of a range, in the unit as written. */
  readonly amount?: number;
  /** Ounces by weight or by volume. */
  readonly ounces?: 'weight' | 'volume';
  readonly leaveOut?: boolean;
  /** For all lines whose figure has no unit: it belongs into the settings of the sheet, not to one line. */
  readonly bareUnit?: BareUnit;
}

export interface Choice {
  readonly label: string;
  readonly answer: LineAnswer;
}

/** What has to be asked before a line can be weighed. */
export interface LineQuestion {
  readonly about: 'ingredient' | 'amount' | 'packing' | 'size' | 'ounces' | 'unit';
  readonly sentence: string;
  readonly choices: readonly Choice[];
}

/** A line as read: grams, how they came about, and what is uncertain; or the question that it hangs on. */
export interface ReadResult {
  readonly line: WrittenLine;
  readonly state: 'read' | 'ask' | 'left-out' | 'heading' | 'instruction' | 'empty';
  /** What the part of the recipe becomes that it stands in; the dough where left out. */
  readonly use?: LineUse;
  readonly ingredientId?: string;
  /** The ingredient, where it is known. */
  readonly food?: Ingredient;
  readonly mass?: Figure;
  /** How far the grams may be off, when the words leave it open. */
  readonly rangeG?: readonly [number, number];
  readonly packing?: string;
  readonly uncertain: readonly string[];
  readonly question?: LineQuestion;
}
