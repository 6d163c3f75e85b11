import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** What people say of their working days, what of it was put right, and which weeks are approved. */
export class Timesheet1764655200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE clock_entry (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        person_id uuid NOT NULL REFERENCES person, day date NOT NULL, body jsonb NOT NULL,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX clock_entry_of_day ON clock_entry (org_id, day, person_id);
      CREATE TABLE site_time (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        visit_id uuid NOT NULL REFERENCES visit, body jsonb NOT NULL,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX site_time_of_visit ON site_time (visit_id);
      CREATE TABLE hours_approval (
        org_id uuid NOT NULL REFERENCES organisation, person_id uuid NOT NULL REFERENCES person,
        monday date NOT NULL CHECK (extract(isodow FROM monday) = 1),
        minutes int NOT NULL, mark text NOT NULL, by uuid NOT NULL REFERENCES person,
        at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, person_id, monday)
      );
    `);
    for (const table of ['clock_entry', 'site_time', 'hours_approval'])
      await keepApart(runner, table, 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE hours_approval; DROP TABLE site_time; DROP TABLE clock_entry');
  }
}
