import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import {
  bareUnits,
  ingredient,
  JokulError,
  recipeTitle,
  sayPiece,
  takeIn,
  type BareUnit,
  type CupSchools,
  type Formula,
  type ReadSettings,
} from '@jokul/core';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { useTakeIn } from './take-in-store';
import { useUnits } from '../../lib/units';

const eggSizes = Object.entries(ingredient('whole-egg').pieceG);

const SchoolChoice = ({ name, options }: { name: keyof CupSchools; options: readonly string[] }) => {
  const { schools, set } = useTakeIn();
  const chosen = schools[name];
  const own = typeof chosen === 'number';
  return (
    <div>
      <SelectField
        label={`A cup of ${name}`}
        value={own ? 'own' : (chosen ?? '')}
        onChange={(event) => {
          const { value } = event.target;
          const { [name]: _, ...others } = schools;
          set({ schools: value === '' ? others : { ...others, [name]: value === 'own' ? 140 : value } });
        }}
      >
        <option value="">ask at each line</option>
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
        <option value="own">our own cup …</option>
      </SelectField>
      {own && (
        <Field
          label="Grams in our cup"
          type="number"
          min={20}
          max={400}
          value={String(chosen)}
          onChange={(event) => {
            const grams = event.target.valueAsNumber;
            if (grams >= 20 && grams <= 400) set({ schools: { ...schools, [name]: grams } });
          }}
        />
      )}
    </div>
  );
};

/** The written recipe, and in whose cups and eggs it is read. */
export const RecipeSource = ({ onText }: { onText: (text: string) => void }) => {
  const { grams } = useUnits();
  const { text, measures, eggSize, bareUnit, set } = useTakeIn();
  const file = useRef<HTMLInputElement>(null);
  return (
    <div className="space-y-3 px-3">
      <label htmlFor="recipe-text" className="block text-[13px] text-ink-soft">
        Paste it, one ingredient per line
      </label>
      <textarea
        id="recipe-text"
        value={text}
        rows={12}
        spellCheck={false}
        placeholder={'2 1/4 cups flour\n1 tsp baking soda\n2 sticks butter …'}
        onChange={(event) => onText(event.target.value)}
        className="w-full resize-y rounded-md border border-line-strong bg-raised px-2 py-1.5 text-[13.5px]"
      />
      <input
        ref={file}
        type="file"
        accept=".txt,.csv,.json,.jsonld,.html,text/plain,text/csv,application/json"
        className="sr-only"
        aria-label="Recipe file"
        onChange={(event) => {
          const [picked] = event.target.files ?? [];
          if (picked) void picked.text().then(onText);
          event.target.value = '';
        }}
      />
      <Button size="small" icon={<FileUp size={15} />} onClick={() => file.current?.click()}>
        Open a file
      </Button>
      <SelectField
        label="Cups and spoons"
        value={measures}
        onChange={(event) => set({ measures: event.target.value as ReadSettings['measures'] })}
      >
        <option value="us">US, cup of 237 mL</option>
        <option value="metric">metric, cup of 250 mL</option>
        <option value="imperial">imperial, cup of 284 mL</option>
      </SelectField>
      <SchoolChoice name="flour" options={['spooned', 'dipped']} />
      <SchoolChoice name="brown sugar" options={['packed', 'loose']} />
      <SchoolChoice name="cocoa" options={['spooned', 'dipped']} />
      <SelectField
        label="An egg without a size"
        value={eggSize}
        onChange={(event) => set({ eggSize: event.target.value })}
      >
        <option value="">ask at each line</option>
        {eggSizes.map(([size, massG]) => (
          <option key={size} value={size}>
            {sayPiece(size)}, {grams(massG)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="A figure without a unit"
        value={bareUnit}
        onChange={(event) => set({ bareUnit: event.target.value as BareUnit | '' })}
      >
        <option value="">ask, once for all lines</option>
        {bareUnits.map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </SelectField>
    </div>
  );
};

/** Text, a table or an open format becomes lines; a file of Jokul's own becomes the formula itself. */
export const useSource = () => {
  const setText = useTakeIn((s) => s.setText);
  const [problem, setProblem] = useState('');
  const [whole, setWhole] = useState<Formula | null>(null);
  const onText = (raw: string) => {
    setProblem('');
    setWhole(null);
    if (raw.trim() === '') return setText('', '');
    try {
      const taken = takeIn(raw);
      if (taken.kind === 'formula') {
        setWhole(taken.formula);
        setText('', taken.formula.name);
      } else {
        const found = taken.title || (useTakeIn.getState().title === '' ? recipeTitle(raw) : '');
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
