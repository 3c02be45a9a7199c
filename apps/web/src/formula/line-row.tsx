import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import {
  foodOf,
  formatNumber,
  readyWords,
  sayReady,
  type Amount,
  type FormulaLine,
  type Ingredient,
  type ReadyWay,
} from '@jokul/core';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { IngredientPicker } from '../line/ingredient-picker';
import { NumberCell } from './number-cell';

/** Adds an ingredient to a stage or to the toppings. */
export const AddButton = ({ onPick, label }: { onPick: (food: Ingredient) => void; label: string }) => (
  <IngredientPicker label={t`Ingredient to add to ${label}`} onPick={onPick}>
    <button
      type="button"
      aria-label={t`Add an ingredient to ${label}`}
      className="inline-flex items-center gap-1 py-1 text-[13px] text-ink-soft hover:text-ink"
    >
      <Plus size={14} aria-hidden /> {t`ingredient`}
    </button>
  </IngredientPicker>
);

/** What a baker does to an ingredient before it is weighed. */
const readyChoices: readonly (readonly ReadyWay[])[] = [
  [],
  ['toasted'],
  ['chopped'],
  ['toasted', 'chopped'],
  ['melted'],
  ['heated'],
  ['sifted'],
  ['warm'],
  ['cold'],
];
/** Also what came with an imported formula. */
const choicesWith = (own: readonly ReadyWay[]) =>
  readyChoices.some((ways) => ways.join(' ') === own.join(' ')) ? readyChoices : [...readyChoices, own];

interface RowProps {
  readonly line: FormulaLine;
  readonly amount: Amount | undefined;
  readonly grams: number;
  readonly perPercentG: number;
  readonly editing: boolean;
  readonly prefix?: string;
  /** What else is to be said of it. */
  readonly note?: string;
  /** Another choice of this line, before how it is made ready. */
  readonly choice?: ReactNode;
  readonly onChange: (line: FormulaLine | null) => void;
  readonly onMove?: (by: 1 | -1) => void;
}

interface LineNameProps extends Pick<RowProps, 'line' | 'editing' | 'choice' | 'onChange'> {
  readonly prefix: string;
  readonly note: string;
}

/** How it is made ready before it is weighed. */
const ReadyChoice = ({ line, prefix, onChange }: Pick<LineNameProps, 'line' | 'prefix' | 'onChange'>) => {
  const name = foodOf(line).name;
  return (
    <select
      aria-label={t`Made ready, ${prefix}${name}`}
      value={(line.ready ?? []).join(' ')}
      className={`ml-auto rounded border bg-raised px-1 py-0.5 text-[13px] ${line.ready ? 'border-line-strong' : 'border-transparent text-ink-soft'}`}
      onChange={({ target }) => {
        const { ready: _, ...rest } = line;
        const ready = choicesWith(line.ready ?? []).find((ways) => ways.join(' ') === target.value) ?? [];
        onChange(ready.length > 0 ? { ...rest, ready } : rest);
      }}
    >
      {choicesWith(line.ready ?? []).map((ways) => (
        <option key={ways.join(' ')} value={ways.join(' ')}>
          {ways.length === 0 ? t`as it comes` : ways.map((way) => readyWords[way]).join(t` and `)}
        </option>
      ))}
    </select>
  );
};

/** What it is, and what is done with it. */
const LineName = ({ line, editing, prefix, note, choice, onChange }: LineNameProps) => {
  const name = foodOf(line).name;
  const isButter = foodOf(line).kind === 'butter';
  return (
    <td className="py-0.5 pr-3">
      <span className="flex flex-wrap items-center gap-x-3">
        <span>
          {prefix}
          {name}
          {editing && isButter && !prefix ? (
            <label className="ml-3 inline-flex items-center gap-1 text-[13px] text-ink-soft">
              <input
                type="checkbox"
                checked={line.browned ?? false}
                onChange={(event) => {
                  const { browned: _, ...rest } = line;
                  onChange(event.target.checked ? { ...rest, browned: true } : rest);
                }}
              />
              {t`to brown`}
            </label>
          ) : (
            line.browned && <span className="text-ink-faint">{t`, to brown`}</span>
          )}
          {note && <span className="text-ink-faint">{note}</span>}
          {!editing && sayReady(line, name) && (
            <span className="text-ink-faint">, {sayReady(line, name)}</span>
          )}
        </span>
        {editing && choice}
        {editing && <ReadyChoice line={line} prefix={prefix} onChange={onChange} />}
      </span>
    </td>
  );
};

/** An ingredient: percent and weight, either of them editable. */
export const LineRow = ({
  line,
  amount,
  grams,
  perPercentG,
  editing,
  prefix = '',
  note = '',
  choice,
  onChange,
  onMove,
}: RowProps) => {
  const { mass } = useUnits();
  const name = foodOf(line).name;
  return (
    <tr className="border-t">
      <LineName
        line={line}
        editing={editing}
        prefix={prefix}
        note={note}
        choice={choice}
        onChange={onChange}
      />
      <td className="py-0.5 pr-3 text-right figures">
        {editing ? (
          <NumberCell
            label={t`Percent, ${prefix}${name}`}
            value={line.percent}
            min={0.01}
            max={500}
            {...(onMove && { onMove })}
            onCommit={(percent) => onChange({ ...line, percent })}
          />
        ) : (
          `${formatNumber(line.percent)} %`
        )}
      </td>
      <td className="py-0.5 text-right figures">
        {editing ? (
          <NumberCell
            label={t`Weight, ${prefix}${name}`}
            kind="mass"
            value={grams}
            min={0.01 * perPercentG}
            max={500 * perPercentG}
            // A weight is a way to write percent: the other weights follow when the dough is scaled to its mass again.
            onCommit={(next) => onChange({ ...line, percent: Number((next / perPercentG).toFixed(3)) })}
          />
        ) : amount ? (
          <Shown figure={amount.mass}>{mass(amount.mass.value)}</Shown>
        ) : (
          mass(grams)
        )}
      </td>
      {editing && (
        <td className="text-right">
          <button
            type="button"
            aria-label={t`Take out ${name}`}
            className="rounded p-1 text-ink-faint hover:text-ink"
            onClick={() => onChange(null)}
          >
            <X size={14} aria-hidden />
          </button>
        </td>
      )}
    </tr>
  );
};
