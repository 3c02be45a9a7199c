import {
  adjustmentOf,
  bake,
  bakeInput,
  calibrated,
  checkComposition,
  fitCalibration,
  JokulError,
  learnable,
  sigmaOf,
  type BakeInput,
  type LoggedBake,
  type Measured,
  say,
} from '@jokul/core';
import type {
  AskedBakeRequest,
  BakeRequestInput,
  CalibrateAnswer,
  CalibrateRequest,
  MeasuredBakeRequest,
} from '@jokul/contracts';
import { doughIn, lyingOn, startOf } from './asked-dough.js';

/** Which dough it is: the same formula or composition is the same dough. */
const doughName = ({ formula, composition }: Pick<BakeRequestInput, 'formula' | 'composition'>): string =>
  JSON.stringify(formula ?? composition ?? 'typical');

const inputAt = (b: MeasuredBakeRequest | AskedBakeRequest): BakeInput =>
  bakeInput({
    massG: b.piece.massG,
    shape: b.piece.shape,
    ...(b.piece.pressedMm !== undefined && { pressedMm: b.piece.pressedMm }),
    dough: doughIn(b),
    start: startOf(b.piece),
    tray: b.tray.material,
    ...lyingOn(b.tray),
    setC: b.oven.setC,
    fan: b.oven.fan,
  });

/** Where no place in the oven is named, none is learned of. */
const noPlace = 0;

const loggedBake = (b: MeasuredBakeRequest, i: number): LoggedBake => {
  const input = inputAt(b);
  checkComposition({ ...input, pullS: b.pullS });
  const { colour, ...others } = b.measured;
  // What is null was not measured, as what is left out.
  const figures = Object.fromEntries(
    Object.entries(others).filter((figure): figure is [string, number] => typeof figure[1] === 'number'),
  );
  if (!colour && colour !== 0 && Object.keys(figures).length === 0)
    throw new JokulError('nothing-measured', say`Give at least one figure that was measured.`, 'measured');
  return {
    id: String(i),
    atMs: 0,
    ovenId: b.oven.id,
    position: b.oven.position ?? noPlace,
    code: doughName(b),
    setup: input.setup,
    pullS: b.pullS,
    trayS: input.rest.trayS,
    turned: false,
    measured: {
      ...(figures satisfies Measured),
      ...((colour || colour === 0) && { colour: typeof colour === 'number' ? colour : colour.edge }),
    },
  };
};

/** Puts the path of one of several before the trouble with it. */
const within = <T>(path: string, run: () => T): T => {
  try {
    return run();
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    throw new JokulError(error.code, error.message, error.path ? `${path}.${error.path}` : path);
  }
};

/** What measured bakes teach of their ovens, and the pulls that follow from it. */
export const runCalibrate = (r: CalibrateRequest): CalibrateAnswer => {
  const bakes = r.bakes.map((b, i) => within(`bakes.${i}`, () => loggedBake(b, i)));
  const ovenIds = [...new Set([...r.bakes, ...r.ask].map(({ oven }) => oven.id))];
  const held = new Set(ovenIds.map((id) => learnable('place', id, noPlace).key));
  const { calibration } = fitCalibration(bakes, { nowMs: 0, held });
  return {
    ovens: ovenIds.map((id) => {
      const { offsetK, hFactor } = adjustmentOf(calibration, { ovenId: id, code: '' });
      return { id, offsetK, hFactor, sdK: sigmaOf(calibration, learnable('offset', id)) };
    }),
    pulls: r.ask.map((b, i) =>
      within(`ask.${i}`, () => {
        const { position, id } = b.oven;
        const { pull, uncertainty, warnings } = bake(
          calibrated({ ...inputAt(b), target: b.target }, calibration, {
            ovenId: id,
            code: doughName(b),
            ...(position && { position }),
          }),
        );
        if (!pull) return { pullS: null, rangeS: null, warnings };
        const { value } = pull;
        return { pullS: value, rangeS: [Math.max(0, value - uncertainty.pullS), value + uncertainty.pullS] };
      }),
    ),
  };
};
