import fc from 'fast-check';
import type { JsonSchema } from '@jokul/contracts/schemas';

interface Rules {
  readonly $ref?: string;
  readonly anyOf?: readonly JsonSchema[];
  readonly oneOf?: readonly JsonSchema[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly type?: string | readonly string[];
  readonly format?: string;
  readonly pattern?: string;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly items?: JsonSchema;
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: boolean | JsonSchema;
}

/** Words that bakers and attackers alike write. */
const text = fc.constantFrom(
  'Cardamom',
  'walk-in',
  '2',
  'deck',
  'constructor',
  '🥐',
  'x'.repeat(80),
  'a b',
  'ß',
);
const mostItems = 3;
const deepest = 7;

const number = ({ minimum, maximum, exclusiveMinimum }: Rules, whole: boolean): fc.Arbitrary<number> => {
  const min = minimum ?? exclusiveMinimum ?? -1e6;
  const max = maximum ?? 1e6;
  const inside = whole
    ? fc.integer({ min: Math.ceil(min), max: Math.max(Math.ceil(min), Math.floor(max)) })
    : fc.double({ min, max: Math.max(min, max), noNaN: true });
  // Faults live at the edges.
  return fc.oneof({ arbitrary: inside, weight: 3 }, fc.constantFrom(min, max));
};

const string = ({
  format,
  pattern,
  minLength = 0,
  maxLength = 60,
  ...rules
}: Rules): fc.Arbitrary<string> => {
  if (rules.enum) return fc.constantFrom(...(rules.enum as string[]));
  if (format === 'uuid') return fc.uuid();
  if (format === 'date') return fc.constantFrom('2026-11-27', '2026-12-24', '2027-02-28');
  if (pattern)
    try {
      return fc.stringMatching(new RegExp(pattern));
    } catch {
      // A pattern that looks ahead cannot be turned round.
    }
  return text.map((word) => word.padEnd(minLength, 'e').slice(0, Math.max(minLength, maxLength)));
};

/**
 * Values by a JSON Schema: mostly such as fit it, each kind with its edges. What is optional comes and goes; lists are
 * short; what points to itself ends.
 * @param named the schemas that `#/components/schemas/...` means
 */
export const bySchema = (
  schema: JsonSchema,
  named: Readonly<Record<string, JsonSchema>>,
  depth = 0,
): fc.Arbitrary<unknown> => {
  const rules = schema as Rules;
  const inner = (own: JsonSchema) => bySchema(own, named, depth + 1);
  if (depth > deepest) return fc.constant(null);
  if (rules.$ref) return inner(named[rules.$ref.slice(rules.$ref.lastIndexOf('/') + 1)] ?? {});
  if (rules.const !== undefined) return fc.constant(rules.const);
  if (rules.enum) return fc.constantFrom(...rules.enum);
  const either = rules.anyOf ?? rules.oneOf;
  if (either) {
    const { anyOf: _any, oneOf: _one, ...shared } = rules;
    return fc.oneof(...either.map((own) => inner(merged(shared as JsonSchema, own))));
  }
  const type = typeof rules.type === 'string' ? rules.type : rules.type?.[0];
  switch (type) {
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    case 'integer':
    case 'number':
      return number(rules, type === 'integer');
    case 'string':
      return string(rules);
    case 'array': {
      const least = rules.minItems ?? 0;
      return fc.array(inner(rules.items ?? {}), {
        minLength: Math.min(least, 30),
        maxLength: Math.max(Math.min(least, 30), Math.min(rules.maxItems ?? mostItems, mostItems)),
      });
    }
    case 'object': {
      if (!rules.properties)
        return typeof rules.additionalProperties === 'object'
          ? fc.dictionary(text, inner(rules.additionalProperties), { maxKeys: mostItems })
          : fc.constant({});
      return fc.record(
        Object.fromEntries(Object.entries(rules.properties).map(([name, own]) => [name, inner(own)])),
        { requiredKeys: [...(rules.required ?? [])].filter((name) => name in (rules.properties ?? {})) },
      );
    }
    default:
      return fc.constantFrom<unknown>(null, 1, 'x', [], {});
  }
};

/** A case of a schema beside what all its cases share. */
const merged = (shared: JsonSchema, own: JsonSchema): JsonSchema => ({
  ...shared,
  ...own,
  ...('properties' in shared &&
    'properties' in own && {
      properties: { ...(shared.properties as object), ...(own.properties as object) },
    }),
});
