// @ts-expect-error -- it comes without types, and this is the way that its makers show
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { SetupFile } from './setup-file.js';

type Json = Readonly<Record<string, unknown>>;

/** What a schema refers to, and what that refers to. */
const reached = (
  from: string,
  all: Readonly<Record<string, unknown>>,
  found = new Set<string>(),
): Set<string> => {
  if (found.has(from)) return found;
  found.add(from);
  for (const [, name = ''] of JSON.stringify(all[from]).matchAll(/"#\/\$defs\/(\w+)"/g))
    reached(name, all, found);
  return found;
};

const closed = (schema: Json): Json =>
  'properties' in schema ? { ...schema, additionalProperties: false } : schema;

/** JSON Schema of a setup file, from the classes that check it. */
export const setupSchema = (): Json => {
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: '#/$defs/',
  }) as unknown as Record<string, Json>;
  const name = SetupFile.name;
  const defs = [...reached(name, all)].filter((own) => own !== name).sort((a, b) => (a < b ? -1 : 1));
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A setup file of Jokul',
    description:
      'All that a bakery has set up. Masses in g, temperatures in °C, durations in s, lengths in mm, shares from 0 to 1, times of day by the bakery’s clock.',
    ...closed(all[name] ?? {}),
    $defs: Object.fromEntries(defs.map((own) => [own, closed(all[own] ?? {})])),
  };
};
