import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { assembleFormula, isTooLong, type ReadSettings } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { Station } from '../line/station';
import { NothingPasted } from './nothing-pasted';
import { ReadLines } from './read-lines';
import { RecipeProposals } from './recipe-proposals';
import { readWeights } from './read-weights';
import { RecipeSource, useSource } from './recipe-source';
import { SaveAsFormula } from './save-as-formula';
import { SoFar } from './so-far';
import { useImport } from './import-store';
import { codeFrom, useMake } from './use-make';
import { useProposals } from './use-proposals';
import { useReading } from './use-reading';

/** How the recipe is to be read, as it was chosen. */
const useSettings = (): ReadSettings => {
  const { measures, schools, eggSize, bareUnit } = useImport();
  const own = useBakery().data?.ownIngredients;
  return {
    measures,
    schools,
    ...(own && { own }),
    ...(eggSize && { eggSize }),
    ...(bareUnit && { bareUnit }),
  };
};

const OwnFormula = ({ whole }: { readonly whole: NonNullable<ReturnType<typeof useSource>['whole']> }) => {
  const { mass } = useUnits();
  return (
    <p className="rounded-md border bg-surface px-3 py-2">{t`A formula of Jokul’s own: ${whole.name}, ${whole.stages.length} stages, pieces of ${mass(whole.piece.massG)}. Give it a code and save it.`}</p>
  );
};

export const ImportPage = () => {
  const { text, title, answers, answer, setText } = useImport();
  const { onText, problem, whole } = useSource();
  const bakery = useBakery();
  const navigate = useNavigate();
  const [code, setCode] = useState<string | null>(null);
  const taken = (bakery.data?.formulas ?? []).map((f) => f.code);
  // What cannot be a recipe is not read line by line.
  const readable = problem || isTooLong(text) ? '' : text;
  const { reading, isReading, error } = useReading({ text: readable, settings: useSettings(), answers });
  const { lines: results } = reading;
  const asked = results.filter(({ state }) => state === 'ask').length;
  const read = results.filter(({ state }) => state === 'read');
  const { totalG, doughG } = readWeights(read);
  const shownCode = code ?? codeFrom(title, taken);
  const {
    proposals,
    made: ruled,
    target,
    computing,
    left,
    leave,
  } = useProposals(reading.directions, reading.formula, doughG, bakery.data);
  const { create, make } = useMake();
  return (
    <Station
      title={t`Import recipe`}
      question={t`Every line as it was read, with its grams. What is not certain is asked.`}
      queueTitle={t`The written recipe`}
      queue={<RecipeSource onText={onText} />}
      actions={<Button onClick={() => void navigate('/formula')}>{t`Back to the formulas`}</Button>}
      why={<SoFar read={read.length} asked={asked} totalG={totalG} cups={reading.cups} />}
    >
      {problem && <Alarm>{problem}</Alarm>}
      {error && (
        <Alarm>
          <Said>{error.message}</Said>
        </Alarm>
      )}
      {whole ? (
        <OwnFormula whole={whole} />
      ) : text.trim() === '' ? (
        <NothingPasted onText={setText} />
      ) : (
        <>
          {isReading && results.length === 0 && <p role="status" className="text-ink-soft">{t`Reading …`}</p>}
          <ReadLines results={results} answers={answers} isReading={isReading} onAnswer={answer} />
          <RecipeProposals proposals={proposals} target={target} left={left} onLeave={leave} />
        </>
      )}
      {(whole !== null || text.trim() !== '') && (
        <SaveAsFormula
          title={title}
          code={shownCode}
          onTitle={(next) => setText(text, next)}
          onCode={setCode}
          onSave={() =>
            void make(
              shownCode,
              title.trim(),
              () => whole ?? ruled ?? assembleFormula(results, { code: shownCode, name: title.trim() }),
            )
          }
          ready={
            (whole !== null || (read.length > 0 && asked === 0 && !isReading)) &&
            title.trim() !== '' &&
            shownCode.length >= 2 &&
            !computing &&
            !create.isPending
          }
          asked={asked}
          problem={create.error?.message}
        />
      )}
    </Station>
  );
};
