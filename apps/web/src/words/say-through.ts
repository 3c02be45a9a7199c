import type { I18n, MessageDescriptor } from '@lingui/core';

/** A message as it is compiled: words, and places for values. */
export type Parts = readonly (string | readonly unknown[])[];

const inCases = (cases: unknown, say: (text: string) => string): unknown =>
  typeof cases === 'object' && cases !== null
    ? Object.fromEntries(
        Object.entries(cases).map(([key, value]) => [
          key,
          typeof value === 'string' ? say(value) : Array.isArray(value) ? inParts(value, say) : value,
        ]),
      )
    : cases;

/** The words of a message said otherwise, those of its plurals too; what is put in stays as it is. */
export const inParts = (parts: Parts, say: (text: string) => string): Parts =>
  parts.map((part) => {
    if (typeof part === 'string') return part === '#' ? part : say(part);
    const [name, type, cases] = part;
    return part.length > 2 ? [name, type, inCases(cases, say)] : part;
  });

/** In the bundle a message is compiled, whatever its type says. */
const asParts = (message: unknown): Parts => (Array.isArray(message) ? message : [String(message)]);

/** From now on every message is said otherwise than the English of the files. */
export const sayThrough = (i18n: I18n, otherwise: (message: Parts) => Parts): void => {
  const say = i18n._.bind(i18n);
  const known = new Map<string, Parts>();
  i18n._ = (
    asked: string | MessageDescriptor,
    values?: Record<string, unknown>,
    options?: { readonly message?: string },
  ) => {
    const { id, ...given } = typeof asked === 'string' ? { id: asked, values, ...options } : asked;
    const said = known.get(id) ?? otherwise(asParts(given.message ?? id));
    known.set(id, said);
    return say({ id, message: said as unknown as string, values: given.values ?? {} });
  };
};
