import { t } from '@lingui/core/macro';
import {
  butterToBrown,
  doughParts,
  foodOf,
  learnBrowningLoss,
  type LotState,
  type Formula,
  type HouseRules,
  type Place,
  type WeighSheet,
} from '@jokul/core';
import { useJournal } from '../journal/store';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { ButterCooling } from './butter-cooling';
import { ButterMeasured } from './butter-measured';
import { PanLog } from './pan-log';

interface BrownedButterProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
}

/** How much goes into the pan, what came out, how long it cools, and when egg may follow. */
export const BrownedButter = ({ batchId, formula, sheet, known, places, rules }: BrownedButterProps) => {
  const batches = useJournal((s) => s.floor.lots);
  const { mass } = useUnits();
  const line = formula.stages.flatMap(({ lines }) => lines).find((l) => l.browned);
  if (!line) return <p className="text-ink-soft">{t`No butter is browned in this formula.`}</p>;
  const sheetLine = sheet.lines.find(
    ({ ingredientId, name }) => ingredientId === line.ingredientId && name.includes('brown'),
  );
  const share = doughParts(line).reduce((sum, part) => sum + part.percent, 0) / line.percent;
  const neededG = (sheetLine?.exact.value ?? 0) * share;
  const loss = learnBrowningLoss(
    [...batches.values()].flatMap(({ browned }) => browned),
    foodOf(line),
  );
  const weighIn = butterToBrown(neededG, loss);
  return (
    <section aria-label={t`Browned butter`} className="rounded-lg border bg-surface p-4">
      <h2 className="text-lg font-semibold">{t`Browned butter`}</h2>
      <p>
        {t`The dough needs ${mass(neededG)} browned. Weigh`}{' '}
        <strong className="figures text-xl">
          <Shown figure={weighIn}>{mass(weighIn.value)}</Shown>
        </strong>{' '}
        {t`into the pan: browning takes`} <Shown figure={loss}>{(100 * loss.value).toFixed(1)} %</Shown>.
      </p>
      <PanLog batchId={batchId} known={known} neededG={neededG} weighInG={weighIn.value} />
      <ButterMeasured batchId={batchId} known={known} eggC={rules.eggIntoButterC} />
      <ButterCooling
        places={places}
        massG={known.browned.at(-1)?.outG ?? neededG}
        measuredC={known.measured.get('browned butter')?.temperatureC}
        eggC={rules.eggIntoButterC}
      />
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`In the cold it sets first at the bottom: scrape it up and stir.`}</p>
    </section>
  );
};
