export interface Found {
  readonly group: string;
  readonly label: string;
  readonly detail?: string;
  readonly path: string;
}

/** Most entries shown at once; more letters narrow them. */
const most = 40;

/** The entries that hold every word typed, group by group in their order; in a group those that begin with it first. */
export const matching = (found: readonly Found[], typed: string): readonly Found[] => {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const begins = ({ label }: Found) => words.some((word) => label.toLowerCase().startsWith(word));
  const hits = found.filter(({ group, label, detail }) => {
    const text = `${group} ${label} ${detail ?? ''}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const groups = [...new Set(found.map(({ group }) => group))];
  return groups
    .flatMap((group) => {
      const own = hits.filter((hit) => hit.group === group);
      return [...own.filter(begins), ...own.filter((hit) => !begins(hit))];
    })
    .slice(0, most);
};
