import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A thing may lie on the map as a shape of its own: a plot, a line, a point. */
export class Shapes1764464400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE asset ADD COLUMN shape jsonb;
      CREATE INDEX asset_shape ON asset (org_id) WHERE shape IS NOT NULL;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE asset DROP COLUMN shape`);
  }
}
