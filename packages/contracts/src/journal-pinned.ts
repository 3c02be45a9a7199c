import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { allergenIds, allergenSourceIds, type Allergen, type AllergenSource } from '@jokul/core';
import { FormulaBody } from './formula.js';
import { ByName, Grams, Name, Range, seconds } from './journal-fields.js';
import { Optional } from './optional.js';
import { IngredientPartInput, OwnIngredientInput } from './setup.js';

class PinnedFormulaPayload extends FormulaBody {
  @Matches(/^[A-Z0-9]{2,6}$/) code: string;
  @IsInt() @Min(1) version: number;
}

/** What it was mixed from, the bakery's own whole. */
class PinnedPartPayload extends IngredientPartInput {
  @Optional() @IsObject() food?: object;
}

/** An own ingredient with what was computed of it. */
class PinnedOwnPayload extends OwnIngredientInput {
  @IsObject() composition: object;
  @IsArray()
  @ArrayMaxSize(30)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => PinnedPartPayload)
  declare parts: PinnedPartPayload[];
  @IsArray() @ArrayMaxSize(60) words: string[];
}

class PinnedIngredientPayload {
  @IsString() @Length(1, 60) id: string;
  @Name() name: string;
  @IsArray() @IsIn(allergenIds, { each: true }) allergens: Allergen[];
  @Optional() @IsArray() @ArrayMaxSize(40) @IsIn(allergenSourceIds, { each: true }) which?: AllergenSource[];
  @Optional() @IsObject() @ValidateNested() @Type(() => PinnedOwnPayload) own?: object;
}

class PinnedWeighingPayload {
  @Name() key: string;
  @IsString() @Length(1, 60) ingredientId: string;
  @Grams() targetG: number;
  @Name() scaleId: string;
}

class ParentPayload {
  @Name() lot: string;
  @Grams() massG: number;
}

export class AgePayload {
  @IsNumber({}, seconds) @Min(0, seconds) @Max(4e8, seconds) chilledS: number;
  @IsNumber({}, seconds) @Min(0, seconds) @Max(4e8, seconds) frozenS: number;
  @IsNumber({}, seconds) @Min(0, seconds) @Max(4e8, seconds) outS: number;
  @IsInt() @Min(0) @Max(1000) stays: number;
  @ByName(4e8, seconds.message) byPlace: Record<string, number>;
}

export class BegunPayload {
  @IsIn([1]) schema: 1;
  @Matches(/^[A-Z0-9]{2,6}$/) productCode: string;
  @IsObject() @ValidateNested() @Type(() => PinnedFormulaPayload) formula: PinnedFormulaPayload;
  @IsArray()
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => PinnedIngredientPayload)
  ingredients: PinnedIngredientPayload[];
  @IsArray() @IsIn(allergenIds, { each: true }) allergens: Allergen[];
  @Optional() @IsArray() @ArrayMaxSize(40) @IsIn(allergenSourceIds, { each: true }) which?: AllergenSource[];
  @Grams() massG: number;
  @Range(0, 100_000) pieces: number;
  @ValidateIf((payload: BegunPayload) => payload.day !== null)
  @Matches(/^\d{4}-\d{2}-\d{2}$/)
  day: string | null;
  @ValidateIf((payload: BegunPayload) => payload.mixerId !== null) @Name() mixerId: string | null;
  @IsArray()
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => PinnedWeighingPayload)
  sheet: PinnedWeighingPayload[];
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ParentPayload)
  parents: ParentPayload[];
  @Optional() @IsObject() @ValidateNested() @Type(() => AgePayload) age?: AgePayload;
}
