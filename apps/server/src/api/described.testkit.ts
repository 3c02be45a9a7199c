import type { JsonSchema } from '@jokul/contracts/schemas';
import type { TestApp } from '../app.testkit.js';

export interface Described {
  readonly openapi: string;
  readonly paths: Readonly<Record<string, Readonly<Record<string, DescribedRequest>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, JsonSchema>> };
}
interface Content {
  readonly content?: { readonly 'application/json'?: { readonly schema: JsonSchema } };
}
export interface DescribedRequest {
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly required: boolean }[];
  readonly requestBody?: Content;
  readonly responses: Readonly<Record<string, Content>>;
}

/** The server's own description of its requests. */
export const describedBy = async (app: TestApp): Promise<Described> => {
  const { body } = await app.get<Described>('docs-json');
  return body;
};

export const bodyOf = (request: DescribedRequest): JsonSchema | undefined =>
  request.requestBody?.content?.['application/json']?.schema;

export const answerOf = (request: DescribedRequest): JsonSchema | undefined =>
  Object.entries(request.responses).find(([status]) => status !== 'default')?.[1].content?.[
    'application/json'
  ]?.schema;

/** The request of the description that an address is meant for. */
export const describedAs = (
  { paths }: Described,
  method: string,
  address: string,
): { readonly key: string; readonly request: DescribedRequest } | undefined => {
  const parts = `/api/${address.split('?')[0]}`.split('/');
  const fits = Object.entries(paths).filter(([path, methods]) => {
    const own = path.split('/');
    return (
      method.toLowerCase() in methods &&
      own.length === parts.length &&
      own.every((part, i) => part.startsWith('{') || part === parts[i])
    );
  });
  // The one with the fewest places left open.
  const [found] = fits.sort(([a], [b]) => a.split('{').length - b.split('{').length);
  const request = found?.[1][method.toLowerCase()];
  return found && request && { key: `${method} ${found[0]}`, request };
};
