import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { sayPiece, wholeEggs, type Ingredient } from '@jokul/core';
import { Button } from '../ui/button';
import { Shown } from '../ui/shown';
import { Said } from '../ui/said';
import { useUnits } from '../lib/units';

/** Egg by whole pieces: how many, the difference, and the liquid that makes up for it. */
export const WholeEgg = ({
  egg,
  targetG,
  onTake,
}: {
  egg: Ingredient;
  targetG: number;
  onTake: (massG: number) => void;
}) => {
  const { grams } = useUnits();
  const sizes = Object.entries(egg.pieceG);
  const [size, setSize] = useState('large');
  const each = egg.pieceG[size];
  if (each === undefined) return null;
  const { count, mass, water, sentence } = wholeEggs(targetG, each, egg);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-1 text-ink-soft">
        {t`Whole, of size`}
        <select
          aria-label={t`Size of the eggs`}
          value={size}
          onChange={(event) => setSize(event.target.value)}
          className="rounded border border-line bg-surface px-1 py-1"
        >
          {sizes.map(([name, g]) => (
            <option key={name} value={name}>
              {sayPiece(name)}, {grams(g)}
            </option>
          ))}
        </select>
      </label>
      <Button size="small" onClick={() => onTake(mass.value)}>
        {t`${count} whole`}
      </Button>
      <span className="text-ink-soft">
        <Said>{sentence}</Said> <Shown figure={water}>{t`arithmetic`}</Shown>
      </span>
    </div>
  );
};
