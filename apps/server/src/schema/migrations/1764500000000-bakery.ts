import { randomUUID } from 'node:crypto';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Every table that holds what a bakery wrote down. */
const tables = [
  'order_line',
  'standing_order',
  'formula_version',
  'setting',
  'setup_change',
  'plan',
  'journal_entry',
  'journal_head',
  'lot',
  'lot_counter',
] as const;

/**
 * Whose a row is: each says the id of its bakery, and a row of another one is refused by the database, by whatever way it
 * comes. The id is made once and goes along with every backup, so that records put together from several sites can be
 * told apart, and a bakery that moves to another machine is the same one there.
 *
 * Each statement may run again after a migration that was cut short.
 */
export class Bakery1764500000000 implements MigrationInterface {
  name = 'Bakery1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE IF NOT EXISTS `bakery` (`id` char(36) NOT NULL, `only` tinyint(1) NOT NULL DEFAULT 1, UNIQUE INDEX `IDX_bakery_only` (`only`), PRIMARY KEY (`id`), CONSTRAINT `CHK_bakery_only` CHECK (`only` = 1)) ENGINE=InnoDB',
    );
    await runner.query('INSERT IGNORE INTO `bakery` (`id`) VALUES (?)', [randomUUID()]);
    const [{ id } = { id: '' }] = (await runner.query('SELECT `id` FROM `bakery`')) as { id: string }[];
    for (const table of tables)
      await runner.query(
        `ALTER TABLE \`${table}\` ADD COLUMN IF NOT EXISTS \`bakery\` char(36) NOT NULL DEFAULT '${id}' CHECK (\`bakery\` = '${id}')`,
      );
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of tables)
      await runner.query(`ALTER TABLE \`${table}\` DROP COLUMN IF EXISTS \`bakery\``);
    await runner.query('DROP TABLE IF EXISTS `bakery`');
  }
}
