import { say } from '@jokul/core';
import 'reflect-metadata';
import { ArrayMaxSize, IsArray, IsNumber, IsString, Length, Max, Min, ValidateBy } from 'class-validator';

export const Grams = () => (target: object, key: string) => {
  IsNumber({}, { message: say`A weight must be a number of grams.` })(target, key);
  Min(0, { message: say`A weight cannot be below 0 g.` })(target, key);
  Max(1e6, { message: say`That weight is more than a tonne.` })(target, key);
};

export const Degrees = () => (target: object, key: string) => {
  IsNumber({}, { message: say`A temperature must be a number.` })(target, key);
  Min(-45, { message: say`A temperature below −45 °C makes no sense here.` })(target, key);
  Max(300, { message: say`A temperature above 300 °C makes no sense here.` })(target, key);
};

export const Name = () => (target: object, key: string) => {
  IsString()(target, key);
  Length(1, 80)(target, key);
};

export const Names = () => (target: object, key: string) => {
  IsArray()(target, key);
  ArrayMaxSize(60)(target, key);
  IsString({ each: true })(target, key);
  Length(1, 80, { each: true })(target, key);
};

export const Range = (min: number, max: number) => (target: object, key: string) => {
  IsNumber()(target, key);
  Min(min)(target, key);
  Max(max)(target, key);
};

/** A figure by a name that people gave, such as grams by ingredient. */
export const ByName = (most: number, sentence: string, names = 40) =>
  ValidateBy({
    name: 'byName',
    constraints: [most],
    validator: {
      validate: (value: unknown) =>
        typeof value === 'object' &&
        value !== null &&
        !Array.isArray(value) &&
        Object.entries(value).length <= names &&
        Object.entries(value).every(
          ([name, figure]) =>
            name.length > 0 &&
            name.length <= 80 &&
            typeof figure === 'number' &&
            Number.isFinite(figure) &&
            figure >= 0 &&
            figure <= most,
        ),
      defaultMessage: () => sentence,
    },
  });

export const Reason = () => (target: object, key: string) => {
  IsString()(target, key);
  Length(3, 400, { message: say`The reason needs 3 to 400 letters.` })(target, key);
};

export const seconds = { message: say`An age is a number of seconds, at most some years.` };
