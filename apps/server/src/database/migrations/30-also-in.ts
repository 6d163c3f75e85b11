import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A thing may belong to areas besides the one it stands in, each for what that area serves. */
export class AlsoIn1764550800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE asset ADD COLUMN also_in jsonb NOT NULL DEFAULT '[]'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE asset DROP COLUMN also_in`);
  }
}
