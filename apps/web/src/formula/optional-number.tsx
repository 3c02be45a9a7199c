import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { readTyped, type TypedKind } from '@jokul/core';
import { saidFigure, typedFigure, useUnits } from '../lib/units';
import { Field } from '../ui/field';

interface OptionalNumberProps {
  readonly name: string;
  /** Only for who does not see: what holds when it is empty says what it is. */
  readonly hideName?: boolean;
  /** As stored; null where nothing is set, and the field stands empty. */
  readonly value: number | undefined;
  readonly kind: TypedKind;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  /** What holds when it is left empty. */
  readonly usual: string;
  readonly onCommit: (value: number | undefined) => void;
}

/** A figure that may be left empty: then the usual one holds, shown in its place. Leaving the field commits it. */
export const OptionalNumber = ({
  name,
  hideName = false,
  value,
  kind,
  min,
  max,
  whole = false,
  usual,
  onCommit,
}: OptionalNumberProps) => {
  const { units } = useUnits();
  const shown = value === undefined ? '' : typedFigure(value, kind, units);
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? shown;
  const read = text.trim() === '' ? undefined : (readTyped(text, kind, units) ?? Number.NaN);
  const wrong =
    read !== undefined && !(read >= min - 1e-9 && read <= max + 1e-9 && (!whole || Number.isInteger(read)));
  return (
    <Field
      label={name}
      hideLabel={hideName}
      inputMode="decimal"
      className="figures text-right"
      placeholder={usual}
      value={text}
      error={wrong ? t`${saidFigure(min, kind, units)} to ${saidFigure(max, kind, units)}` : undefined}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(null);
      }}
      onBlur={() => {
        if (wrong) return;
        setTyped(null);
        if (text !== shown) onCommit(read);
      }}
    />
  );
};
