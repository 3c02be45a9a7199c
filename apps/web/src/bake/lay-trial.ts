import { plural, t } from '@lingui/core/macro';
import { JokulError, layOutBars, layOutMixed, type Bar, type TraySide } from '@jokul/core';

/** A tray, and how far pieces keep from its sides and from one another, mm. */
export interface TrialTray {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly openSides: readonly TraySide[];
  readonly marginMm: number;
  readonly gapMm: number;
}

/** Round pieces of one size or several, as many as fit where no number is said; or bars. Sizes are as baked, mm. */
export type TrialPieces =
  | {
      readonly kind: 'round';
      readonly sizes: readonly { readonly diameterMm: number; readonly pieces?: number }[];
    }
  | { readonly kind: 'bars'; readonly lengthMm: number; readonly widthMm: number };

/** What lies where, and that in a sentence. */
export interface Trial {
  readonly says: string;
  readonly circles: readonly { readonly x: number; readonly y: number; readonly r: number }[];
  readonly bars: readonly (Bar & { readonly lengthMm: number; readonly widthMm: number })[];
}

const barsOn = (tray: TrialTray, lengthMm: number, widthMm: number, say: (mm: number) => string): Trial => {
  const bars = layOutBars({ ...tray, barLengthMm: lengthMm, barWidthMm: widthMm });
  return {
    says: t`${plural(bars.length, { one: '# bar', other: '# bars' })} of ${say(lengthMm)} by ${say(widthMm)}.`,
    circles: [],
    bars: bars.map((bar) => ({ ...bar, lengthMm, widthMm })),
  };
};

/**
 * A tray laid with what is asked, or the sentence that says why it cannot be.
 * @param say a length in the units of the device
 */
export const layTrial = (
  tray: TrialTray,
  pieces: TrialPieces,
  say: (mm: number) => string,
): Trial | string => {
  try {
    if (pieces.kind === 'bars') return barsOn(tray, pieces.lengthMm, pieces.widthMm, say);
    const laid = layOutMixed({ ...tray, sizes: pieces.sizes }).sizes.map((size, i) => ({
      ...size,
      diameterMm: pieces.sizes[i]?.diameterMm ?? 0,
    }));
    const held = laid.map(({ centresMm, diameterMm }) => t`${centresMm.length} of ${say(diameterMm)}`);
    const left = laid
      .filter((size) => size.left > 0)
      .map((size) => t`${size.left} of ${say(size.diameterMm)}`);
    return {
      says: `${held.join(', ')}.${left.length > 0 ? t` No place for ${left.join(', ')}.` : ''}`,
      circles: laid.flatMap(({ centresMm, diameterMm }) =>
        centresMm.map(([x, y]) => ({ x, y, r: diameterMm / 2 })),
      ),
      bars: [],
    };
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};
