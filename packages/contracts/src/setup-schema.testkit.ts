import { classSchemas, reachedFrom, type JsonSchema } from './class-schemas.js';
import { SetupFile } from './setup-file.js';

const prefix = '#/$defs/';

/** JSON Schema of a setup file, from the classes that check it. */
export const setupSchema = (): JsonSchema => {
  const all = classSchemas(prefix);
  const { name } = SetupFile;
  const defs = [...reachedFrom([name], all, prefix)]
    .filter((own) => own !== name)
    .sort((a, b) => (a < b ? -1 : 1));
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A setup file of Jokul',
    description:
      'All that a bakery has set up. Masses in g, temperatures in °C, durations in s, lengths in mm, shares from 0 to 1, times of day by the bakery’s clock.',
    ...all[name],
    $defs: Object.fromEntries(defs.map((own) => [own, all[own]])),
  };
};
