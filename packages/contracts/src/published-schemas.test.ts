import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { formulaSchema } from './formula-schema.js';
import { dayPlanSchema, planSchema } from './plan-schema.js';

describe('the schemas that are published', () => {
  it.each([
    ['plan', planSchema],
    ['day-plan', dayPlanSchema],
    ['formula', formulaSchema],
  ])('docs/%s.schema.json is the one that is checked by', (name, schema) => {
    const path = join(import.meta.dirname, `../../../docs/${name}.schema.json`);
    // To publish another one: JOKUL_PUBLISH=1 npx jest --selectProjects contracts
    if (process.env.JOKUL_PUBLISH) writeFileSync(path, `${JSON.stringify(schema, null, 2)}\n`);
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(JSON.stringify(schema)));
  });
});
