import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';

const whatToMeasure = [
  t`core of the middle piece as it is pulled, with a thin needle`,
  t`diameter: several pieces edge to edge, cold, divided by their number`,
  t`height, the same way, stacked`,
  t`weight of the pieces raw and cold: the bake loss`,
  t`colour of the rim by the colour card`,
];

/** How many pieces, where, and how cold, as it is typed. */
export const useFew = (places: number, plannedC: number) => {
  const { figure, typed } = useUnits();
  const [pieces, setPieces] = useState('4');
  const [position, setPosition] = useState(String(Math.ceil(places / 2)));
  const [start, setStart] = useState(figure(plannedC, 'temperature'));
  const count = Number(pieces);
  const startC = typed(start, 'temperature');
  const wrongCount = !Number.isInteger(count) || count < 1 || count > 12;
  const wrongStart = !Number.isFinite(startC) || startC < -30 || startC > 35;
  return {
    pieces,
    setPieces,
    position,
    setPosition,
    start,
    setStart,
    count,
    startC,
    wrongCount,
    wrongStart,
    wrong: wrongCount || wrongStart,
  };
};

export const FewFields = ({
  few,
  places,
}: {
  readonly few: ReturnType<typeof useFew>;
  readonly places: number;
}) => {
  const { label, range } = useUnits();
  const { pieces, setPieces, position, setPosition, start, setStart, wrongCount, wrongStart } = few;
  return (
    <div className="space-y-3">
      <Field
        label={t`Pieces`}
        inputMode="numeric"
        className="figures text-right"
        value={pieces}
        error={wrongCount ? t`1 to 12` : undefined}
        onChange={(event) => setPieces(event.target.value)}
      />
      <SelectField
        label={t`Place in the oven`}
        value={position}
        onChange={(event) => setPosition(event.target.value)}
      >
        {Array.from({ length: places }, (_, i) => (
          <option key={i} value={i + 1}>
            {i + 1}
          </option>
        ))}
      </SelectField>
      <Field
        label={label(t`Core of the dough`, 'temperature')}
        inputMode="decimal"
        className="figures text-right"
        value={start}
        error={wrongStart ? range(-30, 35, 'temperature') : undefined}
        onChange={(event) => setStart(event.target.value)}
      />
    </div>
  );
};

export const WhatToMeasure = () => (
  <>
    <p className="text-ink-soft">{t`Measure what you have time for:`}</p>
    <ul className="mt-1 list-inside list-disc text-[13.5px] text-ink-soft">
      {whatToMeasure.map((what) => (
        <li key={what}>{what}</li>
      ))}
    </ul>
  </>
);
