import { linePhrases, movedPhrases } from './compare-lines.js';
import { settingPhrases } from './compare-settings.js';
import { stagePhrases } from './compare-stages.js';
import type { Formula } from './formula.js';

/** A formula without its version, its parts in one order: what is stored of it. */
const written = (formula: Formula): string =>
  JSON.stringify({ ...formula, version: 0 }, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/** What changed from one version to the next, one short phrase each: "butter 62 → 58 %", "+ salt 1 %". */
export const compareVersions = (before: Formula, after: Formula): readonly string[] => {
  const phrases = [linePhrases, stagePhrases, movedPhrases, settingPhrases].flatMap((say) =>
    say(before, after),
  );
  // What has no words of its own is a change all the same, and can be saved.
  return phrases.length === 0 && written(before) !== written(after) ? ['details'] : phrases;
};
