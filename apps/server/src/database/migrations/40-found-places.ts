import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Places may be told from the field. */
export class FoundPlaces1764669600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE site ADD COLUMN found jsonb;
      CREATE INDEX site_found ON site (org_id) WHERE found IS NOT NULL;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE site DROP COLUMN found');
  }
}
