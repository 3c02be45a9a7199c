import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { ingredients as shipped, isLimit, massUnitsG, type LabelWording, type Liner } from '@jokul/core';
import type { SetupChanges, SetupChangeWhat } from '@jokul/contracts';
import { kinds } from './equipment/kinds';
import { sayMass, useUnits, type Units } from '../lib/units';
import { limitName, shownLimit } from './limit-fields';
import { ruleFields, ruleLabel, shownRule } from './rule-fields';
import { labelWordingNames, linerNames } from '../words/names-of-codes';

const titleOf = (kind: string) => kinds.find((own) => own.kind === kind)?.one ?? kind;
const listNames: Readonly<Record<string, string>> = {
  scoops: t`Scoops`,
  shifts: t`Shifts`,
  ovenHours: t`Hours of the ovens`,
  ovenHands: t`Oven hands`,
  crew: t`People`,
  calendar: t`Closed days, and who is away`,
  prices: t`Prices and packs`,
};
const words = { new: t`new`, changed: t`changed`, retired: t`retired: it is not in the file` } as const;

/** Whether taking the file in would leave everything as it is. */
export const changesNothing = ({ things, lists, rules, ingredients, formulas }: SetupChanges): boolean =>
  [things, lists, rules, ingredients, formulas].every((list) => list.length === 0);

/** What an ingredient is called. */
type NameOf = (id: string) => string;

const figure = (key: string, value: unknown, units: Units): string => {
  if (value === null || value === undefined) return t`not set`;
  if (key === 'labels') return labelWordingNames[value as LabelWording] ?? JSON.stringify(value);
  if (key === 'liner') return linerNames[value as Liner] ?? JSON.stringify(value);
  if (typeof value === 'string') return value;
  const priced = ofIngredient(key);
  if (priced && typeof value === 'number') {
    if (priced[0] === 'pack') return sayMass(value, units);
    return String(Number((value * (units === 'us' ? massUnitsG.lb / 1000 : 1)).toPrecision(4)));
  }
  const field = ruleFields.find((own) => own.key === key);
  if (typeof value === 'number' && isLimit(key)) return shownLimit(key, value);
  if (typeof value !== 'number') return JSON.stringify(value);
  return String(field ? shownRule(field, value, units) : value);
};
/** Prices and packs are of an ingredient, which stands behind the slash. */
const ofIngredient = (key: string): readonly ['price' | 'pack', string] | null => {
  const [, what, id] = /^(price|pack)\/(.+)$/.exec(key) ?? [];
  return id !== undefined && (what === 'price' || what === 'pack') ? [what, id] : null;
};

const ruleName = (key: string, units: Units, nameOf: NameOf): string => {
  const priced = ofIngredient(key);
  if (priced) {
    const name = nameOf(priced[1]);
    if (priced[0] === 'pack') return t`A pack of ${name}`;
    return units === 'us' ? t`A pound of ${name}` : t`A kilogram of ${name}`;
  }
  const field = ruleFields.find((own) => own.key === key);
  if (isLimit(key)) return limitName(key);
  return field
    ? ruleLabel(field, units)
    : ({
        liner: t`Liner`,
        labels: t`Allergens on labels`,
        trayId: t`Tray to plan with`,
        name: t`Name`,
        timeZone: t`Time zone`,
        perKWh: t`Price of a kWh`,
        currency: t`Currency`,
      }[key] ?? key);
};

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="mt-3">
    <h3 className="font-semibold">{title}</h3>
    <ul className="mt-1 columns-2 gap-6 max-sm:columns-1">{children}</ul>
  </section>
);
const Row = ({ name, what }: { name: string; what: string }) => (
  <li className="break-inside-avoid">
    {name} <span className="text-[13px] text-ink-soft">{what}</span>
  </li>
);

/** What was changed, as few words as it takes. */
export const changeWords = (
  { things, lists, rules, ingredients }: SetupChangeWhat,
  units: Units,
  nameOf: NameOf = (id) => shipped.get(id)?.name ?? id,
): string[] => [
  ...things.map(
    ({ kind, name, what }) => `${name} (${titleOf(kind)}) ${what === 'retired' ? t`retired` : what}`,
  ),
  ...lists.map((key) => t`${listNames[key] ?? key} changed`),
  ...rules.map(
    ({ key, from, to }) =>
      `${ruleName(key, units, nameOf)} ${figure(key, from, units)} → ${figure(key, to, units)}`,
  ),
  ...ingredients.map(({ name, what }) => `${name} ${what}`),
];

/** What a setup file would change, part by part. */
export const SetupChangesList = ({
  changes,
  nothing = t`Nothing: all that is in the file is here already, as it is there.`,
}: {
  changes: SetupChanges;
  nothing?: string;
}) => {
  const { things, lists, rules, ingredients, formulas } = changes;
  const { units } = useUnits();
  if (changesNothing(changes)) return <p>{nothing}</p>;
  return (
    <div className="max-h-[50vh] overflow-y-auto">
      {things.length + lists.length > 0 && (
        <Part title={t`Equipment, people and hours`}>
          {things.map(({ kind, name, what }) => (
            <Row key={`${kind} ${name}`} name={`${name} (${titleOf(kind)})`} what={words[what]} />
          ))}
          {lists.map((key) => (
            <Row key={key} name={listNames[key] ?? key} what={t`changed`} />
          ))}
        </Part>
      )}
      {rules.length > 0 && (
        <Part title={t`House rules`}>
          {rules.map(({ key, from, to }) => (
            <Row
              key={key}
              name={ruleName(key, units, (id) => shipped.get(id)?.name ?? id)}
              what={`${figure(key, from, units)} → ${figure(key, to, units)}`}
            />
          ))}
        </Part>
      )}
      {ingredients.length > 0 && (
        <Part title={t`Own ingredients`}>
          {ingredients.map(({ name, what }) => (
            <Row key={name} name={name} what={words[what]} />
          ))}
        </Part>
      )}
      {formulas.length > 0 && (
        <Part title={t`Formulas`}>
          {formulas.map(({ code, name, what }) => (
            <Row key={code} name={`${code} ${name}`} what={what === 'new' ? t`new` : t`a new version`} />
          ))}
        </Part>
      )}
    </div>
  );
};
