import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** From whom visits were taken: what they had written by then, with no network, is taken in. */
export class TakenVisits1764338400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE taken_visit (
        org_id uuid NOT NULL REFERENCES organisation,
        visit_id uuid NOT NULL REFERENCES visit ON DELETE CASCADE,
        person_id uuid NOT NULL REFERENCES person, at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, visit_id, person_id)
      );
    `);
    await keepApart(runner, 'taken_visit', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE taken_visit');
  }
}
