import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { isShipped, libraryOf, type Ingredient } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { Button, buttonClass } from '../ui/button';
import { Empty, Loading } from '../ui/states';
import { Cautions, Station, WhySection } from '../line/station';
import { IngredientDetail } from './ingredient-detail';
import { found, IngredientQueue } from './ingredient-queue';
import { OwnIngredientForm } from './own-ingredient-form';
import { PriceForm } from './price-form';
import { OwnIngredientTable } from './own-ingredient-table';
import { ingredientKindNames } from '../words/names-of-codes';

/** The ingredient library, and the bakery's own ingredients beside it. */
export const IngredientsPage = () => {
  const bakery = useBakery();
  const { id } = useParams();
  const [filter, setFilter] = useState('');
  const [making, setMaking] = useState<Ingredient | null>(null);
  if (!bakery.data) return <Loading what={t`the ingredients`} />;
  const library = libraryOf(bakery.data.ownIngredients);
  const all = [...library.values()].sort((a, b) => Number(isShipped(a.id)) - Number(isShipped(b.id)));
  if (id !== undefined && !library.has(id))
    return bakery.isFetching ? (
      <Loading what={t`the ingredients`} />
    ) : (
      <Empty
        title={t`There is no ingredient "${id}"`}
        action={<Link to="/setup/ingredients" className={buttonClass('primary')}>{t`Show the library`}</Link>}
      >{t`It may have been taken off the list of your own.`}</Empty>
    );
  const shown = found(all, filter);
  const food = (id === undefined ? undefined : library.get(id)) ?? shown[0] ?? all[0];
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
          : t`${ingredientKindNames[food.kind]}${own ? t`, our own` : ''}. Source: ${food.source}`
      }
      queueTitle={t`${all.length} ingredients`}
      queue={<IngredientQueue shown={shown} filter={filter} onFilter={setFilter} current={food.id} />}
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
          <IngredientDetail food={food} />
          <PriceForm key={`${food.id} ${bakery.data.pricesVersion}`} food={food} bakery={bakery.data} />
        </>
      )}
    </Station>
  );
};
