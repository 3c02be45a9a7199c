import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { useParams } from 'react-router';
import {
  sayPacking,
  homeSheet,
  JokulError,
  piecesForHome,
  type Formula,
  type HomeSheet,
  type Kitchen,
} from '@jokul/core';
import { LabelWords } from '../line/label-words';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';
import { PrintPage } from '../ui/print-page';
import { Alarm, Empty, Loading } from '../ui/states';
import { stateNames } from '../words/names-of-codes';

const made = (formula: Formula, pieces: number, kitchen: Kitchen): HomeSheet | string => {
  try {
    return homeSheet(formula, pieces, kitchen);
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};

const Sheet = ({ sheet, formula }: { sheet: HomeSheet; formula: Formula }) => {
  const { mass, temperature, grams } = useUnits();
  return (
    <article className="max-w-[46rem] rounded-lg border bg-surface p-6 print:border-0 print:p-0">
      <h2 className="text-[20px] font-semibold">{formula.name}</h2>
      <p className="mb-3 text-ink-soft">{t`${plural(sheet.pieces, { one: '# piece', other: '# pieces' })} of ${mass(formula.piece.massG)}`}</p>
      <table className="w-full text-[15px]">
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            <th className="py-1 font-semibold">{t`Ingredient`}</th>
            <th className="font-semibold">{t`Measure`}</th>
            <th className="text-right font-semibold">{t`Weighed`}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.lines.map(({ name, measure, packing, massG, on }) => (
            <tr key={`${name}${on ?? ''}`} className="border-t">
              <td className="py-1.5 pr-3">
                {name}
                {on && <span className="text-ink-soft">, {onWords[on]}</span>}
              </td>
              <td className="pr-3">
                {measure}
                {packing && <span className="text-ink-soft"> {sayPacking(packing)}</span>}
              </td>
              <td className="figures text-right">{massG < 10 ? grams(massG, 1) : mass(Math.round(massG))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-3">{t`Bake at ${temperature(formula.bake.setC)}${formula.bake.fan ? t` with fan` : ''} until ${stateNames[formula.bake.target]}. Home ovens differ: look at the tray early.`}</p>
      <p className="mt-1">
        <LabelWords formula={formula} declared={sheet.allergens} />
      </p>
      <p className="mt-1 text-[13.5px] text-ink-soft">{t`How a cup is filled changes it by some 10 %: spoon flour in and level it, press brown sugar down. What is weighed is always right. Do not eat raw dough.`}</p>
    </article>
  );
};

/** A formula for a customer's kitchen: grams into cups and spoons, to be printed and handed over. */
const onWords = { coat: t`to roll them in`, top: t`on top`, iced: t`for the icing` } as const;

export const HomeSheetPage = () => {
  const { code = '' } = useParams();
  const bakery = useBakery();
  const formula = bakery.data?.formulas.find((f) => f.code === code);
  const [pieces, setPieces] = useState('');
  const [kitchen, setKitchen] = useState<Kitchen>('us');
  if (!bakery.data) return <Loading what={t`the formula`} />;
  if (!formula)
    return (
      <Empty title={t`There is no such formula`}>{t`A sheet is made from a formula of this bakery.`}</Empty>
    );
  const wanted = pieces === '' ? piecesForHome(formula) : Number(pieces);
  const sheet = made(formula, wanted, kitchen);
  return (
    <PrintPage
      title={t`${formula.name} in cups`}
      lead={t`A sheet for a customer who has no scale.`}
      back={`/formula/${code}`}
      choices={
        <>
          <div className="w-28">
            <Field
              label={t`Pieces`}
              type="number"
              min={1}
              max={500}
              value={pieces}
              placeholder={String(piecesForHome(formula))}
              onChange={(event) => setPieces(event.target.value)}
            />
          </div>
          <div className="w-40">
            <SelectField
              label={t`Cups`}
              value={kitchen}
              onChange={(event) => setKitchen(event.target.value === 'metric' ? 'metric' : 'us')}
            >
              <option value="us">{t`237 mL`}</option>
              <option value="metric">{t`250 mL`}</option>
            </SelectField>
          </div>
        </>
      }
    >
      {typeof sheet === 'string' ? <Alarm>{sheet}</Alarm> : <Sheet sheet={sheet} formula={formula} />}
    </PrintPage>
  );
};
