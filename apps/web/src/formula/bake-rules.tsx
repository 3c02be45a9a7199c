import { t } from '@lingui/core/macro';
import { coverOf, type Formula } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { AfterBakeFields, AfterBakeSaid } from './after-bake';
import { BakeFields, PieceFields } from './bake-fields';
import { Method } from './method-rules';
import { RestFields, restForms, restPlaces } from './rest-rules';
import { linerNames, shapeNames, stateNames } from '../words/names-of-codes';

const Box = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section aria-label={title} className="rounded-lg border bg-surface px-3 py-2">
    <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{title}</h2>
    {children}
  </section>
);

const RestSaid = ({ rest }: { readonly rest: Formula['rest'] }) => {
  const { duration } = useUnits();
  if (rest.form === 'none') return <>{t`none, on the tray at most ${duration(rest.maxS)}`}</>;
  return (
    <>
      {t`${restForms[rest.form]}, ${restPlaces[rest.placeKind]}: ${duration(rest.minS)} to ${duration(rest.maxS)}, best ${duration(rest.bestS)}${rest.cover && rest.cover !== coverOf({ form: rest.form }) ? t`, ${rest.cover === 'open' ? t`open` : t`covered`}` : ''}${rest.temperS > 0 ? t`, of it ${duration(rest.temperS)} ${rest.form === 'bag' ? t`thawing` : t`on the bench`}` : ''}`}
    </>
  );
};

const BakeSaid = ({ bake }: { readonly bake: Formula['bake'] }) => {
  const { data } = useBakery();
  const nameOf = (id: string) => data?.equipment.ovens.find((oven) => oven.id === id)?.name ?? id;
  const { duration, temperature, length } = useUnits();
  const only = bake.ovens?.map(nameOf).join(', ');
  return (
    <>
      {t`to ${stateNames[bake.target]} at ${temperature(bake.setC)} ${bake.fan ? t`fan` : t`still`}, gap ${length(bake.gapMm)}, ${duration(bake.trayRestS)} on the tray`}
      {bake.liner && t`, on ${linerNames[bake.liner]}`}
      {only && t`; only in ${only}`}
    </>
  );
};

const PieceSaid = ({ piece }: { readonly piece: Formula['piece'] }) => {
  const { mass, length } = useUnits();
  return (
    <>
      {mass(piece.massG)} {shapeNames[piece.shape]}
      {piece.pressedMm !== undefined && t`, pressed to ${length(piece.pressedMm)}`}
    </>
  );
};

/** Method, piece, rest and bake of a formula. */
export const BakeRules = ({ formula, editing }: { formula: Formula; editing: boolean }) => {
  const { piece, rest, bake } = formula;
  return (
    <>
      <Method formula={formula} editing={editing} />
      <div className={`mt-4 grid gap-3 max-[900px]:grid-cols-1 ${editing ? 'grid-cols-2' : 'grid-cols-4'}`}>
        <Box title={t`Piece`}>{editing ? <PieceFields piece={piece} /> : <PieceSaid piece={piece} />}</Box>
        <Box title={t`Rest`}>{editing ? <RestFields rest={rest} /> : <RestSaid rest={rest} />}</Box>
        <Box title={t`Bake`}>{editing ? <BakeFields bake={bake} /> : <BakeSaid bake={bake} />}</Box>
        <Box title={t`After the oven`}>
          {editing ? <AfterBakeFields afterBake={formula.afterBake} /> : <AfterBakeSaid formula={formula} />}
        </Box>
      </div>
    </>
  );
};
