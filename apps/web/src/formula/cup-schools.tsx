import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { componentShare, forecastTexture, type DoughShare, type Formula } from '@jokul/core';
import { Shown } from '../ui/shown';
import type { CupWay, Reading } from '../workers/reading';
import { useShape } from './use-shape';

const wayNames: Readonly<Record<CupWay, string>> = {
  spooned: t`flour spooned`,
  dipped: t`flour dipped`,
  own: t`our own cup`,
  'loose-sugar': t`brown sugar loose`,
};

/** Spread or thickness against the first column, once it is baked. */
const ShapeScore = ({
  formula,
  reference,
  of,
}: {
  readonly formula: Formula;
  readonly reference: Formula;
  readonly of: 'spread' | 'thickness';
}) => {
  const { shape, failed } = useShape(formula, reference);
  return <>{shape ? shape.scores[of].toFixed(1) : failed ? '–' : '…'}</>;
};

/** The same recipe under each cup school: what a cup of flour more or less does to the dough. */
export const CupSchoolsSideBySide = ({ cups }: { readonly cups: Reading['cups'] }) => {
  const first = cups[0]?.formula;
  if (!first || cups.some(({ formula }) => !formula))
    return (
      <p className="text-[13.5px] text-ink-soft">{t`Shows when every line but the cups is answered.`}</p>
    );
  const asLines = (formula: Formula | null | undefined) => JSON.stringify(formula?.stages);
  if (cups.every(({ formula }) => asLines(formula) === asLines(first)))
    return (
      <p className="text-[13.5px] text-ink-soft">{t`Nothing here goes by the cup: it changes nothing.`}</p>
    );
  const share = (of: DoughShare) => (f: Formula) => {
    const figure = componentShare(f, of);
    return <Shown figure={figure}>{(100 * figure.value).toFixed(1)} %</Shown>;
  };
  const rows: readonly (readonly [string, (formula: Formula) => ReactNode])[] = [
    [t`flour in the dough`, share('flour')],
    [t`water`, share('water')],
    [t`fat`, share('fat')],
    [t`spread`, (f) => <ShapeScore formula={f} reference={first} of="spread" />],
    [t`tenderness`, (f) => forecastTexture(f, first).scores.tenderness.toFixed(1)],
    [t`thickness`, (f) => <ShapeScore formula={f} reference={first} of="thickness" />],
  ];
  return (
    <>
      <table className="w-full text-[13.5px]">
        <thead>
          <tr className="text-left text-ink-soft">
            <th className="font-normal" aria-label={t`of the dough`} />
            {cups.map(({ way }) => (
              <th key={way} className="py-1 pl-2 text-right align-bottom font-normal">
                {wayNames[way]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, of]) => (
            <tr key={name} className="border-t">
              <td className="py-0.5 text-ink-soft">{name}</td>
              {cups.map(({ way, formula }) => (
                <td key={way} className="py-0.5 text-right figures">
                  {formula && of(formula)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Texture from 0 to 10, the first column at 5; spread and thickness by the bake model. More flour in the cup: stiffer, thicker, drier.`}</p>
    </>
  );
};
