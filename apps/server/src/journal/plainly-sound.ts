import { Ajv, type ValidateFunction } from 'ajv';
import { isUUID } from 'class-validator';
import type { EntryKind } from '@jokul/core';
import { payloadClasses, unsoundAt, type AppendInput } from '@jokul/contracts';
import { classSchemas, reachedFrom } from '@jokul/contracts/schemas';

const prefix = '#/$defs/';

/** These the two checks count differently in the length of a text. */
const unlikeCounted = /[\uFE0E\uFE0F]/;

/**
 * Says of a body, in a fraction of the time that its classes take, that it is plainly what a device may send: compiled from
 * the schemas of the same classes. It may say no to what the classes take (nothing is turned into anything here); never
 * yes to what they refuse. What begins a lot is long and rare, and left to them.
 */
export const plainlySound = (): ((body: unknown, text: string) => body is AppendInput) => {
  const all = classSchemas(prefix);
  const ajv = new Ajv({ strict: false, strictNumbers: true }).addFormat('uuid', {
    type: 'string',
    validate: (id: string) => isUUID(id),
  });
  const compiled = <T>(name: string): ValidateFunction<T> =>
    ajv.compile<T>({
      $ref: `${prefix}${name}`,
      $defs: Object.fromEntries([...reachedFrom([name], all, prefix)].map((own) => [own, all[own]])),
    });
  const isAppend = compiled<AppendInput>('AppendInput');
  // Compiled when the first of a kind comes: all of them would hold up the start.
  const payloads = new Map<EntryKind, ValidateFunction>();
  const payloadOf = (kind: EntryKind): ValidateFunction => {
    const known = payloads.get(kind) ?? compiled(payloadClasses[kind].name);
    payloads.set(kind, known);
    return known;
  };
  return (body, text): body is AppendInput =>
    isAppend(body) &&
    body.entries.every(({ kind, payload }) => kind !== 'begun' && payloadOf(kind)(payload)) &&
    unsoundAt(body) === null &&
    !unlikeCounted.test(text);
};
