import { t } from '@lingui/core/macro';
import type { Equipment, Oven } from '@jokul/core';
import type { Detail, Kind, Thing } from './kinds';

/* How many trays of each kind an oven takes: a list in the setup, a figure each in its form. */

const keyOf = (trayId: string) => `placesFor.${trayId}`;

/** An oven with a figure for each kind of tray; any other thing as it is. */
export const withFigures = ({ kind }: Kind, thing: Thing): Thing => {
  if (kind !== 'ovens') return thing;
  const { placesFor = [], ...oven } = thing as unknown as Oven;
  return {
    ...oven,
    ...Object.fromEntries(placesFor.map(({ trayId, places }) => [keyOf(trayId), places])),
  };
};

/** The way back: what a form of an oven says of each tray, as the list that is kept. */
export const withList = (
  { kind }: Kind,
  values: Readonly<Record<string, unknown>>,
  { trays }: Pick<Equipment, 'trays'>,
): Readonly<Record<string, unknown>> => {
  if (kind !== 'ovens') return values;
  const placesFor = trays.flatMap(({ id }) => {
    const places = values[keyOf(id)];
    return typeof places === 'number' ? [{ trayId: id, places }] : [];
  });
  const rest = Object.fromEntries(Object.entries(values).filter(([key]) => !key.startsWith('placesFor')));
  return { ...rest, placesFor: placesFor.length > 0 ? placesFor : undefined };
};

/** The kind with a figure for each tray, where there are several in use. */
export const forTrays = (of: Kind, { trays }: Pick<Equipment, 'trays'>): Kind => {
  const used = trays.filter(({ retired }) => !retired);
  if (of.kind !== 'ovens' || used.length < 2) return of;
  const at = of.details.findIndex(({ key }) => key === 'places') + 1;
  const figures = used.map(({ id, name }): Detail => ({
    key: keyOf(id),
    label: t`Of ${name} at once`,
    said: t`# of ${name}`,
    optional: t`as many`,
    ask: { as: 'number', min: 1, max: 60, whole: true },
  }));
  return { ...of, details: [...of.details.slice(0, at), ...figures, ...of.details.slice(at)] };
};
