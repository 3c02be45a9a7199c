import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { ownIngredient, takeInOwn, type Formula, type Ingredient } from '@jokul/core';
import type { OwnIngredientsInput } from '@jokul/contracts';
import { unpack } from '../database/stored.js';
import { SettingEntity } from '../database/entities.js';
import { SettingsService } from '../settings/settings.service.js';

/** The bakery's own ingredients. The core looks them up beside the library, so they are taken in before it computes. */
@Injectable()
export class OwnIngredientsService {
  private known = -1;

  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
  ) {}

  /** The rows and their version; another server on the same database may have changed them since. */
  async read(
    manager: EntityManager = this.db.manager,
  ): Promise<{ ingredients: readonly Ingredient[]; version: number }> {
    const row = await manager.findOneBy(SettingEntity, { key: 'ingredients' });
    const ingredients = row ? unpack<readonly Ingredient[]>('ingredients', row.body) : [];
    const version = row?.version ?? 0;
    if (version !== this.known) takeInOwn(ingredients);
    this.known = version;
    return { ingredients, version };
  }

  /** The rows that a worker needs to compute these formulas. */
  async usedBy(formulas: readonly Formula[]): Promise<readonly Ingredient[]> {
    const { ingredients } = await this.read();
    const ids = new Set(
      formulas.flatMap(({ stages, toppings }) =>
        [...stages.flatMap(({ lines }) => lines), ...toppings].map(({ ingredientId }) => ingredientId),
      ),
    );
    return ingredients.filter(({ id }) => ids.has(id));
  }

  /** @throws JokulError `bad-composition`, `ingredient-taken`, `changed-meanwhile` */
  async write({ ingredients, version }: OwnIngredientsInput, who = ''): Promise<void> {
    const rows = ingredients.map((given) => ownIngredient(structuredClone(given)));
    await this.settings.write('ingredients', rows, version, who);
    await this.read();
  }
}
