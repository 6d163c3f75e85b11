import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A job may name who is to read its sheets. */
export class Readers1764327600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE job ADD COLUMN reader_id uuid REFERENCES person`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN reader_id');
  }
}
