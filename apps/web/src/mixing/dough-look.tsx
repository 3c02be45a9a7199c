import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { doughAdvice, foodOf, type LotState, type WeighSheet } from '@jokul/core';
import { record } from '../journal/store';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { useUnits } from '../lib/units';

/** A dough that is crumbly or loose: what to do, within limits, and what was given is recorded. */
export const DoughLook = ({
  batchId,
  sheet,
  known,
  doughC,
}: {
  batchId: string;
  sheet: WeighSheet;
  known: LotState;
  doughC: number;
}) => {
  const { grams } = useUnits();
  const [look, setLook] = useState<'crumbly' | 'loose' | null>(null);
  const flourG = sheet.lines
    .filter((line) => foodOf(line).kind === 'flour')
    .reduce((sum, { roundedG }) => sum + roundedG, 0);
  const givenG = known.adjusted.reduce((sum, { massG }) => sum + massG, 0);
  const advice = look && Number.isFinite(doughC) ? doughAdvice(look, flourG, doughC, givenG) : null;
  return (
    <div className="no-print mt-3 text-[14px]">
      <span className="text-ink-soft">{t`The dough is`} </span>
      {(['crumbly', 'loose'] as const).map((word) => (
        <Button
          key={word}
          size="small"
          look={look === word ? 'primary' : 'plain'}
          className="mr-1.5"
          onClick={() => setLook(look === word ? null : word)}
        >
          {word === 'crumbly' ? t`dry, crumbly` : t`loose, shiny`}
        </Button>
      ))}
      {givenG > 0 && <span className="text-ink-soft"> {t`${grams(givenG)} of liquid given so far.`}</span>}
      {look && !advice && (
        <p className="mt-2 text-ink-soft">{t`Enter the temperature of the dough first.`}</p>
      )}
      {advice && look && (
        <p className="mt-2 flex flex-wrap items-center gap-2">
          <Said>{advice.sentence}</Said>
          {advice.liquidG >= 2.5 &&
            (['water', 'whole-milk'] as const).map((id) => (
              <Button
                key={id}
                size="small"
                onClick={() =>
                  record('adjusted', batchId, { look, ingredientId: id, massG: Math.min(5, advice.liquidG) })
                }
              >{t`A spoon of ${id === 'water' ? t`water` : t`milk`} given`}</Button>
            ))}
          {look === 'loose' && (
            <Button
              size="small"
              onClick={() => record('adjusted', batchId, { look, massG: 0 })}
            >{t`It rests cold`}</Button>
          )}
        </p>
      )}
    </div>
  );
};
