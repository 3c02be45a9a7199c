import { useState } from 'react';
import { checkSample, JokulError } from '@jokul/core';
import { record } from '../../journal/store';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { SampleFigures } from './portion-result';
import { SamplePicture } from './sample-picture';

interface PortionFormProps {
  readonly batchId: string;
  readonly targetG: number;
  readonly expected: number;
  readonly remainderG: number;
  readonly scoop: number;
  readonly scoops: readonly number[];
  readonly toleranceShare: number;
  readonly mixed: boolean;
}

const readWeights = (text: string): { weights: readonly number[]; wrong: string | null } => {
  const words = text.split(/[\s;]+|,(?=\s|$)/).filter(Boolean);
  const weights = words.map((word) => Number(word.replace(',', '.')));
  const bad = words.find(
    (_, i) => !Number.isFinite(weights[i]) || (weights[i] ?? 0) < 1 || (weights[i] ?? 0) > 1000,
  );
  return {
    weights,
    wrong:
      bad === undefined
        ? null
        : `"${bad}" is no weight of a piece. Write grams with spaces between: 33.5 34 32.5`,
  };
};

/** What came out: count, scoop, some weights, the rest. */
export const PortionForm = (props: PortionFormProps) => {
  const { batchId, targetG, expected, scoops, toleranceShare, mixed } = props;
  const [pieces, setPieces] = useState(String(expected));
  const [scoop, setScoop] = useState(String(props.scoop));
  const [text, setText] = useState('');
  const [remainder, setRemainder] = useState(props.remainderG.toFixed(0));
  const { weights, wrong } = readWeights(text);
  const toleranceG = toleranceShare * targetG;
  const sample = () => {
    if (wrong) return null;
    try {
      return checkSample(weights, targetG, toleranceG);
    } catch (error) {
      if (error instanceof JokulError) return null;
      throw error;
    }
  };
  const result = sample();
  const count = Number(pieces);
  const countWrong = !Number.isInteger(count) || count < 0 || count > 100_000;
  const left = Number(remainder);
  const leftWrong = !Number.isFinite(left) || left < 0;
  const save = () =>
    record('portioned', batchId, {
      pieces: count,
      scoop: Number(scoop),
      samplesG: [...weights],
      targetG,
      remainderG: left,
    });
  return (
    <form
      aria-label="What came out"
      className="max-w-3xl"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <div className="grid grid-cols-3 gap-4">
        <Field
          label="Pieces counted"
          type="number"
          value={pieces}
          onChange={(event) => setPieces(event.target.value)}
          error={countWrong ? 'A whole number of pieces.' : undefined}
          hint={`${expected} are expected`}
        />
        <SelectField label="Portioned with" value={scoop} onChange={(event) => setScoop(event.target.value)}>
          <option value="0">knife or scale</option>
          {scoops.map((n) => (
            <option key={n} value={n}>
              scoop No. {n}
            </option>
          ))}
        </SelectField>
        <Field
          label="Left over, g"
          type="number"
          value={remainder}
          onChange={(event) => setRemainder(event.target.value)}
          error={leftWrong ? 'Grams, 0 or more.' : undefined}
        />
      </div>
      <div className="mt-4">
        <Field
          label="Some pieces on the scale, g"
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="33.5 34 32.5 …"
          error={wrong ?? undefined}
          hint="The first pieces, then one in so many; with spaces between."
          className="figures text-lg"
        />
      </div>
      {result && (
        <div className="mt-4">
          <SamplePicture samplesG={weights} targetG={targetG} toleranceG={toleranceG} />
          <SampleFigures result={result} targetG={targetG} pieces={count} />
        </div>
      )}
      <div className="mt-5 flex items-center gap-3">
        <Button type="submit" look="primary" disabled={countWrong || leftWrong || wrong !== null || !mixed}>
          It is portioned
        </Button>
        {!mixed && <p className="text-ink-soft">The batch is not mixed yet.</p>}
      </div>
    </form>
  );
};
