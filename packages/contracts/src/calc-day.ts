import { say } from '@jokul/core';
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
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';

const wallClock = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/;
const wallClockWanted = { message: say`$property is no date and time: write 2026-11-28T06:30` };

export class DayOrderRequest {
  @IsString() @Length(1, 20) productCode: string;
  @IsInt() @Min(0) @Max(1e9) pieces: number;
  /** Wall clock of the bakery. */
  @IsString() @Matches(wallClock, wallClockWanted) readyBy: string;
  @Optional() @IsString() @Length(0, 80) customer?: string;
}

export class DayStockRequest {
  @IsString() @Length(1, 20) productCode: string;
  @IsInt() @Min(0) @Max(1e9) pieces: number;
  @IsIn(['pieces', 'tub', 'bag']) form: 'pieces' | 'tub' | 'bag';
  @IsString() @Length(1, 60) placeId: string;
  @IsString() @Matches(wallClock, wallClockWanted) madeAt: string;
}

export class DayRequest {
  @IsArray()
  @ArrayMaxSize(2000)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => DayOrderRequest)
  orders: DayOrderRequest[];
  /** The moment to plan from, as seconds since 1970 or as the bakery's wall clock; that of the demo where left out. */
  @Optional() @IsNumber() nowS?: number;
  @Optional() @IsString() @Matches(wallClock, wallClockWanted) now?: string;
  @Optional()
  @IsArray()
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => DayStockRequest)
  stock?: DayStockRequest[];
  /** How long a better plan is sought; a quick one where left out. */
  @Optional() @IsNumber() @Min(0) @Max(60) seconds?: number;
  /** How sure each ready-by shall be, as a share. */
  @Optional() @IsNumber() @Min(0) @Max(0.99) chance?: number;
}
