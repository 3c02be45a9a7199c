import { useMemo } from 'react';
import { chance, operatingCharacteristic } from '@jokul/core';

/** What a batch may truly be off by, share of the target: on it, a little light, and light enough to matter. */
const trulyOff = [0, -0.03, -0.06] as const;
/** So many made-up samples of each. */
const samples = 400;
const seed = 20_261_127;

/** How often a sample of this size and spread would pass as on target, by how light the batch truly is. */
export const HowSharp = ({
  weighed,
  pieces,
  targetG,
  toleranceG,
  spreadG,
}: {
  readonly weighed: number;
  /** Of the whole batch. */
  readonly pieces: number;
  readonly targetG: number;
  readonly toleranceG: number;
  readonly spreadG: number;
}) => {
  const passes = useMemo(() => {
    const luck = chance(seed);
    return trulyOff.map(
      (offShare) =>
        operatingCharacteristic(
          {
            nominalG: targetG,
            toleranceG,
            batchPieces: Math.max(weighed, pieces),
            pieces: weighed,
            offShare,
            spreadShare: spreadG / targetG,
          },
          () => luck.around(0, 1),
          samples,
        )['on-target'],
    );
  }, [weighed, pieces, targetG, toleranceG, spreadG]);
  const [right = 0, little = 0, light = 0] = passes.map((share) => Math.round(100 * share));
  return (
    <p className="mt-2 text-[13.5px] text-ink-soft">
      How sharp is that? With {weighed} pieces as uneven as these, {right} of 100 batches that are right would
      pass as on target, {little} of 100 that are 3 % light, and {light} of 100 that are 6 % light.
    </p>
  );
};
