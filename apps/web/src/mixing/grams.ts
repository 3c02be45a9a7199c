import { t } from '@lingui/core/macro';
import { digitsOf, massUnitsG, type Scale } from '@jokul/core';
import { useUnits, type Units } from '../lib/units';

/** A mass with as many digits as the scale shows of it, in the units of the device, without the unit. */
export const onScale = (massG: number, resolutionG: number, units: Units): string => {
  if (units === 'metric') return massG.toFixed(digitsOf(resolutionG));
  const stepOz = resolutionG / massUnitsG.oz;
  // A step of 0.1 oz is stored as 2.835 g: what it is short of one is no digit more.
  const digits = Math.max(0, Math.ceil(-Math.log10(stepOz) - 1e-4));
  return (massG / massUnitsG.oz).toFixed(digits);
};

/** How the scales of this device speak: figures without and with their unit, and what was read off them, g. */
export const useScale = () => {
  const { units, unit, typed, mass } = useUnits();
  const shown = (massG: number, resolutionG: number) => onScale(massG, resolutionG, units);
  return {
    shown,
    said: (massG: number, resolutionG: number) => `${shown(massG, resolutionG)} ${unit('mass')}`,
    /** Before it is rounded to what a scale shows. */
    exact: (massG: number) => onScale(massG, 0.01, units),
    /** What it goes by: 0.5 g, or 0.018 oz. */
    step: (resolutionG: number) =>
      units === 'us' ? `${Number((resolutionG / massUnitsG.oz).toPrecision(2))} oz` : mass(resolutionG),
    unit: unit('mass'),
    readG: (text: string) => typed(text, 'mass'),
  };
};

/** The demo's scales have no name of their own. */
const usualNames = new Map([
  ['bench', t`bench scale`],
  ['counter', t`counter scale`],
  ['pocket', t`pocket scale`],
]);

/** What a scale is called here. */
export const scaleName = (scales: readonly Scale[], id: string): string =>
  scales.find((scale) => scale.id === id)?.name ?? usualNames.get(id) ?? id;
