import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Arrival details can be taken off again. */
export class ArrivalWithdrawn1764453600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE arrival_detail ADD COLUMN withdrawn boolean NOT NULL DEFAULT false`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE arrival_detail DROP COLUMN withdrawn`);
  }
}
