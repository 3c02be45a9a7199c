import { plural, t } from '@lingui/core/macro';
import type { LateOrder } from '@jokul/core';
import type { WhatIfSide, WhatIfView } from '@jokul/contracts';

const pieces = (count: number) => plural(count, { one: '# piece', other: '# pieces' });

/** The first thing to know: does everybody have theirs in time, beside as it is. */
export const verdict = ({ before, after }: Pick<WhatIfView, 'before' | 'after'>): string => {
  const [was, is] = [before.undonePieces, after.undonePieces];
  if (is === 0 && was === 0) return t`All ${after.orderedPieces} pieces would still be in time.`;
  if (is === 0)
    return t`All ${after.orderedPieces} pieces would be in time; as it is, ${pieces(was)} would not.`;
  if (was === 0) return t`${pieces(is)} of ${after.orderedPieces} would not be in time; as it is, all are.`;
  if (is === was) return t`${pieces(is)} would not be in time, as many as now.`;
  return t`${pieces(is)} of ${after.orderedPieces} would not be in time; as it is, ${was} of ${before.orderedPieces}.`;
};

const lateOf = ({ late }: WhatIfSide, id: string) =>
  late.find(({ order }) => order.id === id)?.latePieces ?? 0;

/** Orders that would be late, or later in part, and are not now. */
export const newlyLate = ({ before, after }: Pick<WhatIfView, 'before' | 'after'>): readonly LateOrder[] =>
  after.late.filter(({ order, latePieces }) => latePieces > lateOf(before, order.id));

/** Orders that are late now, and would be less so. */
export const helped = ({ before, after }: Pick<WhatIfView, 'before' | 'after'>): readonly LateOrder[] =>
  before.late.filter(({ order, latePieces }) => latePieces > lateOf(after, order.id));

/** First and last moment of what is busy, s; null where nothing is. */
export const span = ({ work }: WhatIfSide): { readonly fromS: number; readonly toS: number } | null =>
  work.length === 0
    ? null
    : {
        fromS: Math.min(...work.map(({ startS }) => startS)),
        toS: Math.max(...work.map(({ endS }) => endS)),
      };

/**
 * The cost beside that of the same list planned anew, in minutes of one person; nothing where not as many are in time: what
 * is not baked is no work.
 */
export const costWords = ({ again, after }: Pick<WhatIfView, 'again' | 'after'>): string | null => {
  if (again.cost === null || after.cost === null) return null;
  if (again.undonePieces !== after.undonePieces) return null;
  const more = Math.round(after.cost - again.cost);
  if (more === 0) return t`as much work as planning without it`;
  return t`${Math.abs(more)} min of work ${more > 0 ? t`more` : t`less`} than planning without it`;
};

/** What planning again alone would bring, where that is something; null where it is nothing. */
export const againWords = ({ before, again }: Pick<WhatIfView, 'before' | 'again'>): string | null => {
  const late = before.undonePieces - again.undonePieces;
  if (late > 0)
    return t`Planning again without it would have ${pieces(late)} more in time than the plan as it is.`;
  const less = Math.round((before.cost ?? 0) - (again.cost ?? 0));
  return again.cost !== null && less > 0
    ? t`Planning again without it would take ${Math.round(again.cost)} min, ${less} less than the plan as it is.`
    : null;
};
