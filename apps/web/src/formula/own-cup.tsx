import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useUnits } from '../lib/units';
import { Field } from '../ui/field';

interface OwnCupProps {
  readonly massG: number;
  readonly onChange: (massG: number) => void;
}

/** What a cup of one's own holds, as it was weighed. */
export const OwnCup = ({ massG, onChange }: OwnCupProps) => {
  const { label, figure, typed, range } = useUnits();
  const [text, setText] = useState(figure(massG, 'mass'));
  const fits = (cupG: number) => cupG >= 20 && cupG <= 400;
  return (
    <Field
      label={label(t`In our cup`, 'mass')}
      inputMode="decimal"
      className="figures"
      value={text}
      error={fits(typed(text, 'mass')) ? undefined : range(20, 400, 'mass')}
      onChange={(event) => {
        setText(event.target.value);
        const cupG = typed(event.target.value, 'mass');
        if (fits(cupG)) onChange(cupG);
      }}
    />
  );
};
