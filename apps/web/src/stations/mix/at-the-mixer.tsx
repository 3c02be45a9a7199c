import { t } from '@lingui/core/macro';
import { Play, Square } from 'lucide-react';
import { useState } from 'react';
import {
  mixSteps,
  openLines,
  roleOf,
  type LotState,
  type Formula,
  type MixStep,
  type WeighSheet,
} from '@jokul/core';
import { record } from '../../journal/store';
import { nowMs, useNow } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field } from '../../ui/field';
import { useScale } from './grams';
import { StageDrawing } from './stage-drawing';
import { useMixTimers } from './mix-timers';
import { changesToTool } from '../../words/names-of-codes';

interface AtTheMixerProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly eggLimitC: number;
}

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

/** Why a stage should not begin yet; null when it may. */
const blockOf = (
  step: MixStep,
  { formula, sheet, known, eggLimitC }: AtTheMixerProps,
  temperature: (temperatureC: number) => string,
): { missing: string; egg: boolean } | null => {
  const index = formula.stages.findIndex(({ id }) => id === step.stageId);
  const stage = formula.stages[index];
  if (!stage) return null;
  const open = openLines(sheet, known).filter(({ stageId }) => stageId === step.stageId);
  const browned = formula.stages.some(({ lines }) => lines.some((line) => line.browned));
  const measured = known.measured.get('browned butter');
  const tooHot =
    roleOf(stage) === 'egg' &&
    browned &&
    stage.lines.some(({ ingredientId }) => ingredientId.includes('egg')) &&
    (!measured || (measured.temperatureC > eggLimitC && !measured.reason));
  const reasons = [
    ...(tooHot
      ? [
          measured
            ? t`The browned butter was ${temperature(measured.temperatureC)}. Egg goes in only at ${temperature(eggLimitC)} or below: it scrambles, and is not safe.`
            : t`Measure the browned butter first: egg goes in only at ${temperature(eggLimitC)} or below.`,
        ]
      : []),
    ...(open.length > 0 ? [t`Not weighed yet: ${open.map(({ name }) => name).join(', ')}.`] : []),
  ];
  if (reasons.length > 0) return { egg: tooHot, missing: reasons.join(' ') };
  return null;
};

/** A stage: what goes in, when it is enough, and its timer. */
const MixStepRow = ({
  step,
  sheet,
  known,
  startedMs,
  onBegin,
  onStop,
}: {
  readonly step: MixStep;
  readonly sheet: WeighSheet;
  readonly known: LotState;
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
              {t`${
                step.speed === 'off'
                  ? t`by hand`
                  : step.speed === 'lowest'
                    ? t`lowest speed`
                    : t`speed ${step.speed}`
              }${step.tool === 'hand-mixer' ? t`, hand mixer` : ''}, about ${duration(step.durationS)}${step.parts > 1 ? t`, in ${step.parts} parts` : ''}`}
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

interface Asking {
  readonly step: MixStep;
  readonly missing: string;
  readonly egg: boolean;
}

/** Asks why a stage begins that should not. */
const StartAnyway = ({
  asking,
  onClose,
  onStart,
}: {
  readonly asking: Asking | null;
  readonly onClose: () => void;
  readonly onStart: (asking: Asking, reason: string) => void;
}) => {
  const [reason, setReason] = useState('');
  return (
    <Dialog
      open={asking !== null}
      onClose={onClose}
      title={asking?.egg ? t`Too hot for egg` : t`Not everything is weighed`}
      lead={asking?.missing}
    >
      <Field
        label={t`Start anyway, because`}
        value={reason}
        maxLength={400}
        onChange={(event) => setReason(event.target.value)}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button look="primary" onClick={onClose}>
          {asking?.egg ? t`Let it cool` : t`Weigh it first`}
        </Button>
        <Button
          look="hand"
          disabled={reason.trim().length < 3}
          onClick={() => {
            if (asking) onStart(asking, reason.trim());
            setReason('');
          }}
        >{t`Start anyway`}</Button>
      </div>
    </Dialog>
  );
};

/** The stages one after the other: timers, speeds, scraping, and when it is enough. */
export const AtTheMixer = (props: AtTheMixerProps) => {
  const { batchId, formula, sheet, known } = props;
  const { temperature } = useUnits();
  const { started, start, stop } = useMixTimers();
  const [asking, setAsking] = useState<Asking | null>(null);
  const begin = (step: MixStep) => {
    const block = blockOf(step, props, temperature);
    if (block) setAsking({ step, ...block });
    else start(batchId, step.stageId, nowMs());
  };
  const override = ({ step, missing, egg }: Asking, reason: string) => {
    // Only what was measured is written down as a temperature.
    const measured = known.measured.get('browned butter');
    if (egg && measured)
      record('measured', batchId, {
        what: 'browned butter',
        temperatureC: measured.temperatureC,
        reason,
      });
    record('note', batchId, {
      text: t`${step.name} started anyway. ${missing} Reason: ${reason}`.slice(0, 1000),
    });
    start(batchId, step.stageId, nowMs());
    setAsking(null);
  };
  return (
    <ol className="space-y-2">
      {mixSteps(formula).map((step) => (
        <MixStepRow
          key={step.stageId}
          step={step}
          sheet={sheet}
          known={known}
          startedMs={started[`${batchId}/${step.stageId}`]}
          onBegin={() => begin(step)}
          onStop={(durationS) => {
            record('stage-done', batchId, { stageId: step.stageId, durationS: Math.round(durationS) });
            stop(batchId, step.stageId);
          }}
        />
      ))}
      <StartAnyway asking={asking} onClose={() => setAsking(null)} onStart={override} />
    </ol>
  );
};
