import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Notes at a place, for whoever comes next. */
export class SiteNotes1764234000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE site_note (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        site_id uuid NOT NULL REFERENCES site, body text NOT NULL,
        by uuid NOT NULL REFERENCES person, at timestamptz NOT NULL,
        withdrawn_by uuid REFERENCES person,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX site_note_of_site ON site_note (org_id, site_id, id);
    `);
    await keepApart(runner, 'site_note', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE site_note');
  }
}
