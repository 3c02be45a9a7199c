import { ingredientKinds, linerKinds, readyWays, stageTools, toppingWays } from '@jokul/core';

const name = { type: 'string', minLength: 1, maxLength: 80 } as const;
const percent = { type: 'number', minimum: 0.01, maximum: 500 } as const;
const seconds = { type: 'number', minimum: 0 } as const;
const line = {
  type: 'object',
  properties: {
    ingredientId: { type: 'string', description: 'id of an ingredient of the library, or own-...' },
    percent: { ...percent, description: "baker's percent as weighed; all flours together are 100" },
    browned: { type: 'boolean', description: 'butter that is browned before use' },
    ready: {
      type: 'array',
      items: { enum: readyWays },
      uniqueItems: true,
      description: 'what is done to it before it is weighed',
    },
  },
  required: ['ingredientId', 'percent'],
  additionalProperties: false,
} as const;
const topping = {
  ...line,
  properties: {
    ...line.properties,
    on: {
      enum: toppingWays,
      description: 'rolled in it, on top, or on the cold baked piece; a coat where left out',
    },
  },
} as const;
const object = <T extends Record<string, unknown>>(properties: T, optional: readonly string[] = []) =>
  ({
    type: 'object',
    properties,
    required: Object.keys(properties).filter((key) => !optional.includes(key)),
    additionalProperties: false,
  }) as const;

/** JSON Schema of a formula as Jokul gives it out and takes it in; published as docs/formula.schema.json. */
export const formulaSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'A formula of Jokul',
  description: `Masses in g, temperatures in °C, durations in s, lengths in mm. Kinds of ingredients: ${ingredientKinds.join(', ')}.`,
  ...object({
    format: { const: 'jokul-formula' },
    version: { const: 1 },
    formula: object(
      {
        code: { type: 'string', pattern: '^[A-Z][A-Z0-9]{1,5}$' },
        name,
        version: { type: 'integer', minimum: 1 },
        stages: {
          type: 'array',
          minItems: 1,
          maxItems: 12,
          items: object(
            {
              id: { type: 'string', minLength: 1, maxLength: 40 },
              name,
              cue: { type: 'string', maxLength: 400 },
              parts: {
                type: 'integer',
                minimum: 1,
                maximum: 24,
                description: 'in how many parts its ingredients go in; the usual number where left out',
              },
              tool: {
                enum: stageTools,
                description: 'as the method has it where left out: the stand mixer, or by hand at its end',
              },
              workS: {
                type: 'number',
                minimum: 5,
                maximum: 3600,
                description: 'how long it is worked; the usual time with its tool where left out',
              },
              lines: { type: 'array', maxItems: 40, items: line },
            },
            ['parts', 'tool', 'workS'],
          ),
        },
        toppings: { type: 'array', maxItems: 12, items: topping },
        piece: object(
          {
            massG: { type: 'number', minimum: 8, maximum: 200 },
            shape: { enum: ['ball', 'mound', 'puck', 'slice'] },
            pressedMm: {
              type: 'number',
              minimum: 10,
              maximum: 320,
              description: 'pressed flat to this diameter before it rests and bakes',
            },
          },
          ['pressedMm'],
        ),
        rest: object(
          {
            form: { enum: ['pieces', 'tub', 'bag', 'none'] },
            placeKind: { enum: ['walk-in', 'freezer', 'bench'] },
            minS: seconds,
            bestS: seconds,
            maxS: seconds,
            temperS: seconds,
            cover: {
              enum: ['open', 'covered'],
              description: 'in the cold; pieces open, tubs and bags covered where left out',
            },
          },
          ['cover'],
        ),
        bake: object(
          {
            target: { enum: ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] },
            setC: { type: 'number', minimum: 120, maximum: 260 },
            fan: { type: 'boolean' },
            trayRestS: seconds,
            gapMm: { type: 'number', minimum: 0, maximum: 150 },
            liner: { enum: linerKinds, description: 'the liner of the house where left out' },
            ovens: {
              type: 'array',
              minItems: 1,
              maxItems: 60,
              uniqueItems: true,
              items: { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,39}$' },
              description: 'the only ovens that it bakes in, by their ids; any where left out',
            },
          },
          ['liner', 'ovens'],
        ),
        method: object(
          {
            cream: { enum: ['short', 'standard', 'long', 'melted'] },
            egg: { enum: ['barely', 'fully'] },
            finish: { enum: ['machine', 'hand'] },
            doughC: { type: 'number', minimum: 5, maximum: 35 },
          },
          ['doughC'],
        ),
        afterBake: object(
          {
            flattenPieceS: { type: 'number', minimum: 0, maximum: 60 },
            icePieceS: { type: 'number', minimum: 0, maximum: 600 },
            dryS: { type: 'number', minimum: 0, maximum: 86_400 },
          },
          ['flattenPieceS', 'icePieceS', 'dryS'],
        ),
      },
      ['method', 'afterBake'],
    ),
  }),
} as const;
