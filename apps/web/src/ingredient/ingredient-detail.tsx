import { t } from '@lingui/core/macro';
import { allergenWords, declaredOf, foodOf, sayPacking, sayPiece, type Ingredient } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Fact, Facts } from '../line/station';
import { analysisParts } from './analysis-parts';

const percent = (share: number) => `${Number((100 * share).toFixed(2))} %`;

/** What an ingredient consists of, what it weighs, and what it does. */
export const IngredientDetail = ({ food }: { food: Ingredient }) => {
  const { grams } = useUnits();
  const { leavening, densityGPerMl, pieceG, parts } = food;
  return (
    <div className="grid max-w-3xl grid-cols-2 gap-x-8 gap-y-4">
      <div>
        <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Consists of`}</h2>
        <Facts>
          {analysisParts
            .filter(([part]) => food.analysis[part] > 0)
            .map(([part, name]) => (
              <Fact key={part} name={name}>
                {percent(food.analysis[part])}
              </Fact>
            ))}
        </Facts>
      </div>
      <div className="space-y-4">
        <div>
          <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`A millilitre weighs`}</h2>
          <Facts>
            {Object.entries(densityGPerMl).map(([packing, rho]) => (
              <Fact key={packing} name={sayPacking(packing)}>
                {t`${grams(rho, 2)}, a US cup ${grams(rho * 236.588)}`}
              </Fact>
            ))}
          </Facts>
        </div>
        {Object.keys(pieceG).length > 0 && (
          <div>
            <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`One piece`}</h2>
            <Facts>
              {Object.entries(pieceG).map(([size, g]) => (
                <Fact key={size} name={sayPiece(size)}>
                  {grams(g)}
                </Fact>
              ))}
            </Facts>
          </div>
        )}
        {leavening.baseMmolPerG + leavening.acidMmolPerG + leavening.gasMlPerG > 0 && (
          <div>
            <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Leavening, per gram`}</h2>
            <Facts>
              {leavening.baseMmolPerG > 0 && (
                <Fact name={t`Base`}>{t`${leavening.baseMmolPerG.toFixed(3)} mmol`}</Fact>
              )}
              {leavening.acidMmolPerG > 0 && (
                <Fact name={t`Acid`}>{t`${leavening.acidMmolPerG.toFixed(3)} mmol`}</Fact>
              )}
              {leavening.gasMlPerG > 0 && (
                <Fact name={t`Gas, at 20 °C`}>{t`${leavening.gasMlPerG.toFixed(1)} mL`}</Fact>
              )}
            </Facts>
          </div>
        )}
        {parts.length > 0 && (
          <div>
            <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Made of`}</h2>
            <Facts>
              {parts.map((part) => (
                <Fact key={part.ingredientId} name={foodOf(part).name}>
                  {percent(part.share)}
                </Fact>
              ))}
            </Facts>
          </div>
        )}
        <p>
          <span className="text-ink-soft">{t`Allergens:`} </span>
          {allergenWords(declaredOf(food)).join(', ') || t`none of the listed allergens`}
        </p>
      </div>
    </div>
  );
};
