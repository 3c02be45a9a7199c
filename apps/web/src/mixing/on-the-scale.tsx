import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import { useRef, useState, type RefObject } from 'react';
import { foodOf, ingredientOfKey, type Scale } from '@jokul/core';
import { useJournal } from '../journal/store';
import { usePreferences } from '../lib/preferences';
import { Button } from '../ui/button';
import { CorrectReading } from './correct-reading';
import { useScale } from './grams';
import { ScaleHead } from './scale-head';
import { SimulatedScale } from './simulated-scale';
import { useReading, type ReadingOf } from './use-reading';
import { WholeEgg } from './whole-egg';

interface OnTheScaleProps extends ReadingOf {
  readonly scales: readonly Scale[];
  readonly onSkip: () => void;
}

/** The lot that was noted last for an ingredient, in any batch. */
const useLastLot = (ingredientId: string): string => {
  const batches = useJournal((s) => s.floor.lots);
  const noted = [...batches.values()]
    .flatMap(({ weighed }) => [...weighed.values()])
    .filter(({ key, lotCode }) => lotCode && ingredientOfKey(key) === ingredientId)
    .sort((a, b) => b.atMs - a.atMs);
  return noted[0]?.lotCode ?? '';
};

/** The field for the reading, and what is done with it. */
const ReadingField = ({
  input,
  text,
  onType,
  onSkip,
}: {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly text: string;
  readonly onType: (reading: string) => void;
  readonly onSkip: () => void;
}) => {
  const scale = useScale();
  return (
    <div className="flex items-end gap-2">
      <div>
        <label htmlFor="reading" className="mb-1.5 block text-[13px] text-ink-soft">
          {t`Reading, ${scale.unit}`}
        </label>
        <input
          id="reading"
          aria-describedby="target"
          ref={input}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => onType(event.target.value)}
          className="figures min-h-14 w-32 rounded-md border border-line-strong bg-surface px-3 text-right text-2xl"
        />
      </div>
      <Button
        type="submit"
        look="primary"
        className="min-h-14 px-4 text-xl"
        icon={<Check size={22} />}
      >{t`Weighed`}</Button>
      <Button look="quiet" className="min-h-14 px-2" onClick={onSkip}>{t`Later`}</Button>
    </div>
  );
};

/** The lot number off the bag. */
const LotField = ({ lot, onType }: { readonly lot: string; readonly onType: (lot: string) => void }) => (
  <label className="flex items-center gap-2 text-ink-soft">
    {t`Lot`}
    <input
      aria-label={t`Lot number`}
      value={lot}
      maxLength={40}
      placeholder={t`off the bag`}
      onChange={(event) => onType(event.target.value)}
      className="w-36 rounded border border-line bg-surface px-2 py-1"
    />
  </label>
);

/** The ingredient that is on the scale now, large. */
export const OnTheScale = ({ scales, onSkip, ...of }: OnTheScaleProps) => {
  const { line } = of;
  const { scaleMode, scaleReads } = usePreferences();
  const scale = useScale();
  const lastLot = useLastLot(line.ingredientId);
  const [lot, setLot] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const reading = useReading(of, (lot ?? lastLot).trim(), input);
  const { wanted } = reading;
  return (
    <form
      className="no-print mb-3 rounded-lg border border-line-strong bg-raised p-4"
      aria-label={t`On the scale: ${line.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        reading.weigh();
      }}
    >
      <ScaleHead line={line} scales={scales} base={reading.base} before={reading.before} />
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-1">
        <p className="basis-full text-3xl leading-tight font-semibold">{line.name}</p>
        <div>
          <p
            id="target"
            aria-label={t`Target ${wanted} ${scale.unit}`}
            className="figures pb-1 text-[52px] leading-none"
          >
            {wanted} <span className="text-2xl">{scale.unit}</span>
            <span className="ml-3 text-lg text-ink-soft">
              ± {scale.shown(line.toleranceG, line.resolutionG)}
            </span>
          </p>
        </div>
        <ReadingField input={input} text={reading.text} onType={reading.type} onSkip={onSkip} />
      </div>
      {scaleReads === 'simulated' && (
        <SimulatedScale
          key={`${line.key}-${scaleMode}`}
          startG={reading.base}
          targetG={reading.target}
          toleranceG={line.toleranceG}
          resolutionG={line.resolutionG}
          onReading={(massG) => reading.show(scale.shown(massG, line.resolutionG))}
        />
      )}
      <div className="mt-2 flex flex-wrap items-end gap-4 text-[13.5px]">
        <LotField lot={lot ?? lastLot} onType={setLot} />
        {foodOf(line).kind === 'egg' && (
          <WholeEgg
            egg={foodOf(line)}
            targetG={line.exact.value}
            onTake={(eggsG) => reading.type(scale.shown(eggsG + reading.base, line.resolutionG))}
          />
        )}
      </div>
      {reading.wrong && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {reading.wrong}
        </p>
      )}
      {reading.offered.length > 0 && (
        <CorrectReading
          name={line.name}
          off={reading.off}
          resolutionG={line.resolutionG}
          corrections={reading.offered}
          onChoose={reading.decide}
        />
      )}
    </form>
  );
};
