import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How each person wants it, on whatever phone. */
export class Settings1764446400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE person ADD COLUMN settings jsonb NOT NULL DEFAULT '{}'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE person DROP COLUMN settings`);
  }
}
