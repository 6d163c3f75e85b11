import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** What people can, when they work, and for which branches; what clients demand; more of places. */
export class WhoSuits1764345600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE person
        ADD COLUMN skills text[] NOT NULL DEFAULT '{}',
        ADD COLUMN hours jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN absences jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN starts_at uuid REFERENCES site ON DELETE SET NULL,
        ADD COLUMN vehicle jsonb;
      ALTER TABLE site
        ADD COLUMN hazard_ends jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN radius double precision,
        ADD COLUMN owner text NOT NULL DEFAULT '';
      ALTER TABLE client ADD COLUMN demands jsonb NOT NULL DEFAULT '{}';
      CREATE UNIQUE INDEX branch_by_name ON branch (org_id, lower(trim(name)));
      -- person.branch_id is the one they are in now; these are all they may be in.
      CREATE TABLE person_branch (
        org_id uuid NOT NULL REFERENCES organisation,
        person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
        branch_id uuid NOT NULL REFERENCES branch, PRIMARY KEY (person_id, branch_id)
      );
      INSERT INTO person_branch (org_id, person_id, branch_id) SELECT org_id, id, branch_id FROM person;
    `);
    await keepApart(runner, 'person_branch', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE person_branch;
      DROP INDEX branch_by_name;
      ALTER TABLE client DROP COLUMN demands;
      ALTER TABLE site DROP COLUMN hazard_ends, DROP COLUMN radius, DROP COLUMN owner;
      ALTER TABLE person DROP COLUMN skills, DROP COLUMN hours, DROP COLUMN absences,
        DROP COLUMN starts_at, DROP COLUMN vehicle;
    `);
  }
}
