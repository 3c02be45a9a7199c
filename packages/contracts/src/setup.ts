import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsIn, IsInt, IsNumber, IsOptional, IsString, Length, Matches, Max, Min } from 'class-validator';

const share = { message: 'A loss is between 0 and 20 %.' };

/** House rules that a person may change. */
export class RulesInput {
  @Type(() => Number) @IsNumber({}, share) @Min(0, share) @Max(0.2, share) bowlLossShare: number;
  @Type(() => Number) @IsNumber({}, share) @Min(0, share) @Max(0.2, share) portionLossShare: number;
  @Type(() => Number)
  @IsInt({ message: 'Test pieces must be a whole number.' })
  @Min(0)
  @Max(500)
  testPieces: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(100) trayMarginMm: number;
  @Type(() => Number) @IsNumber() @Min(10) @Max(32) doughC: number;
  @Type(() => Number) @IsNumber() @Min(1) @Max(20) readyCoreC: number;
  @Type(() => Number) @IsInt() @Min(300) @Max(7200) mixS: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(120) portionSPerPiece: number;
  @Type(() => Number) @IsInt() @Min(0) @Max(7200) coolS: number;
  @Type(() => Number) @IsInt() @Min(0) @Max(7200) packS: number;
  @Type(() => Number) @IsNumber() @Min(0.01) @Max(0.3) pieceToleranceShare: number;
  @Type(() => Number) @IsNumber() @Min(0) @Max(8) coldLimitC: number;
  @Type(() => Number) @IsInt() version: number;
}

/** The bakery's clock: real, or set to a moment of the demo and running or standing still from there. */
export class ClockInput {
  @IsIn(['real', 'running', 'frozen']) mode: 'real' | 'running' | 'frozen';
  @IsOptional() @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'The date is written 2026-11-27.' }) date?: string;
  @IsOptional()
  @IsString()
  @Length(5, 5)
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'The time is written 04:10.' })
  time?: string;
}
