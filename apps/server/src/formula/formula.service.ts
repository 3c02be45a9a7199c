import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { checkFormula, productOf, JokulError, withFoods, type Formula, say } from '@jokul/core';
import type { FormulaInput, FormulaVersionView, NewFormulaInput } from '@jokul/contracts';
import { FormulaVersionEntity, PlanEntity } from '../database/entities.js';
import { ClockService } from '../clock/clock.service.js';
import { OwnIngredientsService } from '../ingredient/own-ingredients.service.js';
import { changeRows } from '../settings/settings.service.js';

/** Formulas by version. A version, once written, never changes: an edit makes the next one. */
@Injectable()
export class FormulaService {
  constructor(
    private readonly db: DataSource,
    private readonly own: OwnIngredientsService,
    private readonly clock: ClockService,
  ) {}

  /** The newest version of every formula, by code. */
  async latest(): Promise<readonly Formula[]> {
    const rows = await this.db.manager.find(FormulaVersionEntity, {
      order: { code: 'ASC', version: 'DESC' },
    });
    const library = await this.own.library();
    const seen = new Set<string>();
    return rows
      .filter((row) => !seen.has(row.code) && seen.add(row.code))
      .map((row) => withFoods(row.body, library));
  }

  /** Given versions of formulas, by code and version. */
  async versions(wanted: readonly { code: string; version: number }[]): Promise<readonly Formula[]> {
    const codes = [...new Set(wanted.map((w) => w.code))];
    if (codes.length === 0) return [];
    const rows = await this.db.manager.findBy(FormulaVersionEntity, { code: In(codes) });
    const library = await this.own.library();
    return rows
      .filter((row) => wanted.some((w) => w.code === row.code && w.version === row.version))
      .map((row) => withFoods(row.body, library));
  }

  /**
   * The version that each lot was made by: as its plan says, else the newest that was there at the time.
   * @param lots the lot's name (its code comes first) and when it was baked
   */
  async madeBy(
    lots: readonly { readonly lot: string; readonly atMs: number }[],
  ): Promise<ReadonlyMap<string, Formula>> {
    const rows = await this.db.manager.find(FormulaVersionEntity, { order: { version: 'ASC' } });
    const plans = await this.db.manager
      .createQueryBuilder(PlanEntity, 'p')
      .select("JSON_EXTRACT(p.body, '$.batchFormula')", 'versions')
      .getRawMany<{ versions: string | Record<string, number> }>();
    const planned = new Map(
      plans.flatMap(({ versions }) =>
        Object.entries(
          typeof versions === 'string' ? (JSON.parse(versions) as Record<string, number>) : versions,
        ),
      ),
    );
    const library = await this.own.library();
    const found = new Map<string, Formula>();
    for (const { lot, atMs } of lots) {
      const own = rows.filter(({ code }) => code === productOf(lot));
      const row =
        own.find(({ version }) => version === planned.get(lot)) ??
        own.findLast(({ createdAtMs }) => createdAtMs <= atMs) ??
        own[0];
      if (row) found.set(lot, withFoods(row.body, library));
    }
    return found;
  }

  /** All versions of one formula, the newest first, with how many batches were made by each. */
  async history(code: string): Promise<readonly FormulaVersionView[]> {
    const rows = await this.db.manager.find(FormulaVersionEntity, {
      where: { code },
      order: { version: 'DESC' },
    });
    if (rows.length === 0)
      throw new JokulError('unknown-formula', say`There is no formula "${code}".`, 'code');
    const plans = await this.db.manager.find(PlanEntity);
    const used = plans.flatMap((plan) =>
      Object.entries((plan.body as { batchFormula: Record<string, number> }).batchFormula),
    );
    const library = await this.own.library();
    return rows.map((row) => ({
      formula: withFoods(row.body, library),
      createdAtMs: row.createdAtMs,
      usedBy: used.filter(([batchId, version]) => batchId.startsWith(`${code}-`) && version === row.version)
        .length,
    }));
  }

  /** A formula that is new. @throws JokulError `formula-exists` for a code that is taken */
  async create(input: NewFormulaInput): Promise<Formula> {
    const library = await this.own.library();
    const formula: Formula = { ...input, version: 1 };
    checkFormula(withFoods(formula, library));
    // Asked before: inside, a second connection could wait for ever behind those that wait for this one.
    const createdAtMs = Math.round(await this.clock.nowMs());
    return changeRows(this.db, async (manager) => {
      const taken = await manager.existsBy(FormulaVersionEntity, { code: input.code });
      if (taken)
        throw new JokulError(
          'formula-exists',
          say`There is a formula ${input.code} already. Give this one another code.`,
          'code',
        );
      await manager.insert(FormulaVersionEntity, {
        code: input.code,
        version: 1,
        body: formula,
        createdAtMs,
      });
      return withFoods(formula, library);
    });
  }

  /** Saves an edit as the next version. @throws JokulError `formula-changed` when another edit came first */
  async save(code: string, { baseVersion, ...body }: FormulaInput): Promise<Formula> {
    const library = await this.own.library();
    const createdAtMs = Math.round(await this.clock.nowMs());
    return changeRows(this.db, async (manager) => {
      const [last] = await manager.find(FormulaVersionEntity, {
        where: { code },
        order: { version: 'DESC' },
        take: 1,
      });
      if (!last) throw new JokulError('unknown-formula', say`There is no formula "${code}".`, 'code');
      if (last.version !== baseVersion) {
        throw new JokulError(
          'formula-changed',
          say`Somebody else saved version ${last.version} meanwhile. Compare it with yours, then save again.`,
          'baseVersion',
        );
      }
      const formula: Formula = { ...body, code, version: last.version + 1 };
      checkFormula(withFoods(formula, library));
      await manager.insert(FormulaVersionEntity, {
        code,
        version: formula.version,
        body: formula,
        createdAtMs,
      });
      return withFoods(formula, library);
    });
  }
}
