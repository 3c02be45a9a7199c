import 'reflect-metadata';
import { IsBoolean, IsInt, IsString, Length, Max, Min } from 'class-validator';
import { Optional } from './optional.js';

/** What a device says of itself now and then, so that somebody elsewhere sees which ones are behind. */
export class TabletInput {
  /** Its name in the log. */
  @IsString() @Length(1, 80) device: string;
  /** Entries that it has not sent yet. */
  @IsInt() @Min(0) @Max(1e6) kept: number;
  /** Entries that were refused and wait there for a person. */
  @IsInt() @Min(0) @Max(1e6) setAside: number;
  /** How far its clock is before the bakery's; behind is less than 0. */
  @IsInt() @Min(-1e10) @Max(1e10) clockAheadS: number;
  /** Whether its page is being closed just now. */
  @Optional() @IsBoolean() leaving?: boolean;
}
