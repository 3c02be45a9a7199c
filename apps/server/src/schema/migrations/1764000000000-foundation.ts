import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = [
  'CREATE TABLE IF NOT EXISTS `order_line` (`id` char(36) NOT NULL, `date` char(10) NOT NULL, `customer` varchar(80) NOT NULL, `productCode` varchar(6) NOT NULL, `pieces` int NOT NULL, `readyBy` char(5) NOT NULL, `version` int NOT NULL, INDEX `IDX_d37336d5aaba21bc170d895cf6` (`date`), PRIMARY KEY (`id`)) ENGINE=InnoDB',
  'CREATE TABLE IF NOT EXISTS `formula_version` (`code` varchar(6) NOT NULL, `version` int NOT NULL, `body` json NOT NULL, `createdAtMs` bigint NOT NULL, PRIMARY KEY (`code`, `version`)) ENGINE=InnoDB',
  'CREATE TABLE IF NOT EXISTS `setting` (`key` varchar(40) NOT NULL, `body` json NOT NULL, `version` int NOT NULL, PRIMARY KEY (`key`)) ENGINE=InnoDB',
  'CREATE TABLE IF NOT EXISTS `plan` (`date` char(10) NOT NULL, `version` int NOT NULL, `body` json NOT NULL, `inputHash` char(64) NOT NULL, PRIMARY KEY (`date`)) ENGINE=InnoDB',
  'CREATE TABLE IF NOT EXISTS `journal_entry` (`seq` bigint NOT NULL, `id` char(36) NOT NULL, `atMs` bigint NOT NULL, `who` varchar(80) NOT NULL, `device` varchar(80) NOT NULL, `lot` varchar(80) NOT NULL, `kind` varchar(20) NOT NULL, `payload` json NOT NULL, `prevHash` char(64) NOT NULL, `hash` char(64) NOT NULL, UNIQUE INDEX `IDX_69167f660c807d2aa178f0bd7e` (`id`), INDEX `IDX_1502c45760dfdba9d16e1c4948` (`atMs`), INDEX `IDX_911152e3aed92646cc7d51ccbf` (`lot`), PRIMARY KEY (`seq`)) ENGINE=InnoDB',
  'CREATE TABLE IF NOT EXISTS `journal_head` (`id` int NOT NULL, `seq` bigint NOT NULL, `hash` char(64) NOT NULL, `revision` bigint NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB',
];

/**
 * The first schema: bake list, formula versions, settings, plans and the journal. MariaDB commits after each table, so
 * a migration that was cut short must be able to run again.
 */
export class Foundation1764000000000 implements MigrationInterface {
  name = 'Foundation1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) await runner.query(table);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of [
      'journal_head',
      'journal_entry',
      'plan',
      'setting',
      'formula_version',
      'order_line',
    ]) {
      await runner.query(`DROP TABLE IF EXISTS \`${name}\``);
    }
  }
}
