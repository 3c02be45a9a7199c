import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  samplePlan,
  sayScoop,
  type Equipment,
  type Formula,
  type HouseRules,
  type RemainderUse,
} from '@jokul/core';
import { record } from '../journal/store';
import { ordinal } from '../lib/ordinal';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';
import { RemainderChoice } from './remainder-choice';
import { SampleFigures } from './sample-figures';
import { UnevenBake } from './uneven-bake';
import type { MeasuredScoop } from './weigh-scoops';

interface PortionFormProps {
  readonly batchId: string;
  readonly targetG: number;
  readonly expected: number;
  readonly remainderG: number;
  readonly scoop: number;
  readonly scoops: readonly number[];
  readonly toleranceShare: number;
  readonly mixed: boolean;
  /** What is to be done before it can be portioned, where it is not there yet. */
  readonly notYet: string;
  readonly measured: MeasuredScoop | null;
  readonly piecesOfDay: number;
  readonly formula: Formula;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
}

/** Weights with spaces between, as stored; `read` takes one word of them. */
const readWeights = (
  text: string,
  read: (word: string) => number,
  example: string,
): { weights: readonly number[]; wrong: string | null } => {
  const words = text.split(/[\s;]+|,(?=\s|$)/).filter(Boolean);
  const weights = words.map(read);
  const bad = words.find(
    (_, i) => !Number.isFinite(weights[i]) || (weights[i] ?? 0) < 1 || (weights[i] ?? 0) > 1000,
  );
  return {
    weights,
    wrong:
      bad === undefined
        ? null
        : t`"${bad}" is no weight of a piece. Write weights with spaces between: ${example}`,
  };
};

/** How even the weighed pieces are, and what that does in the oven. */
const HowEven = ({
  weights,
  pieces,
  of,
}: {
  readonly weights: readonly number[];
  readonly pieces: number;
  readonly of: PortionFormProps;
}) => (
  <div className="mt-4">
    <SampleFigures
      samplesG={weights}
      targetG={of.targetG}
      toleranceG={of.toleranceShare * of.targetG}
      pieces={pieces}
      piecesOfDay={of.piecesOfDay}
    />
    <div className="mt-3 border-t pt-2">
      <h2 className="text-[13px] font-semibold text-ink-soft">{t`In the oven`}</h2>
      <UnevenBake formula={of.formula} samplesG={weights} equipment={of.equipment} rules={of.rules} />
    </div>
  </div>
);

const ScoopField = ({
  scoop,
  scoops,
  onChoose,
}: {
  readonly scoop: string;
  readonly scoops: readonly number[];
  readonly onChoose: (scoop: string) => void;
}) => (
  <SelectField label={t`Portioned with`} value={scoop} onChange={(event) => onChoose(event.target.value)}>
    <option value="0">{t`knife or scale`}</option>
    {scoops.map((n) => (
      <option key={n} value={n}>
        {t`scoop ${sayScoop(n)}`}
      </option>
    ))}
  </SelectField>
);

const WeightsField = ({
  text,
  example,
  expected,
  wrong,
  onType,
}: {
  readonly text: string;
  readonly example: string;
  readonly expected: number;
  readonly wrong: string | null;
  readonly onType: (text: string) => void;
}) => {
  const { label } = useUnits();
  const plan = samplePlan(Math.max(1, expected));
  return (
    <div className="mt-4">
      <Field
        label={label(t`Some pieces on the scale`, 'mass')}
        value={text}
        onChange={(event) => onType(event.target.value)}
        placeholder={`${example} …`}
        error={wrong ?? undefined}
        hint={t`${plan.weigh} of ${expected}: the first ${plan.first}, then every ${ordinal(plan.oneIn)}; with spaces between, in their order.`}
        className="figures text-lg"
      />
    </div>
  );
};

/** The scoop as it was weighed, where it is the one that was used. */
const scoopOf = (measured: MeasuredScoop | null, scoop: string) =>
  measured?.number === Number(scoop)
    ? { scoopG: Number(measured.meanG.toFixed(2)), filled: measured.filled }
    : {};

/** What is still to be done before the press. */
const missingFrom = (uncounted: boolean, unweighed: boolean): string | null => {
  if (uncounted) return t`Count the pieces first.`;
  return unweighed ? t`Weigh what is left over: 0 for none.` : null;
};

/** What came out: count, scoop, some weights, the rest. */
export const PortionForm = (props: PortionFormProps) => {
  const { batchId, targetG, expected, scoops, toleranceShare, mixed, notYet } = props;
  // Counted and weighed, not taken over from what is expected.
  const [pieces, setPieces] = useState('');
  const [scoop, setScoop] = useState(String(props.scoop));
  const [text, setText] = useState('');
  const [remainder, setRemainder] = useState('');
  const [use, setUse] = useState<RemainderUse | null>(null);
  const { label, typed, about, units } = useUnits();
  const example = units === 'us' ? '1.18 1.2 1.15' : '33.5 34 32.5';
  const { weights, wrong } = readWeights(text, (word) => typed(word, 'mass'), example);
  const count = Number(pieces);
  const uncounted = pieces.trim() === '';
  const countWrong = !uncounted && (!Number.isInteger(count) || count < 0 || count > 100_000);
  const counted = countWrong || uncounted ? expected : count;
  const left = typed(remainder, 'mass');
  const unweighed = remainder.trim() === '';
  const leftWrong = !unweighed && (!Number.isFinite(left) || left < 0);
  const save = () =>
    record('portioned', batchId, {
      pieces: count,
      scoop: Number(scoop),
      samplesG: [...weights],
      targetG,
      remainderG: left,
      ...(use && { remainder: use }),
      ...scoopOf(props.measured, scoop),
    });
  return (
    <form
      aria-label={t`What came out`}
      className="max-w-3xl"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <div className="grid grid-cols-3 gap-4 max-sm:grid-cols-2 max-sm:gap-3">
        <Field
          label={t`Pieces counted`}
          type="number"
          value={pieces}
          onChange={(event) => setPieces(event.target.value)}
          error={countWrong ? t`A whole number of pieces.` : undefined}
          hint={t`${expected} are expected`}
        />
        <ScoopField scoop={scoop} scoops={scoops} onChoose={setScoop} />
        <Field
          label={label(t`Left over`, 'mass')}
          inputMode="decimal"
          value={remainder}
          onChange={(event) => setRemainder(event.target.value)}
          hint={t`${about(props.remainderG) === 'none' ? t`none` : t`about ${about(props.remainderG)}`} expected; 0 for none`}
          error={leftWrong ? t`A weight, 0 or more.` : undefined}
        />
      </div>
      <RemainderChoice
        remainderG={leftWrong ? 0 : unweighed ? props.remainderG : left}
        pieces={counted}
        pieceMassG={targetG}
        toleranceShare={toleranceShare}
        chosen={use}
        onChoose={setUse}
      />
      <WeightsField text={text} example={example} expected={expected} wrong={wrong} onType={setText} />
      {!wrong && weights.length > 0 && <HowEven weights={weights} pieces={counted} of={props} />}
      <div className="mt-5 flex items-center gap-3">
        <Button
          type="submit"
          look="primary"
          disabled={uncounted || unweighed || countWrong || leftWrong || wrong !== null || !mixed}
        >{t`Portioning done`}</Button>
        <p className="text-ink-soft">{mixed ? missingFrom(uncounted, unweighed) : notYet}</p>
      </div>
    </form>
  );
};
