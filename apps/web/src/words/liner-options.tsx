import { t } from '@lingui/core/macro';
import { linerKinds, linerStock, type Equipment, type Liner } from '@jokul/core';
import { linerNames } from './names-of-codes';

const nameOf = (kind: Liner, equipment: Pick<Equipment, 'liners'>): string => {
  const own = linerStock(equipment, kind);
  const named = own && own.name.toLowerCase() !== linerNames[kind].toLowerCase();
  const name = named ? t`${linerNames[kind]}: ${own.name}` : linerNames[kind];
  return own?.count === undefined ? name : t`${name}, ${own.count}`;
};

/** What pieces can lie on, with what the house has of it. */
export const LinerOptions = ({ equipment }: { readonly equipment: Pick<Equipment, 'liners'> }) =>
  linerKinds.map((kind) => (
    <option key={kind} value={kind}>
      {nameOf(kind, equipment)}
    </option>
  ));
