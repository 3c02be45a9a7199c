import { t } from '@lingui/core/macro';
import type { ProblemView } from '@jokul/contracts';
import { usePreferences } from './preferences';
import { useSaid } from './said';

/** What the server (or its absence) has to say: a code and a sentence for the baker. */
export class ApiProblem extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly path = '',
  ) {
    super(message);
    this.name = t`ApiProblem`;
  }

  /** Whether trying again later may help. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

const away = () =>
  new ApiProblem(
    'server-away',
    t`Jokul’s server does not answer. What you entered stays here; it is sent as soon as the server is back.`,
    0,
  );

const isProblem = (body: unknown): body is ProblemView =>
  typeof body === 'object' && body !== null && 'code' in body && 'message' in body;

/** Calls the API. @throws ApiProblem */
export const call = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: {
          'content-type': 'application/json',
          'x-jokul-who': encodeURIComponent(usePreferences.getState().who),
        },
      }),
    });
  } catch {
    throw away();
  }
  const text = await response.text();
  let json: unknown = null;
  try {
    json = text ? JSON.parse(text) : null;
  } catch {
    throw away();
  }
  if (!response.ok) {
    if (isProblem(json))
      throw new ApiProblem(json.code, useSaid.getState().say(json.message), response.status, json.path);
    throw new ApiProblem(
      'fault',
      t`The server answered something that Jokul does not understand.`,
      response.status,
    );
  }
  return json as T;
};

export const get = <T>(path: string) => call<T>('GET', path);
