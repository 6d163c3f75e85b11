import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The consents signed in a sheet are kept with its approval, each a file of its own. */
export class Consents1764849600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE approval ADD COLUMN consents jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(consents) = 'array');`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE approval DROP COLUMN consents;`);
  }
}
