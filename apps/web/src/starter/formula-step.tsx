import { t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { exampleFormulas, type ExampleFormula } from '@jokul/core';
import type { BakeryView, NewFormulaInput } from '@jokul/contracts';
import { useNewFormula } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button, buttonClass } from '../ui/button';
import { shapeNames } from '../words/names-of-codes';

/** The first formula: imported as it is written, or an example to change. */
export const FormulaStep = ({ bakery }: { readonly bakery: BakeryView }) => {
  const create = useNewFormula();
  const { mass, temperature } = useUnits();
  const take = ({ formula }: ExampleFormula) => {
    const { version: _version, ...body } = structuredClone(formula);
    create.mutate(body as unknown as NewFormulaInput, {
      onSuccess: (made) => toast(t`${made.name} is saved. Change it on Formula whenever you like.`),
      onError: (error) => toast.error(error.message, { duration: 10_000 }),
    });
  };
  return (
    <>
      {bakery.formulas.length > 0 && (
        <ul aria-label={t`Formulas`} className="mb-5 divide-y divide-line rounded-md border">
          {bakery.formulas.map(({ code, name, piece, bake }) => (
            <li key={code} className="flex items-baseline gap-3 px-3 py-2">
              <span className="figures w-14 text-[13px] text-ink-soft">{code}</span>
              <span className="flex-1 font-medium">{name}</span>
              <span className="figures text-[13.5px] text-ink-soft">
                {mass(piece.massG)} {shapeNames[piece.shape]}, {temperature(bake.setC)}{' '}
                {bake.fan ? t`fan` : t`still`}
              </span>
              <Link to={`/formula/${code}`} className={buttonClass('plain', 'small')}>
                {t`Look at ${code}`}
              </Link>
            </li>
          ))}
        </ul>
      )}
      <h3 className="font-semibold">{t`Your own recipe`}</h3>
      <p className="mb-2 text-ink-soft">{t`Paste it as it is written, in grams or cups; what is not certain is asked.`}</p>
      <Link to="/formula/new" className={buttonClass('primary')}>{t`Import recipe`}</Link>
      <h3 className="mt-6 font-semibold">{t`Or an example to change`}</h3>
      <ul className="mt-1 divide-y divide-line">
        {exampleFormulas.map((example) => {
          const { code, name } = example.formula;
          const there = bakery.formulas.some((formula) => formula.code === code);
          return (
            <li key={code} className="flex flex-wrap items-center gap-3 py-2">
              <span className="min-w-0 flex-1">
                <span className="font-medium">{name}</span>
                <span className="block text-[13.5px] text-ink-soft">{example.says}</span>
              </span>
              <Button
                size="small"
                disabled={there || create.isPending}
                aria-label={t`Use ${name}`}
                onClick={() => take(example)}
              >
                {there ? t`Saved` : t`Use this`}
              </Button>
            </li>
          );
        })}
      </ul>
    </>
  );
};
