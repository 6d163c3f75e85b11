import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What each sheet says by the keys of its questions, to find it among many. */
export class Records1764352800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE sheet ADD COLUMN record jsonb NOT NULL DEFAULT '{}';
      CREATE INDEX sheet_finished ON sheet (template_id, job_id)
        WHERE summary->>'stage' IN ('finished', 'approved');
      -- What the sheets of before say is folded once more.
      INSERT INTO sheet_due (org_id, sheet_id) SELECT org_id, id FROM sheet WHERE folded > 0
      ON CONFLICT DO NOTHING;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX sheet_finished; ALTER TABLE sheet DROP COLUMN record;`);
  }
}
