import { t } from '@lingui/core/macro';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import {
  bareUnits,
  ingredient,
  JokulError,
  libraryOf,
  recipeTitle,
  sayPiece,
  importRecipe,
  type BareUnit,
  type CupSchools,
  type Formula,
  type ReadSettings,
} from '@jokul/core';
import { useBakery } from '../lib/queries';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';
import { SelectField } from '../ui/field';
import { OwnCup } from './own-cup';
import { useImport } from './import-store';
import { useUnits } from '../lib/units';

const eggSizes = Object.entries(ingredient('whole-egg').pieceG);

const filled = [
  ['spooned', t`spooned`],
  ['dipped', t`dipped`],
] as const;
const pressed = [
  ['packed', t`packed`],
  ['loose', t`loose`],
] as const;

interface SchoolChoiceProps {
  readonly name: keyof CupSchools;
  readonly label: string;
  readonly options: readonly (readonly [string, string])[];
}

const SchoolChoice = ({ name, label, options }: SchoolChoiceProps) => {
  const { schools, set } = useImport();
  const chosen = schools[name];
  const own = typeof chosen === 'number';
  return (
    <div>
      <SelectField
        label={label}
        value={own ? 'own' : (chosen ?? '')}
        onChange={(event) => {
          const { value } = event.target;
          const { [name]: _, ...others } = schools;
          set({ schools: value === '' ? others : { ...others, [name]: value === 'own' ? 140 : value } });
        }}
      >
        <option value="">{t`ask at each line`}</option>
        {options.map(([school, said]) => (
          <option key={school} value={school}>
            {said}
          </option>
        ))}
        <option value="own">{t`our own cup …`}</option>
      </SelectField>
      {own && <OwnCup massG={chosen} onChange={(massG) => set({ schools: { ...schools, [name]: massG } })} />}
    </div>
  );
};

/** The written recipe, and in whose cups and eggs it is read. */
export const RecipeSource = ({ onText }: { onText: (text: string) => void }) => {
  const { grams } = useUnits();
  const { text, measures, eggSize, bareUnit, set } = useImport();
  const file = useRef<HTMLInputElement>(null);
  return (
    <div className="space-y-3 px-3">
      <label
        htmlFor="recipe-text"
        className="block text-[13px] text-ink-soft"
      >{t`Paste it, one ingredient per line`}</label>
      <textarea
        id="recipe-text"
        value={text}
        rows={12}
        spellCheck={false}
        placeholder={`2 1/4 cups flour\n1 tsp baking soda\n2 sticks butter …`}
        onChange={(event) => onText(event.target.value)}
        className="w-full resize-y rounded-md border border-line-strong bg-raised px-2 py-1.5 text-[13.5px]"
      />
      <FileInput
        input={file}
        label={t`Recipe file`}
        accept=".txt,.csv,.json,.jsonld,.html,text/plain,text/csv,application/json"
        onChoose={(picked) => void picked.text().then(onText, () => toast.error(t`The file cannot be read.`))}
      />
      <Button
        size="small"
        icon={<FileUp size={15} />}
        onClick={() => file.current?.click()}
      >{t`Open a file`}</Button>
      <SelectField
        label={t`Cups and spoons`}
        value={measures}
        onChange={(event) => set({ measures: event.target.value as ReadSettings['measures'] })}
      >
        <option value="us">{t`US, cup of 237 mL`}</option>
        <option value="metric">{t`metric, cup of 250 mL`}</option>
        <option value="imperial">{t`imperial, cup of 284 mL`}</option>
      </SelectField>
      <SchoolChoice name="flour" label={t`A cup of flour`} options={filled} />
      <SchoolChoice name="brown sugar" label={t`A cup of brown sugar`} options={pressed} />
      <SchoolChoice name="cocoa" label={t`A cup of cocoa`} options={filled} />
      <SelectField
        label={t`An egg without a size`}
        value={eggSize}
        onChange={(event) => set({ eggSize: event.target.value })}
      >
        <option value="">{t`ask at each line`}</option>
        {eggSizes.map(([size, massG]) => (
          <option key={size} value={size}>
            {sayPiece(size)}, {grams(massG)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label={t`A figure without a unit`}
        value={bareUnit}
        onChange={(event) => set({ bareUnit: event.target.value as BareUnit | '' })}
      >
        <option value="">{t`ask, once for all lines`}</option>
        {bareUnits.map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </SelectField>
    </div>
  );
};

/** Text, a table or an open format becomes lines; a file of Jokul's own becomes the formula itself. */
export const useSource = () => {
  const setText = useImport((s) => s.setText);
  const own = useBakery().data?.ownIngredients;
  const [problem, setProblem] = useState('');
  const [whole, setWhole] = useState<Formula | null>(null);
  const onText = (raw: string) => {
    setProblem('');
    setWhole(null);
    if (raw.trim() === '') return setText('', '');
    try {
      const taken = importRecipe(raw, libraryOf(own ?? []));
      if (taken.kind === 'formula') {
        setWhole(taken.formula);
        setText('', taken.formula.name);
      } else {
        const found =
          taken.title || (useImport.getState().title === '' ? recipeTitle(raw, own && { own }) : '');
        setText(taken.from === 'text' ? raw : taken.text, found || undefined);
      }
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      setText(raw);
      setProblem(error.message);
    }
  };
  return { onText, problem, whole };
};
