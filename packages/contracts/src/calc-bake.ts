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
  ValidateNested,
} from 'class-validator';
import type { Doneness, Liner, OwnLimits, PieceShape, TrayMaterial } from '@jokul/core';
import { CompositionRequest, ScaleFormula } from './calc-scale.js';
import { Limits } from './limits.js';
import { Optional } from './optional.js';

export class BakePieceRequest {
  @IsNumber() massG: number;
  @IsIn(['ball', 'mound', 'puck', 'slice']) shape: PieceShape;
  /** Pressed flat to this diameter before it bakes, mm. */
  @Optional() @IsNumber() pressedMm?: number;
  @Optional() @IsNumber() startC?: number;
  @Optional()
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(60)
  @IsNumber({}, { each: true })
  profile?: number[];
}

export class BakeTrayRequest {
  @IsString() material: TrayMaterial;
  @IsString() liner: Liner;
  /** Heat that the liner lets through, W/m²K, 10 to 600, and how hard it holds the dough, paper being 1; its kind's where left out. */
  @Optional() @IsNumber() contactWPerM2K?: number;
  @Optional() @IsNumber() drag?: number;
}

/** What is known of an oven and a dough, as calibration finds it; left out, a figure changes nothing. */
export class BakeCalibrationRequest {
  @Optional() @IsNumber() offsetK?: number;
  @Optional() @IsNumber() hFactor?: number;
  @Optional() @IsNumber() stiffness?: number;
  @Optional() @IsNumber() colourFactor?: number;
}

export class BakeOvenRequest {
  @IsNumber() setC: number;
  @IsBoolean() fan: boolean;
  @Optional() @IsInt() position?: number;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => BakeCalibrationRequest)
  calibration?: BakeCalibrationRequest;
}

export class BakeRestRequest {
  @IsNumber() trayS: number;
  @IsNumber() airC: number;
}

/** The house's own limits, where they are not the usual ones. */
export class BakeRulesRequest {
  /** What even the coldest point must reach, carryover included, °C. */
  @Optional() @IsNumber() centreC?: number;
  /** What is too dark, and how the work on the dough tells, by the house. */
  @Optional() @Limits() limits?: OwnLimits;
}

export class BakeRequestInput {
  @IsObject() @ValidateNested() @Type(() => BakePieceRequest) piece: BakePieceRequest;
  @Optional() @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula?: ScaleFormula;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => CompositionRequest)
  composition?: CompositionRequest;
  @IsObject() @ValidateNested() @Type(() => BakeTrayRequest) tray: BakeTrayRequest;
  @IsObject() @ValidateNested() @Type(() => BakeOvenRequest) oven: BakeOvenRequest;
  @IsObject() @ValidateNested() @Type(() => BakeRestRequest) rest: BakeRestRequest;
  @Optional() @IsNumber() pullS?: number;
  @Optional() @IsIn(['soft-centre', 'chewy', 'crisp-edge', 'crisp-through']) target?: Doneness;
  @Optional() @IsObject() @ValidateNested() @Type(() => BakeRulesRequest) rules?: BakeRulesRequest;
}
