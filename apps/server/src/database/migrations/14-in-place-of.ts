import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A visit says in whose place it was planned, once: two who plan anew at once plan one visit. */
export class InPlaceOf1764241200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE visit ADD COLUMN instead_of uuid UNIQUE REFERENCES visit ON DELETE SET NULL`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE visit DROP COLUMN instead_of');
  }
}
