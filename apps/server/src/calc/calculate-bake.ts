import type { BakeAnswer, BakeRequestInput } from '@jokul/contracts';
import { adjustInput, bake, bakeInput, noAdjustment, requireNumber, say } from '@jokul/core';
import { doughIn, lyingOn, startOf } from './asked-dough.js';

export const runBake = (r: BakeRequestInput): BakeAnswer => {
  const start = startOf(r.piece);
  const dough = doughIn(r);
  const { calibration } = r.oven;
  if (calibration) {
    requireNumber(
      calibration.offsetK ?? 0,
      say`The offset of the oven`,
      -40,
      40,
      'K',
      'oven.calibration.offsetK',
    );
    for (const name of ['hFactor', 'stiffness', 'colourFactor'] as const)
      requireNumber(calibration[name] ?? 1, say`The factor ${name}`, 0.3, 3, '', `oven.calibration.${name}`);
  }
  const result = bake(
    adjustInput(
      bakeInput({
        massG: r.piece.massG,
        shape: r.piece.shape,
        ...(r.piece.pressedMm !== undefined && { pressedMm: r.piece.pressedMm }),
        dough,
        start,
        tray: r.tray.material,
        ...lyingOn(r.tray),
        setC: r.oven.setC,
        fan: r.oven.fan,
        trayRestS: r.rest.trayS,
        roomC: r.rest.airC,
        ...(r.rules?.centreC !== undefined && { centreC: r.rules.centreC }),
        ...(r.rules?.limits && { limits: r.rules.limits }),
        ...(r.target && { target: r.target }),
        ...(r.pullS !== undefined && { pullS: r.pullS }),
      }),
      {
        offsetK: calibration?.offsetK ?? noAdjustment.offsetK,
        hFactor: calibration?.hFactor ?? noAdjustment.hFactor,
        stiffness: calibration?.stiffness ?? noAdjustment.stiffness,
        colourFactor: calibration?.colourFactor ?? noAdjustment.colourFactor,
      },
    ),
  );
  const { atPull } = result;
  return {
    windows: result.windows,
    pullS: result.pull?.value,
    atPull: atPull
      ? {
          centreC: atPull.centreC,
          edgeC: atPull.edgeC,
          bottomC: atPull.bottomC,
          diameterMm: atPull.diameterMm,
          heightMm: atPull.heightMm,
          lossShare: atPull.lossShare,
          colour: atPull.colour,
        }
      : undefined,
    curves: result.curves,
    uncertainty: result.uncertainty,
    warnings: result.warnings,
  };
};
