import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the setup was before each change. Changes of before are not known. */
export class SetupHistory1764400000000 implements MigrationInterface {
  name = 'SetupHistory1764400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE IF NOT EXISTS `setup_change` (`id` int NOT NULL AUTO_INCREMENT, `key` varchar(40) NOT NULL, `version` int NOT NULL, `atMs` bigint NOT NULL, `who` varchar(80) NOT NULL, `before` json NOT NULL, `what` json NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS `setup_change`');
  }
}
