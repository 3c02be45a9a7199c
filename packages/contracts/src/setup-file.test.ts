import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { demoCalendar, demoEquipment, demoFormulas, demoRules } from '@jokul/core';
import { SetupFile } from './setup-file.js';
import { setupSchema } from './setup-schema.testkit.js';

const { timeZone } = demoRules;
const notInIt = new Set(['timeZone', 'portionSetUpS', 'loadGapS', 'eggIntoButterC']);
const rules = Object.fromEntries(Object.entries(demoRules).filter(([key]) => !notInIt.has(key)));
const file = {
  format: 'jokul-setup',
  version: 1,
  bakery: { name: 'Hollin Quay Bakehouse', timeZone },
  rules,
  equipment: { ...demoEquipment, calendar: demoCalendar },
  ingredients: [],
  formulas: demoFormulas.map((formula) =>
    Object.fromEntries(Object.entries(formula).filter(([key]) => key !== 'version')),
  ),
};
const byClass = (given: object) =>
  validateSync(plainToInstance(SetupFile, structuredClone(given)), {
    whitelist: true,
    forbidNonWhitelisted: true,
  }).length === 0;

describe('the schema of a setup file', () => {
  const path = join(import.meta.dirname, '../../../docs/setup.schema.json');
  const text = `${JSON.stringify(setupSchema(), null, 2)}\n`;
  // To publish another one: JOKUL_PUBLISH=1 npx jest --selectProjects contracts
  if (process.env.JOKUL_PUBLISH) writeFileSync(path, text);

  it('that is published is the one of the classes that check', () => {
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(text));
  });

  const fits = new Ajv2020({ strict: false }).compile(setupSchema());
  const [oven, ...ovens] = demoEquipment.ovens;
  it.each<[string, object, boolean]>([
    ['the demo’s', file, true],
    ['another format', { ...file, format: 'recipes' }, false],
    ['more than it knows', { ...file, more: 1 }, false],
    ['no equipment', { ...file, equipment: undefined }, false],
    [
      'an oven of no places',
      { ...file, equipment: { ...demoEquipment, ovens: [{ ...oven, places: 0 }, ...ovens] } },
      false,
    ],
    [
      'a shift at half past',
      {
        ...file,
        equipment: { ...demoEquipment, shifts: [{ name: 'x', from: 'half past', to: '12:00', hands: 1 }] },
      },
      false,
    ],
    ['a formula without a name', { ...file, formulas: [{ ...demoFormulas[0], name: '' }] }, false],
  ])('and the classes agree on %s', (_name, given, good) => {
    const plain = JSON.parse(JSON.stringify(given)) as object;
    expect([fits(plain), byClass(plain)]).toEqual([good, good]);
  });
});
