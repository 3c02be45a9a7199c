import { t } from '@lingui/core/macro';
import { allergenList, allergenSources, unnamedIn } from '@jokul/core';
import { useLibrary } from '../lib/queries';
import { mixOf } from './own-ingredient-draft';
import type { PartProps } from './own-ingredient-part';

const Tick = ({
  label,
  checked,
  disabled,
  onChange,
}: {
  label: string;
  checked: boolean;
  disabled: boolean;
  onChange: (checked: boolean) => void;
}) => (
  <label className="flex items-center gap-1.5 text-[14px]">
    <input
      type="checkbox"
      checked={checked}
      disabled={disabled}
      onChange={(event) => onChange(event.target.checked)}
    />
    {label}
  </label>
);

const withOrWithout = <T,>(all: readonly T[], one: T, isIn: boolean): readonly T[] =>
  isIn ? [...all, one] : all.filter((other) => other !== one);

/** What the label must say, with the nuts and cereals by name: those who may eat one nut need to know which it is. */
export const Declares = ({ draft: typed, onChange }: PartProps) => {
  const mix = mixOf(typed, useLibrary());
  // What its parts declare it declares, whatever is ticked.
  const draft = {
    allergens: [...new Set([...typed.allergens, ...(mix?.allergens ?? [])])],
    which: [...new Set([...typed.which, ...(mix?.which ?? [])])],
  };
  const sources = allergenSources.filter(({ of }) => draft.allergens.includes(of));
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Allergens that it declares`}</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {allergenList.map(({ id, name: label }) => (
          <Tick
            key={id}
            label={label}
            checked={draft.allergens.includes(id)}
            disabled={mix?.allergens.includes(id) ?? false}
            onChange={(isIn) => onChange({ allergens: withOrWithout(typed.allergens, id, isIn) })}
          />
        ))}
      </div>
      {sources.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-x-4 gap-y-1" role="group" aria-label={t`Which of them`}>
          <span className="text-[14px] text-ink-soft">{t`Which of them:`}</span>
          {sources.map(({ id, name: label }) => (
            <Tick
              key={id}
              label={label}
              checked={draft.which.includes(id)}
              disabled={mix?.which?.includes(id) ?? false}
              onChange={(isIn) => onChange({ which: withOrWithout(typed.which, id, isIn) })}
            />
          ))}
        </div>
      )}
      {unnamedIn(draft).map((of) => (
        <p key={of} className="mt-1 text-[13.5px] font-medium text-hand" role="status">
          {of === 'nuts'
            ? t`Say which nuts: the label must name them.`
            : t`Say which cereal: the label must name it.`}
        </p>
      ))}
    </fieldset>
  );
};
