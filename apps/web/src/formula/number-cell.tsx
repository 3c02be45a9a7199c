import { t } from '@lingui/core/macro';
import { useEffect, useState } from 'react';
import { formatNumber, readTyped, typedUnit, type TypedKind } from '@jokul/core';
import { typedFigure, useUnits } from '../lib/units';

interface NumberCellProps {
  readonly label: string;
  /** As stored: g, °C, mm. */
  readonly value: number;
  /** What it is a figure of: shown and read in the units of the device. A plain number where left out. */
  readonly kind?: TypedKind;
  readonly onCommit: (value: number) => void;
  readonly min: number;
  readonly max: number;
  /** Alt with an arrow moves the whole line, when it can be moved. */
  readonly onMove?: (by: 1 | -1) => void;
}

/** A figure edited in place: Enter or leaving it commits, Escape goes back, the arrow keys go up and down the column. */
export const NumberCell = ({
  label,
  value,
  kind = 'number',
  onCommit,
  min,
  max,
  onMove,
}: NumberCellProps) => {
  const { units } = useUnits();
  const show = (stored: number) =>
    kind === 'number' ? formatNumber(stored) : typedFigure(stored, kind, units);
  const shown = show(value);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    setText(shown);
    setWrong(false);
  }, [shown]);
  const commit = () => {
    if (text.trim() === shown) return setWrong(false);
    const next = readTyped(text, kind, units) ?? Number.NaN;
    if (!Number.isFinite(next) || next < min - 1e-9 || next > max + 1e-9) return setWrong(true);
    setWrong(false);
    onCommit(next);
  };
  const move = (from: HTMLInputElement, by: number) => {
    const column = [
      ...document.querySelectorAll<HTMLInputElement>(`input[data-column="${from.dataset.column}"]`),
    ];
    const next = column[column.indexOf(from) + by];
    // Leaving the field commits it, and only that does.
    if (next) next.focus();
    else from.blur();
  };
  return (
    <>
      <input
        inputMode="decimal"
        aria-label={label}
        aria-invalid={wrong}
        data-column={label.split(',')[0]}
        value={text}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setText(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : null;
          if (event.altKey && by && onMove) {
            event.preventDefault();
            commit();
            onMove(by);
            // The line stands elsewhere now; the focus goes with it.
            requestAnimationFrame(() =>
              document.querySelector<HTMLInputElement>(`input[aria-label=${JSON.stringify(label)}]`)?.focus(),
            );
            return;
          }
          if (event.key === 'Enter' || event.key === 'ArrowDown') move(event.currentTarget, 1);
          if (event.key === 'ArrowUp') move(event.currentTarget, -1);
          if (event.key === 'Escape') setText(shown);
        }}
        className="figures w-24 max-w-full rounded border border-line bg-raised px-1.5 py-0.5 text-right focus:border-ink aria-[invalid=true]:border-2 aria-[invalid=true]:border-hand"
      />
      {wrong && (
        <span role="alert" className="block text-[12.5px] font-medium text-hand">
          {t`${show(min)} to ${show(max)} ${typedUnit(kind, units)}`}
        </span>
      )}
    </>
  );
};

/** The same with its name and unit above it. */
export const NumberField = ({ name, ...cell }: NumberCellProps & { readonly name: string }) => {
  const { units } = useUnits();
  const unit = typedUnit(cell.kind ?? 'number', units);
  return (
    <label className="flex min-w-0 flex-col gap-1 text-[13px] text-ink-soft">
      {unit ? `${name}, ${unit}` : name}
      <NumberCell {...cell} />
    </label>
  );
};
