import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { ByName } from './journal-fields.js';
import { Limits } from './limits.js';
import { Optional } from './optional.js';
import {
  allergenIds,
  allergenSourceIds,
  ingredientKinds,
  labelWordings,
  liners,
  type Allergen,
  type AllergenSource,
  type IngredientKind,
  type LabelWording,
  type Liner,
  type OwnLimits,
  say,
} from '@jokul/core';

const share = { message: say`A loss is between 0 and 20 %.` };

const centre = { message: say`The limit of the centre is between 50 and 95 °C.` };

/** House rules that a person may change. */
export class RulesBody {
  @Type(() => Number) @IsNumber({}, share) @Min(0, share) @Max(0.2, share) bowlLossShare: number;
  @Type(() => Number) @IsNumber({}, share) @Min(0, share) @Max(0.2, share) portionLossShare: number;
  @Type(() => Number)
  @IsInt({ message: say`Test pieces must be a whole number.` })
  @Min(0)
  @Max(500)
  testPieces: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(100) trayMarginMm: number;
  @Type(() => Number) @IsNumber() @Min(10) @Max(32) doughC: number;
  @Type(() => Number) @IsNumber() @Min(1) @Max(20) readyCoreC: number;
  @Type(() => Number) @IsInt() @Min(300) @Max(7200) mixS: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(120) portionSPerPiece: number;
  /** Cleaning a mixer's bowl of an allergen, s. */
  @Optional() @Type(() => Number) @IsInt() @Min(0) @Max(7200) cleanS?: number;
  @Type(() => Number) @IsInt() @Min(0) @Max(7200) coolS: number;
  @Type(() => Number) @IsInt() @Min(0) @Max(7200) packS: number;
  @Optional() @Type(() => Number) @IsNumber() @Min(0) @Max(120) packPieceS?: number;
  @Optional() @Type(() => Number) @IsNumber() @Min(0) @Max(120) ovenTrayS?: number;
  @Type(() => Number) @IsNumber() @Min(0.01) @Max(0.3) pieceToleranceShare: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(8) coldLimitC: number;
  /** How long dough may be thawed, frozen, and out of the cold altogether; a probe silent before it is an alarm; s. */
  @Optional() @Type(() => Number) @IsInt() @Min(3600) @Max(14 * 86_400) thawedMaxS?: number;
  @Optional() @Type(() => Number) @IsInt() @Min(86_400) @Max(400 * 86_400) frozenMaxS?: number;
  @Optional() @Type(() => Number) @IsInt() @Min(600) @Max(86_400) outMaxS?: number;
  @Optional() @Type(() => Number) @IsInt() @Min(60) @Max(86_400) probeSilentS?: number;
  /** What the coldest point of a baked piece reaches, °C. */
  @Optional() @Type(() => Number) @IsNumber() @Min(50, centre) @Max(95, centre) centreC?: number;
  /** The tray and the liner that are planned with. */
  @Optional() @IsString() @Length(1, 40) trayId?: string;
  @Optional() @IsIn(Object.keys(liners), { message: say`Choose what lies on the tray.` }) liner?: Liner;
  /** How labels name allergens. */
  @Optional() @IsIn(labelWordings, { message: say`Choose how labels name allergens.` }) labels?: LabelWording;
  /** Limits and factors of the models, where the house sets its own. */
  @Optional() @Limits() limits?: OwnLimits;
}
export class RulesInput extends RulesBody {
  @Type(() => Number) @IsInt() version: number;
}

/** What the bakery is called, and the zone of its clock. */
export class BakeryInput {
  @Matches(/^(?=.*\S).{1,60}$/, { message: say`The name of the bakery has 1 to 60 letters.` }) name: string;
  @IsString() @Length(1, 60) timeZone: string;
  @IsInt() rulesVersion: number;
}

/** Where backups of this machine go (the usual folder for nothing), and how many nights are kept. */
export class BackupChoiceInput {
  @IsOptional()
  @IsString()
  @Length(0, 400)
  @Matches(/^[^\0\r\n]*$/, { message: say`A folder is one line.` })
  folder: string | null;

  @IsInt()
  @Min(1, { message: say`At least one night is kept.` })
  @Max(400, { message: say`At most 400 nights are kept.` })
  keep: number;
}

/** Which bakery is to be opened. */
export class OpenBakeryInput {
  @IsIn(['demo', 'own'], { message: say`The bakery to open is "demo" or "own".` }) kind: 'demo' | 'own';
  /** Which one of one's own: the first where left out; "new" begins another one. */
  @Optional()
  @Matches(/^(?:new|own(?:-[2-9]|-[1-9][0-9])?)$/, { message: say`There is no bakery of that name.` })
  id?: string;
}

