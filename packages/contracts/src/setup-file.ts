import { say } from '@jokul/core';
import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsString,
  Length,
  Matches,
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';
import { EquipmentBody } from './equipment.js';
import { NewFormulaInput } from './formula.js';
import { OwnIngredientInput, PricesBody, RulesBody } from './setup.js';

export class SetupBakery {
  @Matches(/^(?=.*\S).{1,60}$/, { message: say`The name of the bakery has 1 to 60 letters.` }) name: string;
  @IsString() @Length(1, 60) timeZone: string;
}

/**
 * All that a bakery has set up, as a file: equipment, people, hours and closed days, house rules, its own ingredients, and
 * the latest version of each formula. Masses in g, temperatures in °C, durations in s, lengths in mm, shares from 0 to 1.
 * Its schema is published as docs/setup.schema.json.
 */
export class SetupFile {
  @IsIn(['jokul-setup'], { message: say`This is no setup file of Jokul.` }) format: 'jokul-setup';
  @IsIn([1], { message: say`This setup file is of a newer Jokul.` }) version: 1;
  /** When it was made; only for people. */
  @Optional() @IsString() @Length(1, 40) madeAt?: string;
  @IsObject() @ValidateNested() @Type(() => SetupBakery) bakery: SetupBakery;
  @IsObject() @ValidateNested() @Type(() => RulesBody) rules: RulesBody;
  @IsObject() @ValidateNested() @Type(() => EquipmentBody) equipment: EquipmentBody;
  @IsArray()
  @ArrayMaxSize(300)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => OwnIngredientInput)
  ingredients: OwnIngredientInput[];
  /** What a kilogram of an ingredient costs; those of the bakery stay where the file has none. */
  @Optional() @IsObject() @ValidateNested() @Type(() => PricesBody) prices?: PricesBody;
  @IsArray()
  @ArrayMaxSize(400)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => NewFormulaInput)
  formulas: NewFormulaInput[];
}

/** The versions that were looked at. */
export class SetupVersions {
  @IsInt() equipment: number;
  @IsInt() rules: number;
  @IsInt() ingredients: number;
}

/** A setup file that is looked at, or taken in; the bakery's own name and time zone stay unless they are asked for. */
export class SetupFileInput {
  @IsObject() @ValidateNested() @Type(() => SetupFile) file: SetupFile;
  @IsBoolean() withBakery: boolean;
}
export class TakeSetupFileInput extends SetupFileInput {
  @IsObject() @ValidateNested() @Type(() => SetupVersions) versions: SetupVersions;
}

/** What a setup file would change. */
export interface SetupChanges {
  readonly bakery: SetupBakery;
  readonly versions: SetupVersions;
  readonly things: readonly {
    readonly kind: string;
    readonly name: string;
    readonly what: 'new' | 'changed' | 'retired';
  }[];
  /** What is a list of its own: scoops, shifts, oven hours, people, closed days, prices. */
  readonly lists: readonly string[];
  /** House rules of another figure, with what holds now. */
  readonly rules: readonly { readonly key: string; readonly from: unknown; readonly to: unknown }[];
  readonly ingredients: readonly { readonly name: string; readonly what: 'new' | 'changed' }[];
  readonly formulas: readonly {
    readonly code: string;
    readonly name: string;
    readonly what: 'new' | 'changed';
  }[];
}

/** What of the setup one change touched. The name of the bakery and its time zone stand among the rules. */
export type SetupChangeWhat = Pick<SetupChanges, 'things' | 'lists' | 'rules' | 'ingredients'>;

/** One change in Setup. */
export interface SetupChangeView {
  readonly id: number;
  readonly key: string;
  readonly atMs: number;
  /** A role; "" where the device did not say. */
  readonly who: string;
  readonly what: SetupChangeWhat;
}
