import { t } from '@lingui/core/macro';
import { toast } from 'sonner';
import { checkEquipment, equipmentKinds, JokulError, type Equipment } from '@jokul/core';
import type { BakeryView, EquipmentInput } from '@jokul/contracts';
import { ApiProblem } from '../../lib/api';
import { useSaveEquipment } from '../../lib/queries';

/** What a person may write: what was learned of a place stays with the server. */
const input = (equipment: Equipment, version: number) =>
  ({
    ...equipment,
    places: equipment.places.map(({ learned: _learned, ...place }) => place),
    version,
  }) as unknown as EquipmentInput;

/** The way back keeps what was added since, retired: nothing that was saved is ever taken out. */
const backTo = (before: Equipment, now: Equipment): Equipment => ({
  ...before,
  ...Object.fromEntries(
    equipmentKinds.map((kind) => {
      const was = new Set(before[kind].map(({ id }) => id));
      const added = now[kind].filter(({ id }) => !was.has(id)).map((item) => ({ ...item, retired: true }));
      return [kind, [...before[kind], ...added]];
    }),
  ),
});

const sayProblem = (error: unknown): string => {
  if (error instanceof JokulError || error instanceof ApiProblem) return error.message;
  throw error;
};

/**
 * Changes the equipment as a whole, with the way back. What cannot be is said before it is sent.
 * @returns the change; it answers, when the server has it, with null, else with why it was refused
 */
export const useChangeEquipment = (bakery: BakeryView) => {
  const save = useSaveEquipment();
  const takeBack = (before: Equipment, saved: BakeryView) =>
    save
      .mutateAsync(input(backTo(before, saved.equipment), saved.equipmentVersion))
      .then(() => toast(t`Taken back.`))
      .catch((error: unknown) => toast.error(sayProblem(error), { duration: 12_000 }));
  const change = async (next: Equipment, says: string): Promise<string | null> => {
    try {
      checkEquipment(next);
      const before = bakery.equipment;
      const saved = await save.mutateAsync(input(next, bakery.equipmentVersion));
      // Without a formula nothing can have been planned yet.
      toast(bakery.formulas.length > 0 ? t`${says} Plans made before are marked as old.` : says, {
        duration: 10_000,
        action: { label: t`Undo`, onClick: () => void takeBack(before, saved) },
      });
      return null;
    } catch (error) {
      return sayProblem(error);
    }
  };
  return { change, busy: save.isPending };
};
