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
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { traySides, type TraySide } from '@jokul/core';
import { Optional } from './optional.js';

export class TraySizeRequest {
  @IsNumber() lengthMm: number;
  @IsNumber() widthMm: number;
  /** Sides without a rail, where pieces may come to the edge. */
  @Optional() @IsArray() @ArrayMaxSize(4) @IsIn(traySides, { each: true }) openSides?: TraySide[];
}

export class PieceSizeRequest {
  @IsNumber() diameterMm: number;
  @Optional() @IsInt() @Min(0) @Max(10_000) pieces?: number;
}

export class BarRequest {
  @IsNumber() lengthMm: number;
  @IsNumber() widthMm: number;
}

/** One size by its diameter, several by `sizes`, or bars; one of the three. */
export class TrayRequest {
  @IsObject() @ValidateNested() @Type(() => TraySizeRequest) tray: TraySizeRequest;
  @Optional() @IsNumber() diameterMm?: number;
  @Optional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(8)
  @ValidateNested({ each: true })
  @Type(() => PieceSizeRequest)
  sizes?: PieceSizeRequest[];
  @Optional() @IsObject() @ValidateNested() @Type(() => BarRequest) bar?: BarRequest;
  /** Pieces or bars may touch: no gap, whatever `gapMm` says. */
  @Optional() @IsBoolean() touching?: boolean;
  @Optional() @IsNumber() gapMm?: number;
  @IsNumber() marginMm: number;
  @Optional() @IsIn(['rows', 'staggered', 'best']) pattern?: 'rows' | 'staggered' | 'best';
}

export class WeighCheckRequest {
  @IsNumber() nominalG: number;
  @IsNumber() toleranceG: number;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(10_000) @IsNumber({}, { each: true }) readingsG: number[];
  @IsNumber() batchPieces: number;
}
