import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsObject,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
  ValidateBy,
  type ValidationOptions,
} from 'class-validator';
import { Optional } from './optional.js';
import { isCalendarDate, say } from '@jokul/core';

/** A day of the calendar, such as 2026-11-27. */
export const IsBakeDate = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy({ name: 'isBakeDate', validator: { validate: isCalendarDate } }, options);

/** One line of the bake list, as a person enters it. */
export class OrderLineInput {
  @IsString()
  @Length(1, 80, { message: say`Say who it is for (1 to 80 letters).` })
  customer: string;

  @IsString()
  @Matches(/^[A-Z0-9]{2,6}$/, { message: say`Choose a product.` })
  productCode: string;

  @Type(() => Number)
  @IsInt({ message: say`Pieces must be a whole number.` })
  @Min(1, { message: say`At least one piece; take the line off the list to bake none.` })
  @Max(20_000, { message: say`That is more than 20,000 pieces; check the figure, or split the line.` })
  pieces: number;

  @IsString()
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: say`Ready-by is a time of day such as 05:40.` })
  readyBy: string;

  /** Version that was read, when changing a line; missing for a new one. */
  @Optional()
  @Type(() => Number)
  @IsInt()
  version?: number;
}

/** A line with the key that makes sending it twice harmless. */
export class KeyedOrderLineInput extends OrderLineInput {
  @IsUUID() id: string;
}

/** Several lines at once, from a spreadsheet or another day: all of them, or none. */
export class OrderLinesInput {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => KeyedOrderLineInput)
  lines: KeyedOrderLineInput[];
}

const aDate = { message: say`A day is written 2026-11-27.` };
const weekdaysSaid = { message: say`Choose the days of the week, each once.` };

/** Lines that come back on days of the week until they are ended. */
export class StandingOrderInput extends OrderLineInput {
  /** The key that makes sending a new one twice harmless. */
  @Optional() @IsUUID() id?: string;

  /** 1 for Monday to 7 for Sunday. */
  @IsArray(weekdaysSaid)
  @ArrayMinSize(1, weekdaysSaid)
  @ArrayUnique(weekdaysSaid)
  @IsInt({ ...weekdaysSaid, each: true })
  @Min(1, { ...weekdaysSaid, each: true })
  @Max(7, { ...weekdaysSaid, each: true })
  weekdays: number[];

  /** The first day that it holds for; of a change, the first day that it holds from. */
  @IsBakeDate(aDate) from: string;

  /** The last day; without end where left out. */
  @Optional() @IsBakeDate(aDate) until?: string;
}
