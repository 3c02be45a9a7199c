import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsNumber,
  IsObject,
  IsString,
  Length,
  ValidateNested,
} from 'class-validator';
import type { Composition } from '@jokul/core';
import { Optional } from './optional.js';

/* Requests of /api/calc/* and of `npm run calc`. Ranges are judged by the core, which names what is wrong. */

export class ConvertRequest {
  @IsNumber() amount: number;
  @IsString() @Length(1, 20) unit: string;
  @IsString() @Length(1, 60) ingredient: string;
  @Optional() @IsString() packing?: string;
}

export class ScaleIngredient {
  @IsString() id: string;
  @IsNumber() bakersPercent: number;
  @IsString() stage: string;
}

export class ScaleFormula {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(80)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleIngredient)
  ingredients: ScaleIngredient[];
}

export class ScaleLine {
  @IsNumber() pieces: number;
  @IsNumber() pieceMassG: number;
}

export class LossesRequest {
  @IsNumber() bowlShare: number;
  @IsNumber() portionShare: number;
  @IsNumber() testPieces: number;
}

export class MixerRequest {
  @IsString() id: string;
  @IsNumber() minMassG: number;
  @IsNumber() maxMassG: number;
}

export class ScaleDevice {
  @IsString() id: string;
  @IsNumber() maxMassG: number;
  @IsNumber() resolutionG: number;
  /** How far it may be off, by its last check. */
  @Optional() @IsNumber() toleranceG?: number;
}

export class ScaleRequest {
  @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula: ScaleFormula;
  @IsArray()
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleLine)
  lines: ScaleLine[];
  @IsObject() @ValidateNested() @Type(() => LossesRequest) losses: LossesRequest;
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => MixerRequest)
  mixers: MixerRequest[];
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleDevice)
  scales: ScaleDevice[];
}

export class CompositionRequest implements Composition {
  @IsNumber() water: number;
  @IsNumber() fat: number;
  @IsNumber() protein: number;
  @IsNumber() carbohydrate: number;
  @IsNumber() fibre: number;
  @IsNumber() ash: number;
}
