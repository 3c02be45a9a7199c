import { say } from '@jokul/core';
import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsObject,
  IsString,
  Length,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';
import { IsBakeDate, OrderLineInput } from './orders.js';

/** An oven that may come, like one that is there. */
export class OvenMoreInput {
  @IsString() @Length(1, 40) likeId: string;
  @IsString() @Length(1, 60, { message: say`A name has 1 to 60 letters.` }) name: string;
}

/** Hands that may be away from a shift on the day on which it begins. */
export class AwayHandsInput {
  @IsBakeDate({ message: say`A day is written 2026-11-27.` }) date: string;
  @IsString() @Length(1, 60) shift: string;
  @IsInt() @Min(1) @Max(100) hands: number;
}

/** What might be otherwise on a day. */
export class WhatIfInput {
  @Optional()
  @IsArray()
  @ArrayMaxSize(20)
  @ArrayUnique({ message: say`An oven is out once.` })
  @IsString({ each: true })
  @Length(1, 40, { each: true })
  ovensOut?: string[];

  @Optional()
  @IsArray()
  @ArrayMaxSize(5)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => OvenMoreInput)
  ovensMore?: OvenMoreInput[];

  @Optional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => AwayHandsInput)
  away?: AwayHandsInput[];

  @Optional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => OrderLineInput)
  orders?: OrderLineInput[];
}
