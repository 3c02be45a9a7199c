import type { ReadAnswer, ReadRequest } from '@jokul/contracts';
import { readSheet } from '@jokul/core';

export const runRead = (r: ReadRequest): ReadAnswer => {
  const {
    lines,
    bake: oven,
    rest,
    yield: made,
  } = readSheet(r.text, {
    measures: r.cups ?? 'us',
    schools: {
      ...(r.flourCup !== undefined && { flour: r.flourCup }),
      ...(r.brownSugarCup !== undefined && { 'brown sugar': r.brownSugarCup }),
      ...(r.cocoaCup !== undefined && { cocoa: r.cocoaCup }),
    },
    ...(r.eggSize && { eggSize: r.eggSize }),
    ...(r.bareUnit && { bareUnit: r.bareUnit }),
    ...(r.decimal && { decimal: r.decimal }),
  });
  return {
    lines: lines.map(({ text, section, use, state, ingredientId, massG, rangeG, question }) => ({
      text,
      ...(section && { section }),
      use,
      state,
      ...(ingredientId && { ingredient: ingredientId }),
      ...(massG !== undefined && { massG }),
      ...(rangeG && { rangeG }),
      ...(question && { question }),
    })),
    ...(oven && { bake: oven }),
    ...(rest && { rest }),
    ...(made && { yield: made }),
  };
};
