import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useUnits } from '../lib/units';

interface DoughMassProps {
  readonly doughG: number;
  readonly onChange: (massG: number) => void;
}

/** For how much dough the weights are shown. */
export const DoughMass = ({ doughG, onChange }: DoughMassProps) => {
  const { mass, label, figure, typed, range } = useUnits();
  const [text, setText] = useState(figure(doughG, 'mass'));
  const wrong = (massG: number) => !(massG >= 1 && massG <= 1e6);
  const isWrong = wrong(typed(text, 'mass'));
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2 text-[13.5px]">
      <label htmlFor="dough-mass" className="text-ink-soft">
        {label(t`Weights for a dough of`, 'mass')}
      </label>
      <input
        id="dough-mass"
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={isWrong}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          const next = typed(event.target.value, 'mass');
          if (!wrong(next)) onChange(next);
        }}
        className="figures w-28 rounded-md border border-line-strong bg-raised px-2 py-1 text-right aria-[invalid=true]:border-hand"
      />
      {isWrong ? (
        <span role="alert" className="font-medium text-hand">
          {range(1, 1e6, 'mass')}
        </span>
      ) : (
        <span className="text-ink-soft">= {mass(doughG)}</span>
      )}
    </div>
  );
};
