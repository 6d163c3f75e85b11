import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Somebody's visits are read by a calendar program that knows a secret; its hash alone is kept. */
export class CalendarLinks1764565200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE calendar_link (
        org_id uuid NOT NULL REFERENCES organisation, person_id uuid NOT NULL REFERENCES person,
        token_hash text NOT NULL UNIQUE, since timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, person_id)
      );
      -- Whoever is retired has no calendar any more.
      CREATE FUNCTION find_calendar(wanted text) RETURNS TABLE (org_id uuid, person_id uuid)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT c.org_id, c.person_id FROM calendar_link c JOIN person p ON p.id = c.person_id
           WHERE c.token_hash = wanted AND NOT p.retired $$;
      REVOKE ALL ON FUNCTION find_calendar(text) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION find_calendar(text) TO trail_app;
    `);
    await keepApart(runner, 'calendar_link', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION find_calendar(text); DROP TABLE calendar_link CASCADE');
  }
}
