import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
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
  ValidateNested,
} from 'class-validator';
import {
  readyWays,
  stageTools,
  toppingWays,
  type ReadyWay,
  type StageTool,
  type ToppingWay,
  say,
} from '@jokul/core';
import { Optional } from './optional.js';

const amount = { message: say`An amount must be above 0 and at most 500 %.` };

export class FormulaLineInput {
  @IsString()
  @Length(1, 60)
  ingredientId: string;

  @IsNumber({}, amount)
  @Min(0.01, amount)
  @Max(500, amount)
  percent: number;

  @Optional()
  @IsBoolean()
  browned?: boolean;

  @Optional()
  @IsArray()
  @ArrayUnique()
  @ArrayMaxSize(5)
  @IsIn(readyWays, {
    each: true,
    message: say`What is done to an ingredient is one of ${readyWays.join(', ')}.`,
  })
  ready?: ReadyWay[];
}

export class ToppingInput extends FormulaLineInput {
  @Optional()
  @IsIn(toppingWays, { message: say`A topping is put on one of these ways: ${toppingWays.join(', ')}.` })
  on?: ToppingWay;
}

const wrongParts = say`The parts of a stage must be a whole number from 1 to 24.`;

export class FormulaStageInput {
  @IsString()
  @Length(1, 40)
  id: string;

  @IsString()
  @Length(1, 80)
  name: string;

  @IsString()
  @Length(0, 400)
  cue: string;

  @Optional()
  @IsInt({ message: wrongParts })
  @Min(1, { message: wrongParts })
  @Max(24, { message: wrongParts })
  parts?: number;

  @Optional()
  @IsIn(stageTools, { message: say`A stage is worked with one of ${stageTools.join(', ')}.` })
  tool?: StageTool;

  @Optional()
  @IsNumber({}, { message: say`The time of a stage must be a number of seconds.` })
  @Min(5, { message: say`A stage is worked for at least 5 s.` })
  @Max(3600, { message: say`A stage is worked for at most an hour.` })
  workS?: number;

  @IsArray()
  @ArrayMaxSize(40)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => FormulaLineInput)
  lines: FormulaLineInput[];
}
