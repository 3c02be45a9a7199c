import type { OpenAPIObject } from '@nestjs/swagger';
import { calcRequests, dayPlanSchema, payloadClasses, planSchema } from '@jokul/contracts';
import { classSchemas, pointedTo, reachedFrom, type JsonSchema } from '@jokul/contracts/schemas';
import { answerSchemas } from './answer-schemas.js';

const prefix = '#/components/schemas/';
const to = (name: string): JsonSchema => ({ $ref: prefix + name });
const text: JsonSchema = { type: 'string' };
const json = (schema: JsonSchema) => ({ 'application/json': { schema } });

interface Operation {
  readonly operationId?: string;
  readonly parameters?: readonly { readonly name: string; readonly schema?: JsonSchema }[];
  readonly requestBody?: unknown;
  readonly responses: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}
type Methods = Readonly<Record<string, Operation>>;

/** What a value in an address looks like; checked by its pipe, which leaves no trace in Nest's document. */
const inAddress: Readonly<Record<string, JsonSchema>> = {
  date: { type: 'string', format: 'date' },
  from: text,
  code: { type: 'string', pattern: '^[A-Z0-9]{2,6}$' },
};

/** A schema that stands in another document goes by its name there. */
const nameless = ({ $id: _id, ...schema }: JsonSchema): JsonSchema => schema;

/** The body of a calculation: one question, or up to a thousand at once. */
const questions = (one: JsonSchema): JsonSchema => ({
  anyOf: [one, { type: 'array', items: one, maxItems: 1000 }],
});

/** An entry says by its kind what its payload is. */
const entrySchema = (entry: JsonSchema): JsonSchema => ({
  ...entry,
  oneOf: Object.entries(payloadClasses).map(([kind, { name }]) => ({
    properties: { kind: { const: kind }, payload: to(name) },
  })),
});

/** One request for each calculation: Nest knows only that there is a name in the address. */
const calculations = ({ post }: Methods): Readonly<Record<string, Methods>> => {
  if (!post) throw new Error('The calculations have lost their address.');
  const bodies: Readonly<Record<string, JsonSchema>> = {
    ...Object.fromEntries(Object.entries(calcRequests).map(([name, type]) => [name, to(type.name)])),
    plan: to('PlanProblem'),
  };
  return Object.fromEntries(
    Object.entries(bodies).map(([name, body]) => [
      `/api/calc/${name}`,
      {
        post: {
          ...post,
          operationId: `calc_${name}`,
          parameters: [],
          requestBody: { required: true, content: json(questions(body)) },
        },
      },
    ]),
  );
};

/** Bodies that a schema of their own checks, not a class. */
const bodies: Readonly<Record<string, JsonSchema>> = {
  'POST /api/days/{date}/plan/file': to('DayPlanFile'),
};

/** Answers that are no JSON. */
const otherwise: Readonly<Record<string, string>> = {
  'GET /api/journal/stream': 'text/event-stream',
  'GET /api/metrics': 'application/openmetrics-text',
};

/** What an answer consists of; nothing where there is nothing to say. */
const contentOf = (key: string, answer: JsonSchema | undefined) => {
  const type = otherwise[key];
  if (type !== undefined) return { [type]: { schema: text } };
  if (!answer) return null;
  // Several questions are answered by as many answers.
  return json(
    key.includes('/calc/')
      ? { anyOf: [answer, { type: 'array', items: { anyOf: [answer, to('CalcProblem')] } }] }
      : answer,
  );
};

const answered = (key: string, operation: Operation, answer: JsonSchema | undefined): Operation => {
  const [status = '200'] = Object.keys(operation.responses);
  const content = contentOf(key, answer);
  return {
    ...operation,
    ...(bodies[key] && { requestBody: { required: true, content: json(bodies[key]) } }),
    ...(operation.parameters && {
      parameters: operation.parameters.map((parameter) => ({
        ...parameter,
        schema: inAddress[parameter.name] ?? parameter.schema ?? text,
      })),
    }),
    responses: {
      [status]: {
        description: content ? 'Done.' : 'Done; there is nothing to say.',
        ...(content && { content }),
      },
      default: { description: 'It cannot be done: a sentence says why.', content: json(to('ProblemView')) },
    },
  };
};

/**
 * What Nest knows of the requests, with what is in them: bodies by the classes that check them, answers by their types.
 * @returns an OpenAPI 3.1 document
 */
export const describeApi = (document: OpenAPIObject): OpenAPIObject => {
  const classes = classSchemas(prefix);
  const { schemas, byRequest } = answerSchemas(prefix);
  const all: Readonly<Record<string, JsonSchema>> = {
    ...schemas,
    ...classes,
    JournalEntryInput: entrySchema(classes.JournalEntryInput ?? {}),
    PlanProblem: nameless(planSchema),
    DayPlanFile: nameless(dayPlanSchema),
    // One of several questions that could not be answered.
    CalcProblem: {
      type: 'object',
      properties: {
        error: {
          type: 'object',
          properties: { code: text, message: text, path: text },
          required: ['code', 'message', 'path'],
        },
      },
      required: ['error'],
    },
  };
  const { '/api/calc/{name}': calc = {}, ...others } = document.paths as unknown as Record<string, Methods>;
  const paths = Object.fromEntries(
    Object.entries({ ...others, ...calculations(calc) }).map(([path, methods]) => [
      path,
      Object.fromEntries(
        Object.entries(methods).map(([method, operation]) => {
          const key = `${method.toUpperCase()} ${path}`;
          return [method, answered(key, operation, byRequest[key])];
        }),
      ),
    ]),
  );
  const used = reachedFrom(pointedTo(paths, prefix), all, prefix);
  return {
    ...document,
    openapi: '3.1.0',
    paths,
    components: {
      ...document.components,
      schemas: Object.fromEntries([...used].sort().map((name) => [name, all[name] ?? {}])),
    },
  };
};
