import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Messages between the office and people on their trails. */
export class Messages1764658800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE message (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        person_id uuid NOT NULL REFERENCES person, visit_id uuid REFERENCES visit,
        body jsonb NOT NULL, seen_at timestamptz,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX message_of_person ON message (org_id, person_id, id);
      CREATE INDEX message_of_visit ON message (visit_id);
    `);
    await keepApart(runner, 'message', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE message');
  }
}
