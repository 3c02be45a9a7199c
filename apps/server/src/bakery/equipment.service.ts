import { Injectable } from '@nestjs/common';
import { checkEquipment, equipmentKinds, JokulError, placesKept, type Equipment, say } from '@jokul/core';
import type { EquipmentInput } from '@jokul/contracts';
import { SettingsService } from '../settings/settings.service.js';

@Injectable()
export class EquipmentService {
  constructor(private readonly settings: SettingsService) {}

  /**
   * Writes the equipment whole. Nothing that was there is taken out: records name it, so that it is retired at most. What
   * needles taught of a place stays with it.
   * @throws JokulError `in-records`, `changed-meanwhile`, and those of `checkEquipment`
   */
  async write({ version, ...given }: EquipmentInput, who = ''): Promise<void> {
    const { body: before } = await this.settings.read('equipment');
    // Who does not know liners yet leaves them as they are.
    const input = { ...given, liners: given.liners ?? before.liners };
    for (const kind of equipmentKinds) {
      const kept = new Set(input[kind].map(({ id }) => id));
      const gone = before[kind].find(({ id }) => !kept.has(id));
      if (gone)
        throw new JokulError(
          'in-records',
          say`"${('name' in gone && gone.name) || gone.id}" cannot be taken out: records may name it. Retire it instead.`,
          kind,
        );
    }
    const equipment: Equipment = { ...input, places: placesKept(before.places, input.places) };
    checkEquipment(equipment);
    const { body: rules } = await this.settings.read('rules');
    const planned = equipment.trays.find(({ id }) => id === rules.trayId);
    if (planned?.retired)
      throw new JokulError(
        'planned-with',
        say`"${planned.name}" is the tray that is planned with: choose another one in the house rules first.`,
        'trays',
      );
    await this.settings.write('equipment', equipment, version, who);
  }
}
