import { say } from '@jokul/core';
import 'reflect-metadata';
import { IsIn, IsString, Length, ValidateBy } from 'class-validator';
import { Optional } from './optional.js';

/** A school by its name, or the grams of one cup. */
const School = (...names: readonly string[]) =>
  ValidateBy({
    name: 'school',
    constraints: [...names],
    validator: {
      validate: (value: unknown) =>
        (typeof value === 'string' && names.includes(value)) ||
        (typeof value === 'number' && value >= 20 && value <= 400),
      defaultMessage: () => say`It must be one of ${names.join(', ')}, or the grams of a cup (20 to 400).`,
    },
  });

export class ReadRequest {
  @IsString() @Length(1, 200_000) text: string;
  @Optional() @IsIn(['us', 'metric', 'imperial']) cups?: 'us' | 'metric' | 'imperial';
  @Optional() @School('spooned', 'dipped', 'sifted') flourCup?: 'spooned' | 'dipped' | 'sifted' | number;
  @Optional() @School('packed', 'loose') brownSugarCup?: 'packed' | 'loose' | number;
  @Optional() @School('spooned', 'dipped') cocoaCup?: 'spooned' | 'dipped' | number;
  @Optional() @IsString() @Length(1, 20) eggSize?: string;
  @Optional() @IsIn(['g', 'kg', 'oz']) bareUnit?: 'g' | 'kg' | 'oz';
  @Optional() @IsIn(['point', 'comma']) decimal?: 'point' | 'comma';
}
