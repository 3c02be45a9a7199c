import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JsonSchema } from '@jokul/contracts/schemas';

interface Made {
  readonly definitions: Readonly<Record<string, JsonSchema>> & {
    readonly Answers: { readonly properties: Readonly<Record<string, JsonSchema>> };
  };
}

/** Names of types have brackets and quotes; names of schemas have none. */
const plainName = (name: string): string => name.replace(/[^\w.-]+/g, '-').replace(/^-+|-+$/g, '');

/**
 * The schemas of what is answered, as `npm run answers` made them.
 * @param prefix where they will stand
 * @returns the schemas by name, and by "METHOD /path" what each request is answered with
 */
export const answerSchemas = (
  prefix: string,
): {
  readonly schemas: Readonly<Record<string, JsonSchema>>;
  readonly byRequest: Readonly<Record<string, JsonSchema>>;
} => {
  const text = readFileSync(join(import.meta.dirname, '../../answers.schema.json'), 'utf8').replace(
    /"#\/definitions\/([^"]+)"/g,
    (_, name: string) => JSON.stringify(prefix + plainName(decodeURIComponent(name))),
  );
  const { Answers, ...definitions } = (JSON.parse(text) as Made).definitions;
  return {
    schemas: Object.fromEntries(
      Object.entries(definitions).map(([name, schema]) => [plainName(name), schema]),
    ),
    byRequest: Answers.properties,
  };
};
