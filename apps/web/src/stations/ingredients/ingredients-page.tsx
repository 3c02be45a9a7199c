import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { ingredient, ingredients, isShipped, sayPiece, type Ingredient } from '@jokul/core';
import { useBakery } from '../../lib/queries';
import { Button, buttonClass } from '../../ui/button';
import { QueueItem } from '../../ui/queue-item';
import { Empty, Loading } from '../../ui/states';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { OwnIngredientForm } from './own-ingredient-form';
import { OwnIngredientTable } from './own-ingredient-table';
import { useUnits } from '../../lib/units';

const words: readonly (readonly [keyof Ingredient['analysis'], string])[] = [
  ['water', t`Water`],
  ['fat', t`Fat`],
  ['protein', t`Protein`],
  ['starch', t`Starch`],
  ['sugars', t`Sugars`],
  ['fibre', t`Fibre`],
  ['ash', t`Minerals`],
  ['salt', t`Salt`],
  ['alcohol', t`Alcohol`],
];

const percent = (share: number) => `${Number((100 * share).toFixed(2))} %`;

const Detail = ({ food }: { food: Ingredient }) => {
  const { grams } = useUnits();
  const { leavening, densityGPerMl, pieceG, parts } = food;
  return (
    <div className="grid max-w-3xl grid-cols-2 gap-x-8 gap-y-4">
      <div>
        <h2 className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Consists of`}</h2>
        <Facts>
          {words
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
              <Fact key={packing} name={packing}>
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
              {parts.map(({ ingredientId, share }) => (
                <Fact key={ingredientId} name={ingredient(ingredientId).name}>
                  {percent(share)}
                </Fact>
              ))}
            </Facts>
          </div>
        )}
        <p>
          <span className="text-ink-soft">{t`Allergens:`} </span>
          {food.allergens.join(', ') || t`none of the listed allergens`}
        </p>
      </div>
    </div>
  );
};

/** The ingredient library, and the bakery's own ingredients beside it. */
export const IngredientsPage = () => {
  const bakery = useBakery();
  const { id } = useParams();
  const { search } = useLocation();
  const [filter, setFilter] = useState('');
  const [making, setMaking] = useState<Ingredient | null>(null);
  if (!bakery.data) return <Loading what={t`the ingredients`} />;
  const all = [...ingredients.values()].sort((a, b) => Number(isShipped(a.id)) - Number(isShipped(b.id)));
  const shown = all.filter(({ name, words: other, kind }) =>
    filter
      .toLowerCase()
      .split(/\s+/)
      .every((word) => `${name} ${other.join(' ')} ${kind}`.toLowerCase().includes(word)),
  );
  const food = (id === undefined ? undefined : ingredients.get(id)) ?? shown[0] ?? all[0];
  if (!food) return <Empty title={t`The library is empty`}>{t`Start Jokul again.`}</Empty>;
  const own = !isShipped(food.id);
  return (
    <Station
      title={
        making
          ? own && making.id === food.id
            ? t`Change ${food.name}`
            : t`An ingredient of our own`
          : food.name
      }
      question={
        making
          ? t`What the label says; a composition has to add up.`
          : t`${food.kind}${own ? t`, our own` : ''}. Source: ${food.source}`
      }
      queueTitle={t`${all.length} ingredients`}
      queue={
        <>
          <p className="px-3 pb-2">
            <input
              aria-label={t`Find an ingredient`}
              value={filter}
              placeholder={t`Find …`}
              onChange={(event) => setFilter(event.target.value)}
              className="w-full rounded-md border border-line-strong bg-raised px-2 py-1"
            />
          </p>
          {shown.map((item) => (
            <QueueItem
              key={item.id}
              to={`/setup/ingredients/${item.id}${search}`}
              active={item.id === food.id}
              title={item.name}
              side={isShipped(item.id) ? '' : 'own'}
              detail={item.kind}
            />
          ))}
          {shown.length === 0 && (
            <p className="px-3 text-[13.5px] text-ink-soft">{t`Nothing by that name.`}</p>
          )}
        </>
      }
      actions={
        <>
          <Link to="/setup" className={buttonClass()}>{t`Back to Setup`}</Link>
          {!making && (
            <Button look="primary" onClick={() => setMaking(food)}>
              {own ? t`Change it` : t`Copy as our own`}
            </Button>
          )}
        </>
      }
      why={
        <>
          <WhySection title={t`What it is used for`}>
            <p className="text-[13.5px] text-ink-soft">{t`Water, fat, protein, sugars and starch go into the heat and bake models; salt, base, acid and gas into the checks of a formula; densities into recipes in cups; allergens into every label.`}</p>
          </WhySection>
          <Cautions
            items={[
              t`Figures of the library are typical ones. For yours the label and the supplier count.`,
              t`An ingredient of ours must declare its allergens: nothing else puts them on the label.`,
            ]}
          />
        </>
      }
    >
      {making ? (
        <OwnIngredientForm
          key={making.id}
          from={making}
          bakery={bakery.data}
          onDone={() => setMaking(null)}
        />
      ) : (
        <>
          <OwnIngredientTable bakery={bakery.data} />
          <Detail food={food} />
        </>
      )}
    </Station>
  );
};
