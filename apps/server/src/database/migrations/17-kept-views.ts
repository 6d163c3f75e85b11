import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Ways of looking at lists, kept for each person on whatever computer they sit. */
export class KeptViews1764334800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE kept_view (
        org_id uuid NOT NULL REFERENCES organisation, person_id uuid NOT NULL REFERENCES person,
        list text NOT NULL, name text NOT NULL, query jsonb NOT NULL, hidden jsonb NOT NULL,
        PRIMARY KEY (org_id, person_id, list, name)
      );
    `);
    await keepApart(runner, 'kept_view', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE kept_view');
  }
}
