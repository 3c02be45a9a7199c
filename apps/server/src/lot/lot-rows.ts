import { In, type EntityManager } from 'typeorm';
import { followsAlone, lotRow, rowAfter, type DraftEntry, type LotRow } from '@jokul/core';
import { JournalEntryEntity } from '../database/entities.js';

/* The table of lots, kept with the entries in one transaction. */

const columns = '(`lot`, `firstMs`, `lastMs`, `inside`, `worked`, `begun`, `inspected`)';

const values = (row: LotRow) => [
  row.lot,
  row.firstMs,
  row.lastMs,
  Number(row.inside),
  Number(row.worked),
  Number(row.begun),
  Number(row.inspected),
];
const places = (rows: readonly unknown[]) => rows.map(() => '(?, ?, ?, ?, ?, ?, ?)').join(', ');

/** Adds what further entries say to rows that follow them alone. @param rows the places of the values */
export const addRows = (rows: string): string =>
  `INSERT INTO \`lot\` ${columns} VALUES ${rows} ON DUPLICATE KEY UPDATE
      \`firstMs\` = LEAST(COALESCE(\`firstMs\`, VALUES(\`firstMs\`)), VALUES(\`firstMs\`)),
      \`lastMs\` = GREATEST(COALESCE(\`lastMs\`, 0), VALUES(\`lastMs\`)),
      \`worked\` = \`worked\` OR VALUES(\`worked\`),
      \`begun\` = \`begun\` OR VALUES(\`begun\`),
      \`inspected\` = \`inspected\` OR VALUES(\`inspected\`)`;

/** What two further entries add to one row: as `addRows` does with the row that is there. */
const both = (one: LotRow, other: LotRow): LotRow => ({
  ...one,
  firstMs: Math.min(one.firstMs, other.firstMs),
  lastMs: Math.max(one.lastMs, other.lastMs),
  worked: one.worked || other.worked,
  begun: one.begun || other.begun,
  inspected: one.inspected || other.inspected,
});

/** The values for `addRows`: of each lot one row, for all that was written of it. */
export const rowsAfter = (entries: readonly DraftEntry[]): readonly (readonly unknown[])[] => {
  const rows = new Map<string, LotRow>();
  for (const entry of entries) {
    const row = rowAfter(entry);
    const known = rows.get(row.lot);
    rows.set(row.lot, known ? both(known, row) : row);
  }
  return [...rows.values()].map(values);
};

const add = async (manager: EntityManager, entries: readonly DraftEntry[]): Promise<void> => {
  if (entries.length > 0) await manager.query(addRows('?'), [rowsAfter(entries)]);
};

const write = async (manager: EntityManager, rows: readonly LotRow[]): Promise<void> => {
  if (rows.length === 0) return;
  await manager.query(
    `INSERT INTO \`lot\` ${columns} VALUES ${places(rows)} ON DUPLICATE KEY UPDATE
      \`firstMs\` = VALUES(\`firstMs\`), \`lastMs\` = VALUES(\`lastMs\`), \`inside\` = VALUES(\`inside\`),
      \`worked\` = VALUES(\`worked\`), \`begun\` = VALUES(\`begun\`), \`inspected\` = VALUES(\`inspected\`)`,
    rows.flatMap(values),
  );
};

/** Makes the rows of some lots anew from all of their entries. */
const remake = async (manager: EntityManager, lots: readonly string[]): Promise<void> => {
  if (lots.length === 0) return;
  const found = await manager.find(JournalEntryEntity, {
    where: { lot: In([...lots]) },
    order: { seq: 'ASC' },
  });
  const entries = new Map<string, DraftEntry[]>();
  for (const row of found) {
    const own = entries.get(row.lot) ?? [];
    own.push(row as unknown as DraftEntry);
    entries.set(row.lot, own);
  }
  const strikes = await manager.query<{ entryId: string }[]>(
    "SELECT JSON_VALUE(`payload`, '$.entryId') AS entryId FROM `journal_entry` WHERE `kind` = 'struck'",
  );
  const struck = new Set(strikes.map(({ entryId }) => entryId));
  await write(
    manager,
    [...entries].map(([lot, own]) => lotRow(lot, own, struck)),
  );
};

/** Brings the rows up to entries that were just stored, in the same transaction. */
export const followEntries = async (
  manager: EntityManager,
  entries: readonly DraftEntry[],
): Promise<void> => {
  const targets = entries.flatMap((e) => (e.kind === 'struck' ? [e.payload.entryId] : []));
  const struckLots =
    targets.length === 0
      ? []
      : await manager.find(JournalEntryEntity, {
          where: { id: In(targets) },
          select: { seq: true, lot: true },
        });
  const again = new Set([
    ...entries.filter(({ kind }) => !followsAlone(kind)).map(({ lot }) => lot),
    ...struckLots.map(({ lot }) => lot),
  ]);
  await add(
    manager,
    entries.filter(({ lot }) => !again.has(lot)),
  );
  await remake(manager, [...again]);
};

/** Makes every row anew from the entries; what is only planned stays. */
export const rebuildLots = async (manager: EntityManager): Promise<number> => {
  const lots = await manager.query<{ lot: string }[]>(
    'SELECT DISTINCT `lot` FROM `journal_entry` ORDER BY `lot`',
  );
  for (let i = 0; i < lots.length; i += 100)
    await remake(
      manager,
      lots.slice(i, i + 100).map(({ lot }) => lot),
    );
  return lots.length;
};
