import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type {
  OwnIngredientInput,
  SetupChanges,
  SetupChangeView,
  SetupFile,
  SetupFileInput,
  TakeSetupFileInput,
} from '@jokul/contracts';
import {
  checkEquipment,
  checkFormula,
  givenOf,
  JokulError,
  libraryOf,
  ownIngredients,
  withFoods,
  type Equipment,
  type Formula,
  type HouseRules,
  type Ingredient,
  type Library,
  type Prices,
  placesKept,
  say,
} from '@jokul/core';
import { ClockService } from '../clock/clock.service.js';
import { FormulaVersionEntity, SettingEntity, SetupChangeEntity } from '../database/entities.js';
import { pack, unpack, type StoredName } from '../database/stored.js';
import { FormulaService } from '../formula/formula.service.js';
import { OwnIngredientsService } from '../ingredient/own-ingredients.service.js';
import { changeRows, SettingsService } from '../settings/settings.service.js';
import {
  ingredientsChanged,
  listsChanged,
  plain,
  ruleKeys,
  rulesChanged,
  same,
  thingsChanged,
} from '../settings/setup-diff.js';
import { isKept, keepChange } from '../settings/setup-history.js';
import { isZone } from './own-bakery.service.js';
import { bodyOf, changedMeanwhile, kinds, setUpOf } from './setup-file-parts.js';

type Now = Awaited<ReturnType<SetupFileService['now']>>;
const mostShown = 100;

