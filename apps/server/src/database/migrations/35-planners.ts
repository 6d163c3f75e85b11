import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Who plans just now, and which day they look at. */
export class Planners1764651600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE planner (
        org_id uuid NOT NULL REFERENCES organisation, person_id uuid NOT NULL REFERENCES person,
        day date NOT NULL, seen timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, person_id)
      );
    `);
    await keepApart(runner, 'planner', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE planner');
  }
}
