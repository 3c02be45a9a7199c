import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  blendFlour,
  compareVersions,
  doughLines,
  foodOf,
  ingredient,
  JokulError,
  swapGroups,
  type Formula,
  type Ingredient,
  type Swapped,
} from '@jokul/core';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field, SelectField } from '../ui/field';
import { Said } from '../ui/said';
import { useLibrary } from '../lib/queries';
import { typedNumber } from '../lib/units';

const Blend = ({ formula, onPick }: { formula: Formula; onPick: (swapped: Swapped) => void }) => {
  const library = useLibrary();
  const flours = [...library.values()].filter(({ kind }) => kind === 'flour');
  const own = doughLines(formula)
    .map(foodOf)
    .filter(({ kind }) => kind === 'flour');
  const [flour, setFlour] = useState(own[0]?.id ?? '');
  const [a, setA] = useState('strong-wheat-flour');
  const [b, setB] = useState('soft-wheat-flour');
  const [protein, setProtein] = useState('11');
  const [problem, setProblem] = useState('');
  const make = () => {
    try {
      onPick(
        blendFlour(formula, flour, [ingredient(a, library), ingredient(b, library)], typedNumber(protein)),
      );
      setProblem('');
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      setProblem(error.message);
    }
  };
  const option = ({ id, name, composition }: Ingredient) => (
    <option key={id} value={id}>
      {t`${name}, ${(100 * composition.protein).toFixed(1)} % protein`}
    </option>
  );
  return (
    <fieldset className="mt-4 border-t pt-3">
      <legend className="text-[13px] font-semibold text-ink-soft">{t`A blend of two flours at a protein`}</legend>
      <div className="grid grid-cols-2 gap-3">
        <SelectField label={t`In place of`} value={flour} onChange={(event) => setFlour(event.target.value)}>
          {own.map(option)}
        </SelectField>
        <Field
          label={t`Protein, %`}
          type="number"
          step="0.1"
          value={protein}
          onChange={(event) => setProtein(event.target.value)}
        />
        <SelectField label={t`First flour`} value={a} onChange={(event) => setA(event.target.value)}>
          {flours.map(option)}
        </SelectField>
        <SelectField label={t`Second flour`} value={b} onChange={(event) => setB(event.target.value)}>
          {flours.map(option)}
        </SelectField>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-[13.5px] font-medium text-hand">
          <Said>{problem}</Said>
        </p>
      )}
      <div className="mt-2 flex justify-end">
        <Button size="small" onClick={make}>{t`Show the blend`}</Button>
      </div>
    </fieldset>
  );
};

/** Rounds what arithmetic left in the percents, so that the formula reads like one. */
const tidy = (formula: Formula): Formula => ({
  ...formula,
  stages: formula.stages.map((stage) => ({
    ...stage,
    lines: stage.lines
      .map((line) => ({ ...line, percent: Number(line.percent.toFixed(3)) }))
      .filter(({ percent }) => percent >= 0.01),
  })),
});

/** One ingredient for another, computed whole: look at what it changes, then take it into the edit. */
export const Swaps = ({ formula, onTake }: { formula: Formula; onTake: (formula: Formula) => void }) => {
  const [open, setOpen] = useState(false);
  const [swapped, setSwapped] = useState<Swapped | null>(null);
  const [title, setTitle] = useState('');
  const close = () => {
    setOpen(false);
    setSwapped(null);
  };
  const after = swapped && tidy(swapped.formula);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>{t`Swap something …`}</Button>
      <Dialog open={open} onClose={close} title={t`Swaps in ${formula.name}`} wide>
        <div className="grid grid-cols-[15rem_minmax(0,1fr)] gap-5">
          <div className="max-h-[62vh] space-y-3 overflow-y-auto">
            {swapGroups(formula).map(({ name, swaps }) => (
              <section key={name} aria-label={name}>
                <h3 className="px-2 pb-0.5 text-[12.5px] font-semibold text-ink-soft">{name}</h3>
                <ul className="space-y-0.5">
                  {swaps.map((swap) => (
                    <li key={swap.id}>
                      <button
                        type="button"
                        aria-pressed={title === swap.title}
                        className="w-full rounded px-2 py-1 text-left text-[14px] hover:bg-ground aria-pressed:bg-ground aria-pressed:font-semibold"
                        onClick={() => {
                          setTitle(swap.title);
                          setSwapped(swap.apply());
                        }}
                      >
                        {swap.title}
                      </button>
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </div>
          <div>
            {after && swapped ? (
              <>
                <p className="mb-2">
                  <Said>{swapped.says}</Said>
                </p>
                <ul className="border-l-2 border-line-strong pl-3 text-[13.5px]">
                  {compareVersions(formula, after).map((change) => (
                    <li key={change}>{change}</li>
                  ))}
                </ul>
                <div className="mt-4 flex justify-end">
                  <Button
                    look="primary"
                    onClick={() => {
                      onTake(after);
                      close();
                    }}
                  >{t`Use in this edit`}</Button>
                </div>
              </>
            ) : (
              <p className="text-ink-soft">{t`Choose a swap to see what changes and what stays.`}</p>
            )}
            <Blend
              formula={formula}
              onPick={(blend) => {
                setTitle('');
                setSwapped(blend);
              }}
            />
          </div>
        </div>
      </Dialog>
    </>
  );
};
