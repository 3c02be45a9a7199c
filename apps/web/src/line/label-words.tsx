import { Fragment } from 'react';
import { t } from '@lingui/core/macro';
import {
  allergensBySource,
  allergenWords,
  besidesIngredients,
  labelIngredients,
  type Declared,
  type Formula,
  type LabelIngredient,
} from '@jokul/core';
import { useBakery } from '../lib/queries';

const none = () => t`none of the listed allergens`;

/** One of the list; what declares something is set off. */
const Listed = ({ of: { name, parts, says, declares } }: { readonly of: LabelIngredient }) => {
  const made = parts.length > 0 ? ` (${parts.join(', ')})` : '';
  const allergens = says.length > 0 ? ` (${says.join(', ')})` : '';
  return declares ? (
    <strong>
      {name}
      {made}
      {allergens}
    </strong>
  ) : (
    <>
      {name}
      {made}
    </>
  );
};

/** What a label declares of a dough, as the house words it. */
export const LabelWords = ({
  formula,
  declared,
}: {
  readonly formula: Formula;
  /** What is declared of the dough, with what was worked in. */
  readonly declared: readonly Declared[];
}) => {
  const { labels = 'classes' } = useBakery().data?.rules ?? {};
  if (labels === 'classes') return <>{t`Contains: ${allergenWords(declared).join(', ') || none()}.`}</>;
  if (labels === 'sources') return <>{t`Contains: ${allergensBySource(declared).join(', ') || none()}.`}</>;
  const besides = besidesIngredients(formula, declared);
  return (
    <>
      {t`Ingredients:`}{' '}
      {labelIngredients(formula).map((of, i) => (
        <Fragment key={of.name}>
          {i > 0 && ', '}
          <Listed of={of} />
        </Fragment>
      ))}
      .{besides.length > 0 && <strong> {t`Contains too: ${besides.join(', ')}.`}</strong>}
    </>
  );
};
