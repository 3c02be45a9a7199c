import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rebuildLots } from '../../lot/lot-rows.js';

/**
 * Each statement may run again after a migration that was cut short.
 *
 * Lots with names that are handed out once, and a table to look them up. Lots of before keep their names, which no new
 * one can get, and their entries are not touched: the chain stays as it was.
 */
export class Lots1764200000000 implements MigrationInterface {
  name = 'Lots1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE IF NOT EXISTS `lot` (`lot` varchar(80) COLLATE utf8mb4_nopad_bin NOT NULL, `firstMs` bigint NULL, `lastMs` bigint NULL, `inside` tinyint(1) NOT NULL, `worked` tinyint(1) NOT NULL, `begun` tinyint(1) NOT NULL, `inspected` tinyint(1) NOT NULL, `day` char(10) NULL, INDEX `IDX_lot_last` (`lastMs`), INDEX `IDX_lot_inside` (`inside`), INDEX `IDX_lot_inspected` (`inspected`, `lastMs`), PRIMARY KEY (`lot`)) ENGINE=InnoDB',
    );
    await runner.query(
      'CREATE TABLE IF NOT EXISTS `lot_counter` (`year` int NOT NULL, `last` int NOT NULL, PRIMARY KEY (`year`)) ENGINE=InnoDB',
    );
    await runner.query('CREATE INDEX IF NOT EXISTS `IDX_journal_kind` ON `journal_entry` (`kind`, `seq`)');
    await runner.query(
      'ALTER TABLE `journal_entry` MODIFY `lot` varchar(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL',
    );
    await rebuildLots(runner.manager);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX IF EXISTS `IDX_journal_kind` ON `journal_entry`');
    await runner.query('DROP TABLE IF EXISTS `lot_counter`');
    await runner.query('DROP TABLE IF EXISTS `lot`');
  }
}
