import { say } from '@jokul/core';
/** Deeper than this nothing that Jokul takes is; what is would only stop whoever reads it. */
const deepest = 40;
/** Names by which a value could pass itself off as something else to the code that reads it. */
const reserved = new Set(['__proto__', 'constructor', 'prototype']);

/** Half of a letter that takes two: it is written differently each time that it is stored or sent. */
const halfLetter = /\p{Surrogate}/u;

/**
 * Where an input of JSON cannot be read safely: the path of a reserved name, of what is nested too deep or of text with
 * half a letter in it; null when it can. Goes by a list of its own, so that no depth is too deep for it.
 */
export const unsoundAt = (input: unknown): string | null => {
  const open: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value: input, path: '', depth: 0 },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value, path, depth } = next;
    if (typeof value === 'string' && halfLetter.test(value)) return path || 'text';
    if (typeof value !== 'object' || value === null) continue;
    if (depth > deepest) return path;
    for (const key of Object.keys(value)) {
      const at = path ? `${path}.${key}` : key;
      if (reserved.has(key) || halfLetter.test(key)) return at;
      open.push({ value: (value as Record<string, unknown>)[key], path: at, depth: depth + 1 });
    }
  }
  return null;
};

/** What is said of it. */
export const sayUnsound = (path: string): string =>
  say`"${path.length > 120 ? `${path.slice(0, 120)} …` : path}" cannot be read: it is nested too deep, has a name that is no name here, or text with half a letter in it.`;