/** The setup of a bakery as a file: given out, looked at, and taken in. */
@Injectable()
export class SetupFileService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
    private readonly formulas: FormulaService,
    private readonly own: OwnIngredientsService,
    private readonly clock: ClockService,
  ) {}

  private async now() {
    const [equipment, rules, bakery, formulas, own, prices] = await Promise.all([
      this.settings.read('equipment'),
      this.settings.read('rules'),
      this.settings.read('bakery'),
      this.formulas.latest(),
      this.own.read(),
      this.settings.prices(),
    ]);
    return { equipment, rules, bakery, formulas, own, prices };
  }

  async give(): Promise<SetupFile> {
    const { equipment, rules, bakery, formulas, own, prices } = await this.now();
    return plain({
      format: 'jokul-setup',
      version: 1,
      madeAt: new Date(Math.round(await this.clock.nowMs())).toISOString(),
      bakery: { name: bakery.body.name, timeZone: rules.body.timeZone },
      rules: Object.fromEntries(ruleKeys.map((key) => [key, rules.body[key]])),
      equipment: setUpOf(equipment.body),
      ingredients: own.ingredients.map(givenOf),
      ...(prices.version > 0 && { prices: prices.body }),
      formulas: formulas.map(bodyOf),
    } as unknown as SetupFile);
  }

  /** What was changed in Setup, the latest first. */
  async history(): Promise<readonly SetupChangeView[]> {
    const rows = await this.db.manager.find(SetupChangeEntity, {
      select: { id: true, key: true, atMs: true, who: true, what: true },
      order: { id: 'DESC' },
      take: mostShown,
    });
    return rows.map(({ id, key, atMs, who, what }) => ({ id, key, atMs, who, what }));
  }

  /**
   * The setup of now with one part as it was before a change: to be looked at and taken in like any setup file.
   * @throws JokulError `unknown-change`
   */
  async before(id: number): Promise<SetupFile> {
    const row = await this.db.manager.findOneBy(SetupChangeEntity, { id });
    if (!row || !isKept(row.key))
      throw new JokulError('unknown-change', say`That change is not kept any more.`, 'id');
    const file = await this.give();
    const body = unpack<unknown>(row.key, row.before);
    const rules = row.key === 'rules' ? (body as HouseRules) : null;
    return plain({
      ...file,
      ...(row.key === 'equipment' && { equipment: setUpOf(body as Equipment) }),
      ...(rules && { rules: Object.fromEntries(ruleKeys.map((key) => [key, rules[key]])) }),
      ...(row.key === 'prices' && { prices: body as Prices }),
      ...(row.key === 'ingredients' && { ingredients: (body as readonly Ingredient[]).map(givenOf) }),
      bakery: {
        name: row.key === 'bakery' ? (body as { name: string }).name : file.bakery.name,
        timeZone: rules?.timeZone ?? file.bakery.timeZone,
      },
    } as unknown as SetupFile);
  }

  /** The equipment with the file's; what is not in the file is retired, since records may name it. */
  private equipmentWith({ equipment: { body: before } }: Now, { equipment: given }: SetupFile): Equipment {
    const merged = kinds((kind) => {
      const own = given[kind];
      // A file of before there was such a kind says nothing of it.
      if (!own) return before[kind];
      const ids = new Set(own.map(({ id }) => id));
      const gone = before[kind].filter(({ id }) => !ids.has(id)).map((item) => ({ ...item, retired: true }));
      return [...own, ...gone];
    });
    const places = placesKept(before.places, merged.places as Equipment['places']);
    return plain({ ...given, ...merged, places } as unknown as Equipment);
  }

  /** The own ingredients with the file's: what is not in the file stays, formulas may use it. */
  private ingredientsWith({ own }: Now, { ingredients }: SetupFile): readonly Ingredient[] {
    const given = new Set(ingredients.map(({ id }) => id));
    return ownIngredients([
      ...own.ingredients.filter(({ id }) => !given.has(id)).map(givenOf),
      ...ingredients.map((row) => plain<OwnIngredientInput>(row)),
    ]);
  }

  /** What the file would change; nothing is written. @throws JokulError for what could not be taken in */
  async look({ file, withBakery }: SetupFileInput): Promise<SetupChanges> {
    const now = await this.now();
    return this.changesBy(now, file, withBakery).changes;
  }

  private changesBy(now: Now, file: SetupFile, withBakery: boolean) {
    const equipment = this.equipmentWith(now, file);
    checkEquipment(equipment);
    const rules: HouseRules = {
      ...now.rules.body,
      ...(plain(file.rules) as Partial<HouseRules>),
      ...(withBakery && { timeZone: file.bakery.timeZone }),
    };
    if (!isZone(file.bakery.timeZone))
      throw new JokulError(
        'bad-zone',
        say`There is no time zone "${file.bakery.timeZone}".`,
        'file.bakery.timeZone',
      );
    const tray = equipment.trays.find(({ id }) => id === rules.trayId);
    if (!tray || tray.retired)
      throw new JokulError(
        'bad-tray',
        say`The tray to plan with must be one of the file that is in use.`,
        'file.rules.trayId',
      );
    const ingredients = this.ingredientsWith(now, file);
    const latest = new Map(now.formulas.map((formula) => [formula.code, formula]));
    const formulas = file.formulas.map((given): Formula => {
      const old = latest.get(given.code);
      const body = plain(given) as unknown as Omit<Formula, 'version'>;
      return old && same(bodyOf(old), body) ? old : { ...body, version: (old?.version ?? 0) + 1 };
    });
    const codes = file.formulas.map(({ code }) => code);
    const twice = codes.find((code, i) => codes.indexOf(code) !== i);
    if (twice !== undefined)
      throw new JokulError('twice', say`The file has the formula ${twice} twice.`, 'file.formulas');
    this.checkFormulas(formulas, libraryOf(ingredients));
    const fresh = formulas.filter((formula) => latest.get(formula.code) !== formula);
    const prices = file.prices && (plain(file.prices) as Prices);
    const changes: SetupChanges = {
      bakery: file.bakery,
      versions: {
        equipment: now.equipment.version,
        rules: now.rules.version,
        ingredients: now.own.version,
      },
      things: thingsChanged(now.equipment.body, equipment),
      lists: [
        ...listsChanged(now.equipment.body, equipment),
        ...(prices && !same(now.prices.body, prices) ? ['prices'] : []),
      ],
      rules: rulesChanged(now.rules.body, rules),
      ingredients: ingredientsChanged(now.own.ingredients, ingredients),
      formulas: fresh.map(({ code, name, version }) => ({
        code,
        name,
        what: version === 1 ? ('new' as const) : ('changed' as const),
      })),
    };
    return { changes, equipment, rules, ingredients, prices, fresh };
  }

  /** Formulas may be of ingredients that come with them. */
  private checkFormulas(formulas: readonly Formula[], library: Library): void {
    for (const formula of formulas) {
      try {
        checkFormula(withFoods(formula, library));
      } catch (error) {
        if (!(error instanceof JokulError)) throw error;
        throw new JokulError(
          'bad-formula',
          `${formula.code}: ${error.message}`,
          `file.formulas.${formula.code}`,
        );
      }
    }
  }

  /**
   * Takes a file in that was looked at: all of it or nothing. Formulas that differ get their next version, equipment that
   * is not in it is retired; the journal, orders and plans stay.
   * @throws JokulError `changed-meanwhile`, and what looking at it refuses
   */
  async take({ file, withBakery, versions }: TakeSetupFileInput, who = ''): Promise<SetupChanges> {
    const createdAtMs = Math.round(await this.clock.nowMs());
    const now = await this.now();
    const { changes, equipment, rules, ingredients, prices, fresh } = this.changesBy(now, file, withBakery);
    if (!same(changes.versions, plain(versions))) throw changedMeanwhile();
    await changeRows(this.db, async (manager) => {
      const write = async (key: StoredName, body: unknown, version: number) => {
        const row = await manager.findOneBy(SettingEntity, { key });
        if ((row?.version ?? 0) !== version) throw changedMeanwhile();
        await keepChange(manager, key, row, body, who);
        await manager.save(SettingEntity, { key, body: pack(key, body), version: version + 1 });
      };
      await write('equipment', equipment, versions.equipment);
      await write('rules', rules, versions.rules);
      if (changes.ingredients.length > 0) await write('ingredients', ingredients, versions.ingredients);
      if (changes.lists.includes('prices')) await write('prices', prices, now.prices.version);
      if (withBakery)
        await write('bakery', { ...now.bakery.body, name: file.bakery.name.trim() }, now.bakery.version);
      for (const body of fresh) {
        const { code, version } = body;
        if (await manager.existsBy(FormulaVersionEntity, { code, version })) throw changedMeanwhile();
        await manager.insert(FormulaVersionEntity, { code, version, body, createdAtMs });
      }
    });
    return changes;
  }
}
