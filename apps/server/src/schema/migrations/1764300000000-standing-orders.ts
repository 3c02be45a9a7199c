import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Each statement may run again after a migration that was cut short. Lines of before are of no standing order. */
export class StandingOrders1764300000000 implements MigrationInterface {
  name = 'StandingOrders1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE IF NOT EXISTS `standing_order` (`id` char(36) NOT NULL, `customer` varchar(80) NOT NULL, `productCode` varchar(6) NOT NULL, `pieces` int NOT NULL, `readyBy` char(5) NOT NULL, `weekdays` varchar(7) NOT NULL, `fromDate` char(10) NOT NULL, `untilDate` char(10) NULL, `version` int NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `order_line` ADD COLUMN IF NOT EXISTS `standingId` char(36) NULL, ADD COLUMN IF NOT EXISTS `skipped` tinyint NOT NULL DEFAULT 0',
    );
    await runner.query(
      'CREATE UNIQUE INDEX IF NOT EXISTS `IDX_order_standing` ON `order_line` (`standingId`, `date`)',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX IF EXISTS `IDX_order_standing` ON `order_line`');
    await runner.query(
      'ALTER TABLE `order_line` DROP COLUMN IF EXISTS `skipped`, DROP COLUMN IF EXISTS `standingId`',
    );
    await runner.query('DROP TABLE IF EXISTS `standing_order`');
  }
}
