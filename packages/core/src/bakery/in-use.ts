import type { Equipment } from './equipment.js';

/** Out of use for good, and kept: records name it. */
export interface Retirable {
  readonly id: string;
  readonly retired?: boolean;
}
export const active = <T extends Retirable>(
  items: readonly T[],
  kept: (id: string) => boolean = () => false,
): readonly T[] => items.filter(({ id, retired }) => !retired || kept(id));

/**
 * What a plan may reckon with, and a person may choose: without what is retired.
 * @param kept of what is retired, the ids that stay all the same: loads that have begun are still on them
 */
export const inUse = (equipment: Equipment, kept?: (id: string) => boolean): Equipment => ({
  ...equipment,
  mixers: active(equipment.mixers, kept),
  ovens: active(equipment.ovens, kept),
  trays: active(equipment.trays, kept),
  liners: active(equipment.liners, kept),
  places: active(equipment.places, kept),
  racks: active(equipment.racks, kept),
  scales: active(equipment.scales, kept),
});

/** What is kept as things with ids; crew, shifts and scoops are plain lists. */
export const equipmentKinds = ['mixers', 'ovens', 'trays', 'liners', 'places', 'racks', 'scales'] as const;
export type EquipmentKind = (typeof equipmentKinds)[number];
/** A name as an id: lower case, hyphens, not yet taken by anything. */
export const freeId = (name: string, equipment: Equipment): string => {
  const taken = new Set(equipmentKinds.flatMap((kind) => equipment[kind].map(({ id }) => id)));
  const base =
    name
      .normalize('NFKD')
      .replaceAll(/\p{M}/gu, '')
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 32)
      // A word of the language itself is no name to look things up by.
      .replace(/^constructor$/, 'constructor-1') || 'thing';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
};
