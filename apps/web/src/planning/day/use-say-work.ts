import { plural, t } from '@lingui/core/macro';
import { allergenWords, icingFor, type PlannedWork } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useLots } from '../../line/lots';
import { ingredientList } from '../../line/preparation-words';
import { useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';

/** What a person needs to know of a piece of work beside its product: grams, the mixer, pieces, the icing's parts. */
export const useSayWork = () => {
  const names = useNames();
  const lots = useLots();
  const { mass, about, temperature } = useUnits();
  const plan = useDay().data?.plan;
  return ({ id, kind, batchId, pieces, massG, where, trays, setC }: PlannedWork): string => {
    const prepared = plan?.preparations?.find((own) => own.id === id);
    if (prepared?.allergens) return t`of ${allergenWords(prepared.allergens).join(', ')}`;
    if (prepared?.ingredientIds) return `${mass(massG ?? 0)} ${ingredientList(prepared)}`;
    if (massG !== null) return mass(massG);
    if (prepared) return '';
    if (kind === 'mix') {
      const batch = plan?.plan.batches.find((own) => own.batchId === batchId);
      return batch ? t`${mass(batch.massG)} in the ${names.mixer(batch.mixerId)}` : '';
    }
    if (kind === 'load' || kind === 'turn' || kind === 'pull') {
      const what = `${plural(trays ?? 0, { one: '# tray', other: '# trays' })}, ${names.oven(where)}`;
      return setC === null ? what : t`${what} at ${temperature(setC)}`;
    }
    const formula = lots?.formulaOf(batchId);
    if (kind !== 'ice' || !formula) return t`${plural(pieces, { one: '# piece', other: '# pieces' })}`;
    const parts = icingFor(formula, pieces * formula.piece.massG);
    return [
      t`${plural(pieces, { one: '# piece', other: '# pieces' })}`,
      ...parts.map((part) => `${about(part.mass.value)} ${part.name.toLowerCase()}`),
    ].join(', ');
  };
};
