import { skills, type BatchPlan } from '@jokul/core';

const skill = `(${skills.join('|')})`;
const rareSkills = `^${skill}(\\+${skill})*$`;
const time = { type: 'number', description: 'seconds since 1970-01-01T00:00Z' } as const;
const count = { type: 'integer', minimum: 0 } as const;
const positive = { type: 'number', minimum: 0 } as const;
const rate = { type: 'number', minimum: 0.1, description: '°C a minute' } as const;
const share = { type: 'number', minimum: 0, maximum: 1 } as const;
const id = { type: 'string', minLength: 1, maxLength: 80 } as const;
const list = <T>(items: T) => ({ type: 'array', items }) as const;
const object = <T extends Record<string, unknown>>(properties: T, optional: readonly string[] = []) =>
  ({
    type: 'object',
    properties,
    required: Object.keys(properties).filter((key) => !optional.includes(key)),
    additionalProperties: false,
  }) as const;

const availability = list(object({ fromS: time, toS: time, capacity: count }));
const use = object({ resourceId: id, amount: positive });
const task = object(
  {
    id,
    kind: {
      enum: [
        'prepare',
        'mix',
        'portion',
        'rest',
        'temper',
        'bake',
        'load',
        'turn',
        'pull',
        'flatten',
        'tray-rest',
        'rack',
        'ice',
        'dry',
        'pack',
      ],
    },
    batchId: id,
    loadId: id,
    startS: time,
    endS: time,
    uses: list(use),
  },
  ['loadId'],
);
const load = object({
  id,
  batchId: id,
  ovenId: id,
  setC: { type: 'number' },
  pullS: positive,
  startS: time,
  readyS: time,
  dueS: time,
  trays: list(object({ id, position: count, pieces: count })),
});
const form = { enum: ['pieces', 'tub', 'bag', 'none'] } as const;
const placeKind = { enum: ['walk-in', 'freezer', 'bench'] } as const;
const stock = {
  ...object(
    {
      form,
      placeKind,
      temperS: positive,
      fromS: time,
      toS: time,
      loadsBefore: { ...count, description: 'loads that were planned of it before: these are numbered on' },
      placeId: id,
      sinceS: time,
      from: { ...id, description: 'the lot that it is a part of' },
    },
    ['loadsBefore', 'placeId', 'sinceS', 'from'],
  ),
  description: 'dough that exists: it is only loaded, or portioned and loaded, in this time',
} as const;
const batchPlan = object(
  {
    batchId: id,
    productCode: id,
    mixerId: id,
    massG: positive,
    pieces: count,
    loads: list(load),
    tasks: list(task),
    stock,
  },
  ['stock'],
);
const product = object(
  {
    code: id,
    name: id,
    rest: object({
      form,
      placeKind,
      minS: positive,
      bestS: positive,
      maxS: positive,
      temperS: positive,
    }),
    demands: list(object({ name: id, readyByS: time, pieces: count, weight: positive }, ['weight'])),
    batches: list(
      object(
        {
          id,
          mixerId: id,
          massG: positive,
          pieces: count,
          mixerIds: { ...list(id), description: 'mixers that take it, mixerId among them' },
          minMassG: { ...positive, description: 'it may be made smaller, down to this' },
          serves: { ...list(count), description: 'places of the demands that it is for' },
          stock,
          ahead: {
            ...list(object({ kind: id, aheadS: positive, workS: positive })),
            description: 'work of one pair of hands that begins so long before the mixing',
          },
        },
        ['mixerIds', 'minMassG', 'serves', 'stock', 'ahead'],
      ),
    ),
    perTray: { type: 'integer', minimum: 1 },
    restingPerTray: { type: 'integer', minimum: 1 },
    bakes: list(object({ ovenId: id, setC: { type: 'number' }, pullS: { type: 'number', minimum: 60 } })),
    mixS: positive,
    portionSetUpS: positive,
    portionSPerPiece: positive,
    trayRestS: positive,
    coolS: positive,
    packS: positive,
    after: {
      ...object(
        {
          flattenPieceS: { type: 'number', minimum: 0, maximum: 60 },
          icePieceS: { type: 'number', minimum: 0, maximum: 600 },
          dryS: { type: 'number', minimum: 0, maximum: 86_400 },
          packPieceS: { type: 'number', minimum: 0, maximum: 120 },
        },
        ['flattenPieceS', 'icePieceS', 'dryS', 'packPieceS'],
      ),
      description: 'what hands do to the pieces after the oven, s a piece; dryS from iced to dry',
    },
    atOven: {
      ...object({ trayS: { type: 'number', minimum: 0, maximum: 120 }, ownHands: { type: 'boolean' } }),
      description:
        'putting a tray in, turning it and taking it out, s each; by the resource oven-hands, or else by hands',
    },
    liner: {
      ...id,
      description: 'what its trays are laid out with while they bake and cool: one of that resource each',
    },
    skills: {
      ...list({ type: 'string', pattern: rareSkills }),
      description:
        'work that takes one of a resource such as hands/mix or hands/portion+pack too: those who can do one of it',
    },
  },
  ['after', 'atOven', 'liner', 'skills'],
);

/** JSON Schema of the schedule problem that `/api/calc/plan` takes; published as docs/plan.schema.json. */
export const planSchema = {
  $id: 'jokul-plan-problem',
  title: 'The day as a scheduling problem',
  ...object(
    {
      nowS: time,
      products: list(product),
      resources: list(object({ id, name: id, capacity: count, when: availability }, ['when'])),
      ovens: list(
        object({ id, name: id, places: count, degreesPerMin: rate, coolsPerMin: rate }, ['coolsPerMin']),
      ),
      ovenHours: availability,
      loadGapS: positive,
      fixed: list(batchPlan),
      taken: {
        ...list(batchPlan),
        description: 'batches of other plans: they stay too, and serve nothing here',
      },
      coldOvens: { type: 'boolean', description: 'ovens are cold when their hours begin' },
      weights: {
        ...object({ ovenMinute: positive, packPieceS: positive, staleHour: positive, freshS: positive }),
        description: 'what counts how much in the cost of a plan, in minutes of one person',
      },
      spreads: {
        ...object({
          workShare: share,
          pullShare: share,
          coolShare: share,
          lateS: { ...positive, maximum: 7200 },
        }),
        description:
          'how far people and ovens stray from a plan: standard deviations as shares, and the mean of what a person comes late',
      },
    },
    ['taken', 'coldOvens', 'weights', 'spreads'],
  ),
} as const;

/** JSON Schema of a day's plan as a file, as Day saves it and reads it again; published as docs/day-plan.schema.json. */
export const dayPlanSchema = {
  $id: 'jokul-day-plan',
  title: 'The plan of one day',
  ...object(
    {
      date: { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$', description: 'the bake day' },
      batches: {
        ...list(batchPlan),
        maxItems: 200,
        description:
          'read again: the same batches and loads, at other times and in other ovens; what tasks take up is worked out anew',
      },
      unplaced: list(object({ batchId: id, productCode: id, pieces: count, reason: { type: 'string' } })),
      boundS: { ...time, description: 'no plan keeps ovens and line busy for less, s' },
      preparations: {
        type: 'array',
        items: { type: 'object' },
        description: 'what is made ready when; not read again',
      },
    },
    ['unplaced', 'boundS', 'preparations'],
  ),
} as const;

export interface DayPlanFile {
  readonly date: string;
  readonly batches: readonly BatchPlan[];
}
