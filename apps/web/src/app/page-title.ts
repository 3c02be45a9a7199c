import { t } from '@lingui/core/macro';
import { across, stations } from './line';

/** Pages below a station that are no thing of it. */
const below = new Map([
  ['learned', t`What your bakes show`],
  ['lists', t`Work lists`],
  ['new', t`Import recipe`],
  ['ingredients', t`Ingredients`],
  ['models', t`How Jokul computes`],
  ['welcome', t`Welcome`],
  ['begin', t`Set up my bakery`],
]);

/** What the browser's tab says: the thing that is looked at, and the page. */
export const titleOf = (
  pathname: string,
  formulas: readonly { readonly code: string; readonly name: string }[],
): string => {
  const [path = '', thing = ''] = pathname.split('/').slice(1);
  const page = [...stations, ...across].find((station) => station.path === path)?.name;
  const name =
    formulas.find(({ code }) => code === thing)?.name ?? below.get(thing) ?? below.get(path) ?? thing;
  return [name, page, 'Jokul'].filter(Boolean).join(' · ');
};
