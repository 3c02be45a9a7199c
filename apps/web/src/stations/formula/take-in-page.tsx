import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { assembleFormula, isTooLong, JokulError, type ReadSettings } from '@jokul/core';
import { useBakery, useNewFormula } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Field } from '../../ui/field';
import { Alarm } from '../../ui/states';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { CupSchoolsSideBySide } from './cup-schools';
import { ReadLines } from './read-lines';
import { RecipeProposals } from './recipe-proposals';
import { RecipeSource, useSource } from './recipe-source';
import { useTakeIn } from './take-in-store';
import { useProposals } from './use-proposals';
import { useReading } from './use-reading';

const codeFrom = (name: string, taken: readonly string[]): string => {
  const letters = name.toUpperCase().replace(/[^A-Z]/g, '');
  const consonants = letters.slice(0, 1) + letters.slice(1).replace(/[AEIOU]/g, '');
  const stem = (consonants.length >= 3 ? consonants : letters).slice(0, 3);
  if (stem.length < 2) return '';
  return taken.includes(stem) ? `${stem}2` : stem;
};

export const TakeInPage = () => {
  const { text, title, measures, schools, eggSize, bareUnit, answers, answer, setText, clear } = useTakeIn();
  const { onText, problem, whole } = useSource();
  const bakery = useBakery();
  const create = useNewFormula();
  const navigate = useNavigate();
  const { mass } = useUnits();
  const [code, setCode] = useState<string | null>(null);
  const taken = (bakery.data?.formulas ?? []).map((f) => f.code);
  const settings: ReadSettings = {
    measures,
    schools,
    ...(eggSize && { eggSize }),
    ...(bareUnit && { bareUnit }),
  };
  // What cannot be a recipe is not read line by line.
  const readable = problem || isTooLong(text) ? '' : text;
  const { reading, isReading, error } = useReading({ text: readable, settings, answers });
  const { lines: results } = reading;
  const asked = results.filter(({ state }) => state === 'ask').length;
  const read = results.filter(({ state }) => state === 'read');
  const totalG = read.reduce((sum, { mass: figure }) => sum + (figure?.value ?? 0), 0);
  const shownCode = code ?? codeFrom(title, taken);
  const {
    proposals,
    made: ruled,
    target,
    computing,
    left,
    leave,
  } = useProposals(reading.directions, reading.formula, totalG, bakery.data);
  const make = async () => {
    try {
      const { version: _, ...body } =
        whole ?? ruled ?? assembleFormula(results, { code: shownCode, name: title.trim() });
      const made = await create.mutateAsync({
        ...structuredClone(body),
        code: shownCode,
        name: title.trim(),
      } as Parameters<typeof create.mutateAsync>[0]);
      toast(t`${made.name} is saved as a formula. Check piece, rest and bake.`);
      clear();
      void navigate(`/formula/${made.code}`);
    } catch (error) {
      if (error instanceof JokulError) toast.error(error.message);
    }
  };
  const ready =
    (whole !== null || (read.length > 0 && asked === 0 && !isReading)) &&
    title.trim() !== '' &&
    shownCode.length >= 2;
  return (
    <Station
      title={t`Import recipe`}
      question={t`Every line as it was read, with its grams. What is not certain is asked.`}
      queueTitle={t`The written recipe`}
      queue={<RecipeSource onText={onText} />}
      actions={<Button onClick={() => void navigate('/formula')}>{t`Back to the formulas`}</Button>}
      why={
        <>
          <WhySection title={t`So far`}>
            <Facts>
              <Fact name={t`Lines read`}>{read.length}</Fact>
              <Fact name={t`Open questions`}>{asked}</Fact>
              <Fact name={t`Total weight`}>{mass(totalG)}</Fact>
            </Facts>
          </WhySection>
          <WhySection title={t`What the cup does to the dough`}>
            <CupSchoolsSideBySide cups={reading.cups} />
          </WhySection>
          <Cautions
            items={[
              t`A cup of flour weighs from 115 to 150 g by the way it is filled. Weigh one of yours, and enter it as your own.`,
              t`Allergens follow from the ingredients as they are in the library; check the labels of yours.`,
            ]}
          />
        </>
      }
    >
      {problem && <Alarm>{problem}</Alarm>}
      {error && <Alarm>{error.message}</Alarm>}
      {whole ? (
        <p className="rounded-md border bg-surface px-3 py-2">{t`A formula of Jokul’s own: ${whole.name}, ${whole.stages.length} stages, pieces of ${whole.piece.massG} g. Give it a code and save it.`}</p>
      ) : text.trim() === '' ? (
        <div className="rounded-lg border border-dashed border-line-strong p-8 text-center text-ink-soft">
          <p className="text-lg text-ink">{t`Paste a recipe on the left, or open a file.`}</p>
          <p className="mt-1">{t`Plain text, CSV, a schema.org Recipe (JSON-LD, also inside a saved page), Jokul JSON.`}</p>
          <p className="mt-4">
            <Button
              size="small"
              onClick={() => setText(example, t`Cherry and Orange Drop`)}
            >{t`Try it with an example`}</Button>
          </p>
        </div>
      ) : (
        <>
          {isReading && results.length === 0 && <p role="status" className="text-ink-soft">{t`Reading …`}</p>}
          <ReadLines results={results} answers={answers} isReading={isReading} onAnswer={answer} />
          <RecipeProposals proposals={proposals} target={target} left={left} onLeave={leave} />
        </>
      )}
      {(whole !== null || text.trim() !== '') && (
        <form
          aria-label={t`Save as formula`}
          className="mt-5 grid grid-cols-[minmax(0,1fr)_7rem_auto] items-end gap-3 border-t border-line-strong pt-3"
          onSubmit={(event) => {
            event.preventDefault();
            void make();
          }}
        >
          <Field
            label={t`Name of the formula`}
            value={title}
            maxLength={80}
            onChange={(event) => setText(text, event.target.value)}
          />
          <Field
            label={t`Code`}
            value={shownCode}
            maxLength={6}
            onChange={(event) => setCode(event.target.value.toUpperCase())}
          />
          <Button
            type="submit"
            look="primary"
            disabled={!ready || computing || create.isPending}
          >{t`Save as formula`}</Button>
          {(create.error ?? asked > 0) && (
            <p role="alert" className="col-span-3 text-[13.5px] text-ink-soft">
              {create.error?.message ??
                t`${plural(asked, { one: '# line waits', other: '# lines wait' })} for an answer.`}
            </p>
          )}
        </form>
      )}
    </Station>
  );
};

const example = `2 2/3 cups all-purpose flour\n1 1/4 tsp baking powder\n¾ teaspoon salt\n14 tablespoons (1 3/4 sticks) salted butter, soft\n2/3 cup packed dark brown sugar\n1/2 cup plus 1 tablespoon granulated sugar\n1 large egg plus 1 yolk\n2 tsp grated orange zest\na heaping tablespoon of natural cocoa powder\n1 1/3 cups dried cherries\npearl sugar, to finish\nBake at 350 °F for 11 to 13 minutes`;
