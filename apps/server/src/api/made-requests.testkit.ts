import fc from 'fast-check';
import type { Example } from '../fuzz.testkit.js';
import { bySchema } from './by-schema.testkit.js';
import { bodyOf, type Described } from './described.testkit.js';

/** What ends the server, never ends, or plans for seconds: tested by itself. */
const left = new Set([
  'POST /api/bakery/open',
  'GET /api/journal/stream',
  'POST /api/backups',
  'POST /api/backups/tables',
  'POST /api/calc/day',
  'POST /api/days/{date}/plan',
  'POST /api/days/{date}/plan/days',
  'POST /api/days/{date}/plan/replan',
  'POST /api/days/{date}/plan/what-if',
]);

/** What stands in an address: a thing that is there, or one that could be. */
const inAddress: Readonly<Record<string, fc.Arbitrary<string>>> = {
  date: fc.constantFrom('2026-11-27', '2026-11-28', '2027-01-04'),
  code: fc.constantFrom('CRD', 'NIB', 'ZZZ'),
  id: fc.oneof(fc.uuid(), fc.integer({ min: 0, max: 9 }).map(String)),
  version: fc.integer({ min: 0, max: 4 }).map(String),
};
const anything = fc.oneof(fc.nat(2_000_000_000).map(String), inAddress.date as fc.Arbitrary<string>);

/** Requests by what the server says of itself, every one of them as likely as another; the same for the same seed. */
export const madeRequests = (
  { paths, components }: Described,
  count: number,
  seed: number,
): readonly Example[] => {
  const requests = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).flatMap(([method, request]) =>
      left.has(`${method.toUpperCase()} ${path}`) ? [] : [{ method: method.toUpperCase(), path, request }],
    ),
  );
  const made = requests.map(({ method, path, request }) => {
    const body = bodyOf(request);
    const names = (request.parameters ?? []).filter((parameter) => parameter.in !== 'header');
    return fc.record({
      method: fc.constant(method as Example['method']),
      path: fc
        .record(Object.fromEntries(names.map(({ name }) => [name, inAddress[name] ?? anything])))
        .map((values) => {
          const asked = new URLSearchParams(
            names
              .filter((own) => own.in === 'query')
              .map(({ name }): [string, string] => [name, values[name] ?? '']),
          ).toString();
          const address = path
            .replace('/api/', '')
            .replaceAll(/\{(\w+)\}/g, (_, name: string) => values[name] ?? '');
          return asked ? `${address}?${asked}` : address;
        }),
      ...(body && { body: bySchema(body, components.schemas) }),
    });
  });
  return fc.sample(fc.oneof(...made), { numRuns: count, seed });
};
