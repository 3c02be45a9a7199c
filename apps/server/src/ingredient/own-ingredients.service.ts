import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { JokulError, libraryOf, ownIngredients, type Ingredient, type Library, say } from '@jokul/core';
import type { OwnIngredientsInput } from '@jokul/contracts';
import { unpack } from '../database/stored.js';
import { FormulaVersionEntity, SettingEntity } from '../database/entities.js';
import { SettingsService } from '../settings/settings.service.js';

/** The bakery's own ingredients: formulas carry those that they name. */
@Injectable()
export class OwnIngredientsService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
  ) {}

  /** The rows and their version. */
  async read(
    manager: EntityManager = this.db.manager,
  ): Promise<{ ingredients: readonly Ingredient[]; version: number }> {
    const row = await manager.findOneBy(SettingEntity, { key: 'ingredients' });
    const ingredients = row ? unpack<readonly Ingredient[]>('ingredients', row.body) : [];
    return { ingredients, version: row?.version ?? 0 };
  }

  /** What ships with Jokul and the bakery's own. */
  async library(manager: EntityManager = this.db.manager): Promise<Library> {
    return libraryOf((await this.read(manager)).ingredients);
  }

  /** @throws JokulError `bad-composition`, `ingredient-taken`, `ingredient-in-use`, `changed-meanwhile` */
  async write({ ingredients, version }: OwnIngredientsInput, who = ''): Promise<void> {
    const rows = ownIngredients(structuredClone(ingredients));
    libraryOf(rows);
    const before = await this.read();
    // An edit of an older list is refused as such.
    if (before.version === version) await this.refuseLosing(before.ingredients, rows);
    await this.settings.write('ingredients', rows, version, who);
  }

  /** What a version of a formula names stays: without it that version could not be read any more. */
  private async refuseLosing(before: readonly Ingredient[], rows: readonly Ingredient[]): Promise<void> {
    const kept = new Set(rows.map(({ id }) => id));
    const gone = before.filter(({ id }) => !kept.has(id));
    if (gone.length === 0) return;
    const formulas = await this.db.manager.find(FormulaVersionEntity);
    for (const { id, name } of gone) {
      const user = formulas.find(({ body: { stages, toppings } }) =>
        [...stages.flatMap(({ lines }) => lines), ...toppings].some(
          ({ ingredientId }) => ingredientId === id,
        ),
      );
      if (user)
        throw new JokulError(
          'ingredient-in-use',
          say`${name} is used in ${user.code}, version ${user.version}: it has to stay in the list.`,
          'ingredients',
        );
    }
  }
}
