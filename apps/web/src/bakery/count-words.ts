/** A number with its noun: "1 entry is", "2 entries are". */
export const count = (n: number, one: string, many: string) =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;
