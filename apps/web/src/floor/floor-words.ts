import { plural, t } from '@lingui/core/macro';
import {
  allergenWords,
  icingFor,
  urgencyOf,
  type Action,
  type Formula,
  type PreparationKind,
} from '@jokul/core';
import { andList } from '../line/and-list';
import { verb, type useNames } from '../line/actions';
import { ingredientList } from '../line/preparation-words';
import { pullCue } from '../lib/pull-cue';
import type { useUnits } from '../lib/units';

/* How the wall speaks of what is due. */

const dueWords = { late: t`Overdue`, now: t`Now`, soon: t`Soon`, later: t`Later` } as const;

export const dueWord = (action: Action, now: number): string => dueWords[urgencyOf(action, now)];

/** Whether hands are wanted at once. */
export const isForHands = (action: Action, now: number): boolean =>
  ['late', 'now'].includes(urgencyOf(action, now));

/** What a button does, with the load or batch that it does it to. */
export const label = (action: Action) =>
  `${verb(action)} ${action.load?.id ?? action.prepare?.oven?.loadId ?? action.batchId}`;
export const place = (action: Action, names: ReturnType<typeof useNames>) =>
  action.ovenId ? names.oven(action.ovenId) : action.batchId;
/** How much is put out, what the bowl is cleaned of, or what the oven is set to. */
export const amount = (
  { prepare }: Action,
  { mass, temperature }: Pick<ReturnType<typeof useUnits>, 'mass' | 'temperature'>,
): string => {
  if (!prepare) return '';
  const { oven, allergens, ingredientIds, massG } = prepare;
  if (oven) return `${temperature(oven.setC)}, `;
  if (allergens) return t`of ${andList(allergenWords(allergens), 20)}, `;
  return `${[mass(massG), ...(ingredientIds ? [ingredientList(prepare)] : [])].join(' ')}, `;
};

/** What a load is iced with. */
export const icing = (
  { kind, load }: Action,
  formula: Formula | undefined,
  about: (grams: number) => string,
) => {
  if (kind !== 'ice' || !load || !formula) return '';
  const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const parts = icingFor(formula, pieces * formula.piece.massG).map(
    (part) => `${about(part.mass.value)} ${part.name.toLowerCase()}`,
  );
  return [t`${plural(pieces, { one: '# piece', other: '# pieces' })}`, ...parts, ''].join(', ');
};

/** What to look for, or to mind, at each step. */
const preparationCues: Readonly<Record<PreparationKind, string>> = {
  'butter-out': t`In its wrapper, apart. It should give to a thumb, and not shine.`,
  'butter-brown': t`Light pan, stir, weigh it before and after. It must cool before egg goes in.`,
  'eggs-out': t`In their tray, out of the cold. Cold egg makes a creamed dough curdle.`,
  toast: t`One layer on a tray, moderate oven, stir once. Cold before it is chopped or goes in.`,
  melt: t`Low heat, out of the pan when the last lump goes. Hand-warm before it meets egg.`,
  heat: t`Until it runs, not until it boils. Let it cool as the formula says: sugar burns skin.`,
  chop: t`Even pieces: dust browns, lumps tear the ball. Clean board and knife for each allergen.`,
  sift: t`Over the bowl that is weighed into; press out lumps.`,
  warm: t`At room temperature it mixes in; cold it curdles or clumps.`,
  'oven-on': t`Nothing in it but its own racks. Fan as the formula asks for.`,
  'oven-check': t`Read a thermometer inside, not the dial. Too cold: wait, or turn it up.`,
  clean: t`Bowl, tool and scrapers, as your local rules ask for. Wipe down the bench as well.`,
};

const cues: Readonly<Record<Exclude<Action['kind'], 'pull' | 'prepare'>, string>> = {
  mix: t`Weigh everything first. Then the mixer turns.`,
  portion: t`Weigh the first three pieces, then one now and then.`,
  'rest-in': t`Into the cold at once: dough with egg does not wait.`,
  'rest-out': t`Only what the next load needs.`,
  load: t`Tray cool, pieces apart, oven at temperature. Keep the door open as short as you can.`,
  turn: t`Back to front, top to bottom. Keep the door open as short as you can.`,
  flatten: t`At once, while they are soft: one even press each. The tray is hot.`,
  ice: t`Only on cold pieces: on warm ones it runs and soaks in.`,
  pack: t`Cold and dry. Count them, and write lot and allergens on the pack.`,
  rack: t`Firm enough to lift without bending? Then onto the rack. The tray is still hot.`,
};

/** What to look for or to mind; at a pull by what its dough is baked to. */
export const cueOf = ({ kind, prepare }: Action, formula: Formula | undefined): string => {
  if (kind === 'pull') return pullCue(formula?.bake.target ?? 'chewy');
  if (kind === 'prepare') return prepare ? preparationCues[prepare.kind] : '';
  return cues[kind];
};
