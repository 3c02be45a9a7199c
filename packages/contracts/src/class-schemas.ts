// @ts-expect-error -- it comes without types, and this is the way that its makers show
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { usualLimits } from '@jokul/core';

export type JsonSchema = Readonly<Record<string, unknown>>;

interface Rule {
  readonly target: unknown;
  readonly propertyName: string;
  readonly constraints?: readonly unknown[];
}

/**
 * Where `null` says something of its own, and is not only taken for left out (which Optional turns it into); and whether
 * it must be said, as a rule that goes by the value and not by its absence wants.
 */
const orNull = ({ target, propertyName, constraints }: Rule): JsonSchema => {
  const [applies] = (constraints ?? []) as readonly ((object: unknown, value: unknown) => boolean)[];
  const turned = (defaultMetadataStorage as Transforms).findTransformMetadatas(
    target,
    propertyName,
    0,
  ).length;
  return {
    ...(turned === 0 && applies?.({ [propertyName]: null }, null) === false && { [nullToo]: true }),
    ...(applies?.({}, undefined) === true && { [said]: true }),
  };
};
interface Transforms {
  findTransformMetadatas(target: unknown, propertyName: string, type: number): readonly unknown[];
}
const nullToo = 'x-null-too';
const said = 'x-said';

/** What a rule of our own asks for; the usual ones are known. */
const ownRules = {
  conditionalValidation: orNull,
  school: ({ constraints = [] }: Rule): JsonSchema => ({
    anyOf: [{ enum: constraints }, { type: 'number', minimum: 20, maximum: 400 }],
  }),
  colour: {
    anyOf: [
      { type: 'number', minimum: 0, maximum: 100 },
      {
        type: 'object',
        properties: { edge: { type: 'number', minimum: 0, maximum: 100 } },
        required: ['edge'],
      },
    ],
  },
  byName: ({ constraints = [] }: Rule): JsonSchema => ({
    type: 'object',
    maxProperties: 40,
    propertyNames: { minLength: 1, maxLength: 80 },
    additionalProperties: { type: 'number', minimum: 0, maximum: constraints[0] },
  }),
  ownLimits: {
    type: 'object',
    additionalProperties: false,
    properties: Object.fromEntries(
      Object.entries(usualLimits).map(([key, { low, high }]) => [
        key,
        { type: 'number', minimum: low, maximum: high },
      ]),
    ),
  },
  isBakeDate: { type: 'string', format: 'date' },
};

const withNull = ({ [nullToo]: too, [said]: _said, ...schema }: JsonSchema): JsonSchema =>
  too ? { anyOf: [schema, { type: 'null' }] } : schema;

const closed = ({ properties, required = [], ...schema }: JsonSchema): JsonSchema => {
  if (properties === undefined) return schema;
  const own = Object.entries(properties as Record<string, JsonSchema>);
  const needed = [...(required as string[]), ...own.flatMap(([name, of]) => (of[said] ? [name] : []))];
  return {
    ...schema,
    properties: Object.fromEntries(own.map(([name, of]) => [name, withNull(of)])),
    ...(needed.length > 0 && { required: needed }),
    additionalProperties: false,
  };
};

/** The names of other schemas that a schema points to. */
export const pointedTo = (schema: unknown, prefix: string): readonly string[] =>
  [...JSON.stringify(schema ?? null).matchAll(/"\$ref":"([^"]+)"/g)].flatMap(([, to = '']) =>
    to.startsWith(prefix) ? [to.slice(prefix.length)] : [],
  );

/** Those schemas, and all that they point to. */
export const reachedFrom = (
  names: readonly string[],
  all: Readonly<Record<string, JsonSchema>>,
  prefix: string,
): ReadonlySet<string> => {
  const found = new Set<string>();
  const look = (name: string): void => {
    if (found.has(name) || !Object.hasOwn(all, name)) return;
    found.add(name);
    pointedTo(all[name], prefix).forEach(look);
  };
  names.forEach(look);
  return found;
};

/**
 * JSON Schemas (2020-12) of the classes that check what comes in, by the name of the class: one source for the check and
 * for what is said of it.
 * @param prefix where the schemas will stand, such as `#/$defs/`
 */
export const classSchemas = (prefix: string): Readonly<Record<string, JsonSchema>> =>
  Object.fromEntries(
    Object.entries(
      validationMetadatasToSchemas({
        classTransformerMetadataStorage: defaultMetadataStorage as never,
        additionalConverters: ownRules as never,
        refPointerPrefix: prefix,
      }) as unknown as Record<string, JsonSchema>,
    ).map(([name, schema]) => [name, closed(schema)]),
  );
