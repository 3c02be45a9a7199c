/** A code that is not taken yet: the first three letters, then T1, T2 ... */
export const freeCode = (code: string, taken: readonly string[]): string => {
  const stem = code.replace(/[^A-Z0-9]/g, '').slice(0, 3) || 'NEW';
  for (let i = 1; i < 100; i++) if (!taken.includes(`${stem}T${i}`)) return `${stem}T${i}`;
  return `${stem}T`;
};
