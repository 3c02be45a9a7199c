import type { Formula } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { AfterBakeFields, AfterBakeSaid } from './after-bake';
import { BakeFields, PieceFields } from './bake-fields';
import { Method } from './method-rules';
import { RestFields, restForms, restPlaces } from './rest-rules';

const Box = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section aria-label={title} className="rounded-lg border bg-surface px-3 py-2">
    <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{title}</h2>
    {children}
  </section>
);

const RestSaid = ({ rest }: { readonly rest: Formula['rest'] }) => {
  const { duration } = useUnits();
  if (rest.form === 'none') return <>none, on the tray at most {duration(rest.maxS)}</>;
  return (
    <>
      {restForms[rest.form]}, {restPlaces[rest.placeKind]}: {duration(rest.minS)} to {duration(rest.maxS)},
      best {duration(rest.bestS)}
      {rest.temperS > 0 &&
        `, of it ${duration(rest.temperS)} ${rest.form === 'bag' ? 'thawing' : 'on the bench'}`}
    </>
  );
};

const BakeSaid = ({ bake }: { readonly bake: Formula['bake'] }) => {
  const { duration, temperature, length } = useUnits();
  return (
    <>
      to {bake.target.replace('-', ' ')} at {temperature(bake.setC)} {bake.fan ? 'fan' : 'still'}, gap{' '}
      {length(bake.gapMm)}, {duration(bake.trayRestS)} on the tray
    </>
  );
};

const PieceSaid = ({ piece }: { readonly piece: Formula['piece'] }) => {
  const { mass } = useUnits();
  return (
    <>
      {mass(piece.massG)} {piece.shape}
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
        <Box title="Piece">{editing ? <PieceFields piece={piece} /> : <PieceSaid piece={piece} />}</Box>
        <Box title="Rest">{editing ? <RestFields rest={rest} /> : <RestSaid rest={rest} />}</Box>
        <Box title="Bake">{editing ? <BakeFields bake={bake} /> : <BakeSaid bake={bake} />}</Box>
        <Box title="After the oven">
          {editing ? <AfterBakeFields afterBake={formula.afterBake} /> : <AfterBakeSaid formula={formula} />}
        </Box>
      </div>
    </>
  );
};
