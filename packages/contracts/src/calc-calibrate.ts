import { say } from '@jokul/core';
import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Length,
  Max,
  Min,
  ValidateBy,
  ValidateNested,
} from 'class-validator';
import type { Doneness } from '@jokul/core';
import { BakePieceRequest, BakeTrayRequest } from './calc-bake.js';
import { CompositionRequest, ScaleFormula } from './calc-scale.js';
import { Optional } from './optional.js';

/** Rim colour as a score of 0 to 100, alone or beside the others that the bake answers with. */
const Colour = () =>
  ValidateBy({
    name: 'colour',
    validator: {
      validate: (value: unknown) => {
        const score = typeof value === 'object' && value !== null && 'edge' in value ? value.edge : value;
        return typeof score === 'number' && score >= 0 && score <= 100;
      },
      defaultMessage: () => say`A colour is a score of 0 to 100, or its edge with it.`,
    },
  });

export class MeasuredRequest {
  @Optional() @IsNumber() @Min(20) @Max(140) coreC?: number;
  @Optional() @IsNumber() @Min(10) @Max(500) diameterMm?: number;
  @Optional() @IsNumber() @Min(1) @Max(150) heightMm?: number;
  @Optional() @IsNumber() @Min(0) @Max(0.5) lossShare?: number;
  @Optional() @Colour() colour?: number | { readonly edge: number };
}

export class CalibrateOvenRequest {
  @IsString() @Length(1, 60) id: string;
  @IsNumber() setC: number;
  @IsBoolean() fan: boolean;
  @Optional() @IsInt() @Min(1) @Max(60) position?: number;
}

class BakeSomewhere {
  @Optional() @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula?: ScaleFormula;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => CompositionRequest)
  composition?: CompositionRequest;
  @IsObject() @ValidateNested() @Type(() => BakePieceRequest) piece: BakePieceRequest;
  @IsObject() @ValidateNested() @Type(() => BakeTrayRequest) tray: BakeTrayRequest;
  @IsObject() @ValidateNested() @Type(() => CalibrateOvenRequest) oven: CalibrateOvenRequest;
}

export class MeasuredBakeRequest extends BakeSomewhere {
  @IsNumber() @Min(60) @Max(7200) pullS: number;
  @IsObject() @ValidateNested() @Type(() => MeasuredRequest) measured: MeasuredRequest;
}

export class AskedBakeRequest extends BakeSomewhere {
  @IsIn(['soft-centre', 'chewy', 'crisp-edge', 'crisp-through']) target: Doneness;
}

/** Measured bakes, and what is to be baked by what they teach. */
export class CalibrateRequest {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => MeasuredBakeRequest)
  bakes: MeasuredBakeRequest[];
  @IsArray()
  @ArrayMaxSize(100)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => AskedBakeRequest)
  ask: AskedBakeRequest[];
}