/** The bakery's clock: real, or set to a moment of the demo and running or standing still from there. */
export class ClockInput {
  @IsIn(['real', 'running', 'frozen']) mode: 'real' | 'running' | 'frozen';
  @Optional()
  @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: say`The date is written 2026-11-27.` })
  date?: string;
  @Optional()
  @IsString()
  @Length(5, 5)
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: say`The time is written 04:10.` })
  time?: string;
}

const fraction = { message: say`A part of a composition is between 0 and 100 %.` };
const Fraction = () => (target: object, key: string) => {
  IsNumber({}, fraction)(target, key);
  Min(0, fraction)(target, key);
  Max(1, fraction)(target, key);
};

/** Mass fractions; they add up to 1. */
export class AnalysisInput {
  @Fraction() water: number;
  @Fraction() fat: number;
  @Fraction() protein: number;
  @Fraction() starch: number;
  @Fraction() sugars: number;
  @Fraction() fibre: number;
  @Fraction() ash: number;
  @Fraction() salt: number;
  @Fraction() alcohol: number;
}

/** Base and acid in mmol/g, gas in mL/g. */
export class LeaveningInput {
  @IsNumber() @Min(0) @Max(100) baseMmolPerG: number;
  @IsNumber() @Min(0) @Max(100) acidMmolPerG: number;
  @IsNumber() @Min(0) @Max(1000) gasMlPerG: number;
}

/** What an ingredient is mixed from, as a mass fraction. */
export class IngredientPartInput {
  @IsString() @Length(1, 60) ingredientId: string;
  @Fraction() share: number;
}

/** An ingredient of the bakery's own. */
export class OwnIngredientInput {
  @Matches(/^own-[a-z0-9-]{1,50}$/, {
    message: say`The id begins with own- and has small letters and digits.`,
  })
  id: string;
  @IsString() @Length(2, 60, { message: say`The ingredient needs a name of 2 to 60 letters.` }) name: string;
  @IsIn(ingredientKinds) kind: IngredientKind;
  @IsObject() @ValidateNested() @Type(() => AnalysisInput) analysis: AnalysisInput;
  /** Packing to g/mL. */
  @IsObject() densityGPerMl: Record<string, number>;
  @IsArray() @IsIn(allergenIds, { each: true }) allergens: Allergen[];
  /** The nuts and cereals among them by name. */
  @Optional() @IsArray() @ArrayMaxSize(40) @IsIn(allergenSourceIds, { each: true }) which?: AllergenSource[];
  @IsObject() @ValidateNested() @Type(() => LeaveningInput) leavening: LeaveningInput;
  /** Name of a piece to grams. */
  @IsObject() pieceG: Record<string, number>;
  /** What it is mixed from; its composition and leavening follow from them. */
  @Optional()
  @IsArray()
  @ArrayMaxSize(30, { message: say`An ingredient is mixed from 30 others at most.` })
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => IngredientPartInput)
  parts?: IngredientPartInput[];
  @IsString()
  @Length(1, 200, { message: say`Say where the figures are from: the label, a supplier.` })
  source: string;
}

/** All ingredients of the bakery's own; the version is the one that was edited. */
export class OwnIngredientsInput {
  @IsArray()
  @ArrayMaxSize(300)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => OwnIngredientInput)
  ingredients: OwnIngredientInput[];
  @Type(() => Number) @IsInt() version: number;
}

/** What the bakery pays for a kilogram of its ingredients, in its own money. */
export class PricesBody {
  @Matches(/^(?:[A-Z]{3})?$/, { message: say`A currency is three capitals, such as EUR.` }) currency: string;
  @ByName(100_000, say`A price of a kilogram is between 0 and 100,000.`, 1000) perKg: Record<string, number>;
  /** What a pack of an ingredient holds, g. */
  @Optional()
  @ByName(1e6, say`A pack holds between 0 and 1,000,000 g.`, 1000)
  packG?: Record<string, number>;
  /** A kilowatt hour; 0 where nobody says. */
  @Optional()
  @Type(() => Number)
  @IsNumber({}, { message: say`The price of a kWh is between 0 and 1,000.` })
  @Min(0, { message: say`The price of a kWh is between 0 and 1,000.` })
  @Max(1000, { message: say`The price of a kWh is between 0 and 1,000.` })
  perKWh?: number;
}

/** The version is the one that was edited. */
export class PricesInput extends PricesBody {
  @Type(() => Number) @IsInt() version: number;
}
