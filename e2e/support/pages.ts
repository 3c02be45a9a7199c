/** The stations of the line and what stands beside them, by their addresses. */
export const mainPages = [
  'orders',
  'formula',
  'mix',
  'portion',
  'rest',
  'bake',
  'log',
  'day',
  'week',
  'floor',
  'setup',
] as const;
