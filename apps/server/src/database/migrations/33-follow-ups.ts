import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** A job may follow another by the rule of its template, once for each sheet. */
export class FollowUps1764561600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job ADD COLUMN follows jsonb;
      CREATE TABLE follow_up (
        org_id uuid NOT NULL REFERENCES organisation, sheet_id uuid NOT NULL REFERENCES sheet,
        job_id uuid REFERENCES job, day date NOT NULL, trouble text,
        PRIMARY KEY (org_id, sheet_id)
      );
    `);
    await keepApart(runner, 'follow_up', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE follow_up; ALTER TABLE job DROP COLUMN follows');
  }
}
