import 'reflect-metadata';
import { Type } from 'class-transformer';
import { faultKinds, type FaultKind } from '@jokul/core';
import {
  IsObject,
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';

/** A fault of a cold place that the simulated probes play out. */
export class PlaceFaultInput {
  @IsString() @Length(1, 80) placeId: string;
  @IsIn(faultKinds) kind: FaultKind;
  @IsInt() @Min(0) @Max(4e12) fromMs: number;
  @IsOptional() @IsInt() @Min(0) @Max(4e12) toMs: number | null;
}

export class FaultsInput {
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => PlaceFaultInput)
  faults: PlaceFaultInput[];
  @Type(() => Number) @IsInt() version: number;
}
