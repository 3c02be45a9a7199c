import { say } from '@jokul/core';
import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';

/** A step of the calibration; the version is the one that was looked at. */
export class CalibrationStepInput {
  @Type(() => Number) @IsInt() version: number;
}

/** Logged bakes that are not to be learned from, and figures that stay as the untouched model has them. */
export class CalibrationChoicesInput extends CalibrationStepInput {
  @IsArray() @ArrayMaxSize(500) @IsUUID(undefined, { each: true }) leftOut: string[];
  @IsArray() @ArrayMaxSize(200) @IsString({ each: true }) @Length(3, 60, { each: true }) held: string[];
}

export class NotBeforeInput {
  @IsString() @Length(1, 80) batchId: string;
  @IsInt() @Min(0) @Max(4e9) atS: number;
}

/** How a day is to be planned. */
export class PlanInput {
  /** How sure each ready-by shall be, as a share; 0 plans as late as possible. As before where left out. */
  @Optional() @IsNumber() @Min(0) @Max(0.99) chance?: number;
  /** Lots in the cold that are kept for something else. As before where left out. */
  @Optional()
  @IsArray()
  @ArrayMaxSize(200)
  @IsString({ each: true })
  @Length(1, 80, { each: true })
  leave?: string[];
}

/** Several days planned together, up to this one. */
export class DaysPlanInput {
  @Matches(/^\d{4}-\d{2}-\d{2}$/) until: string;
  @Optional() @IsNumber() @Min(0) @Max(0.99) chance?: number;
}

/** A load into another oven, or to another time, s since 1970. */
export class MoveInput {
  @IsString() @Length(1, 80) loadId: string;
  @IsString() @Length(1, 40) ovenId: string;
  @IsInt() @Min(0) @Max(4e9) startS: number;
  /** So many of its trays go, the last ones, as a load of their own; all of them where left out. */
  @Optional() @IsInt() @Min(1) @Max(500) trays?: number;
}

/** Taking a way out or a move that was looked at. */
export class TakeInput {
  /** Why a rule of the floor is broken knowingly; only needed where one is. */
  @Optional() @IsString() @Length(1, 300, { message: say`Say why, in 1 to 300 letters.` }) reason?: string;
}

/** Whether a batch stays where it is when the day is planned again. */
export class HoldInput {
  @IsString() @Length(1, 80) batchId: string;
  @IsBoolean() held: boolean;
}

/** Dough that is not ready before a moment; the loads of these batches wait for it. */
export class RetimeInput {
  @Optional()
  @IsArray()
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => NotBeforeInput)
  notBefore?: NotBeforeInput[];
}
