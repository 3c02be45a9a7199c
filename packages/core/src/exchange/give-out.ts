import Papa from 'papaparse';
import { amountsFor, sayReady, withoutFoods, type Formula } from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';
import { formatNumber, say } from '../shown/index.js';
import { formulaFormat } from './import-recipe.js';

/** The formula in Jokul's own open format, docs/formula.schema.json. */
export const formulaToJson = (formula: Formula): string =>
  `${JSON.stringify({ format: formulaFormat, version: 1, formula: withoutFoods(formula) }, null, 2)}\n`;

/** One row an ingredient: stage, ingredient, percent, grams for the dough mass. Grams keep three decimals. */
export const formulaToCsv = (formula: Formula, doughMassG: number): string =>
  `${Papa.unparse(
    amountsFor(formula, doughMassG).map(({ stageId, name, line, mass }) => ({
      stage: stageId,
      ingredient: name,
      percent: line.percent,
      grams: Number(mass.value.toFixed(3)),
    })),
  )}\n`;

/** A schema.org Recipe as JSON-LD: grams for the dough mass, the cues as instructions. */
export const formulaToJsonLd = (formula: Formula, doughMassG: number): string =>
  `${JSON.stringify(
    {
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: formula.name,
      recipeYield: say`${Math.floor(doughMassG / formula.piece.massG)} pieces of ${formatNumber(formula.piece.massG)} g`,
      recipeIngredient: amountsFor(formula, doughMassG).map(({ name, mass, line }) =>
        [
          `${formatNumber(mass.value)} g ${name.toLowerCase()}`,
          ...(line.browned ? ['browned'] : []),
          sayReady(line, name),
        ]
          .filter(Boolean)
          .join(', '),
      ),
      recipeInstructions: formula.stages.map(({ name, cue, lines }) => ({
        '@type': 'HowToStep',
        name,
        text: cue || lines.map((line) => foodOf(line).name).join(', '),
      })),
    },
    null,
    2,
  )}\n`;
