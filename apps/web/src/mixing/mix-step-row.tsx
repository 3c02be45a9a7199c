import { t } from '@lingui/core/macro';
import { Play, Square } from 'lucide-react';
import type { LotState, MixStep, OtherSchool, WeighSheet } from '@jokul/core';
import { useNow } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { Button } from '../ui/button';
import { changesToTool } from '../words/names-of-codes';
import { useScale } from './grams';
import { StageDrawing } from './stage-drawing';

const clockText = (s: number) =>
  `${Math.floor(Math.abs(s) / 60)}:${String(Math.floor(Math.abs(s) % 60)).padStart(2, '0')}`;

/** A running step: what is left, and whether the bowl wants scraping. */
const Running = ({
  step,
  startedMs,
  onStop,
}: {
  step: MixStep;
  startedMs: number;
  onStop: (durationS: number) => void;
}) => {
  const now = useNow();
  const goneS = Math.max(0, (now - startedMs) / 1000);
  const leftS = step.durationS - goneS;
  const scrape = step.scrapeAtS.some((at) => goneS >= at && goneS < at + 12);
  return (
    <div className="flex items-center gap-4">
      <span
        className={`figures text-5xl ${leftS < 0 ? 'text-hand' : ''}`}
        role="timer"
        aria-label={t`${step.name} left`}
      >
        {leftS < 0 ? '+' : ''}
        {clockText(leftS)}
      </span>
      <span className="min-w-0 flex-1 text-lg">
        {scrape ? (
          <strong className="text-hand">{t`Stop the mixer and scrape: bowl, paddle, underside.`}</strong>
        ) : leftS < 0 ? (
          step.stopWhen
        ) : (
          ''
        )}
      </span>
      <Button
        look="primary"
        className="min-h-14 px-6 text-xl"
        icon={<Square size={18} />}
        onClick={() => onStop(goneS)}
      >{t`Stopped`}</Button>
    </div>
  );
};

const speedPlace = { lowest: 0, '1': 1, '2': 2 } as const;

/** The speed as it stands on the machine, where somebody said how; a hand mixer has its own. */
const saySpeed = ({ speed, tool }: MixStep, speeds: readonly string[] | undefined): string => {
  if (speed === 'off') return t`by hand`;
  const called = tool === 'mixer' ? speeds?.[speedPlace[speed]] : undefined;
  if (called !== undefined) return t`speed ${called}`;
  return speed === 'lowest' ? t`lowest speed` : t`speed ${speed}`;
};

/** What others do here: worth knowing when a dough is to come out otherwise. */
const OtherSchools = ({ others }: { readonly others: readonly OtherSchool[] }) => {
  const { duration } = useUnits();
  return (
    <details className="no-print mt-0.5 text-[13.5px] text-ink-soft">
      <summary className="cursor-pointer">{t`Other schools`}</summary>
      <ul className="mt-0.5 space-y-0.5">
        {others.map(({ name, durationS, stopWhen }) => (
          <li key={name}>
            <strong className="font-semibold">
              <Said>{name}</Said>
            </strong>
            , {duration(durationS)}: <Said>{stopWhen}</Said>
          </li>
        ))}
      </ul>
    </details>
  );
};

/** A stage: what goes in, when it is enough, and its timer. */
export const MixStepRow = ({
  step,
  sheet,
  speeds,
  known,
  others,
  startedMs,
  onBegin,
  onStop,
}: {
  readonly step: MixStep;
  readonly sheet: WeighSheet;
  /** What the speeds of its mixer are called. */
  readonly speeds: readonly string[] | undefined;
  readonly known: LotState;
  /** What other schools do instead. */
  readonly others: readonly OtherSchool[];
  /** When it was started, while it runs. */
  readonly startedMs: number | undefined;
  readonly onBegin: () => void;
  readonly onStop: (durationS: number) => void;
}) => {
  const { duration } = useUnits();
  const scale = useScale();
  const done = known.stages.get(step.stageId);
  return (
    <li className={`rounded-lg border p-3 ${startedMs ? 'border-line-strong bg-raised' : 'bg-surface'}`}>
      <div className="flex items-center gap-4">
        <StageDrawing picture={step.picture} />
        <div className="min-w-0 flex-1">
          <p className="text-lg font-semibold">
            {step.name}
            <span className="ml-3 text-[14px] font-normal text-ink-soft">
              {t`${saySpeed(
                step,
                speeds,
              )}${step.tool === 'hand-mixer' ? t`, hand mixer` : ''}, about ${duration(step.durationS)}${step.parts > 1 ? t`, in ${step.parts} parts` : ''}`}
            </span>
          </p>
          {step.changesTool && <p className="text-[14px] font-semibold">{changesToTool[step.tool]}</p>}
          <p className="text-[14px]">
            {sheet.lines
              .filter(({ stageId }) => stageId === step.stageId)
              .map((line) => `${line.name.toLowerCase()} ${scale.said(line.roundedG, line.resolutionG)}`)
              .join(', ')}
          </p>
          <p className="text-ink-soft">{t`Enough when: ${step.stopWhen}`}</p>
          {others.length > 0 && <OtherSchools others={others} />}
        </div>
        {done ? (
          <span className="figures text-ink-soft">{duration(Math.round(done.durationS))}</span>
        ) : startedMs === undefined ? (
          <Button
            className="no-print min-h-14 px-5"
            icon={<Play size={18} />}
            disabled={known.mixed !== null}
            onClick={onBegin}
          >{t`Start`}</Button>
        ) : null}
      </div>
      {!done && startedMs !== undefined && <Running step={step} startedMs={startedMs} onStop={onStop} />}
    </li>
  );
};
