import { createGenerator } from 'ts-json-schema-generator';
import { inRoot } from './paths.mjs';

/** Where the schemas of the server's answers stand; the server reads them from there. */
export const answersFile = inRoot('apps/server/answers.schema.json');

/** The generator writes a list of set places as JSON Schema had it before 2020-12. */
const asOf2020 = (schema) => {
  if (Array.isArray(schema)) return schema.map(asOf2020);
  if (typeof schema !== 'object' || schema === null) return schema;
  const { items, ...others } = schema;
  return {
    ...Object.fromEntries(Object.entries(others).map(([key, value]) => [key, asOf2020(value)])),
    ...(Array.isArray(items)
      ? { prefixItems: items.map(asOf2020), items: false }
      : items !== undefined && { items: asOf2020(items) }),
  };
};

/** JSON Schemas of all that the server answers, from the types in apps/server/src/api/answers.ts, as text. */
export const answersSchema = () => {
  const schema = createGenerator({
    path: inRoot('apps/server/src/api/answers.ts'),
    tsconfig: inRoot('apps/server/tsconfig.build.json'),
    type: 'Answers',
    // Types are checked elsewhere; here it would double the time.
    skipTypeCheck: true,
    expose: 'all',
    jsDoc: 'extended',
    additionalProperties: true,
  }).createSchema('Answers');
  return `${JSON.stringify(asOf2020({ ...schema, $schema: 'https://json-schema.org/draft/2020-12/schema' }), null, 1)}\n`;
};
