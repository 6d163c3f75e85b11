import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/**
 * The feed and the log are numbered by the transaction that wrote them: no counter is locked, and a
 * reader who stops below the oldest one still running misses nothing. What is projected from a
 * sheet's log follows later, for sheets that are due.
 */
export class FeedByTransaction1764090000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE FUNCTION own_transaction() RETURNS bigint LANGUAGE sql VOLATILE AS
        $$ SELECT pg_current_xact_id()::text::bigint $$;
      DROP TABLE feed;
      DROP TABLE feed_counter;
      CREATE TABLE feed (
        org_id uuid NOT NULL REFERENCES organisation, tx bigint NOT NULL DEFAULT own_transaction(),
        kind text NOT NULL, ref uuid NOT NULL, at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, tx, kind, ref)
      );
      CREATE INDEX feed_by_age ON feed (org_id, at);
      CREATE TABLE feed_state (
        org_id uuid PRIMARY KEY REFERENCES organisation,
        epoch text NOT NULL DEFAULT 'first', floor bigint NOT NULL DEFAULT 0
      );
      CREATE SCHEMA house;
      CREATE TABLE house.place (
        one boolean PRIMARY KEY DEFAULT true CHECK (one), cluster text NOT NULL
      );
      DROP INDEX entry_by_sheet;
      ALTER TABLE entry DROP COLUMN seq;
      ALTER TABLE entry ADD COLUMN tx bigint NOT NULL DEFAULT 0;
      ALTER TABLE entry ALTER COLUMN tx SET DEFAULT own_transaction();
      ALTER TABLE entry ADD COLUMN path text GENERATED ALWAYS AS (body->>'path') STORED;
      ALTER TABLE entry ADD COLUMN prev text GENERATED ALWAYS AS (body->>'prev') STORED;
      ALTER TABLE entry ADD COLUMN hash text;
      ALTER TABLE entry ADD COLUMN odd text[] NOT NULL DEFAULT '{}';
      CREATE INDEX entry_by_sheet ON entry (sheet_id, tx);
      CREATE INDEX entry_stage ON entry (sheet_id) WHERE path = '~stage';
      CREATE INDEX entry_by_hash ON entry (org_id, hash);
      CREATE INDEX entry_by_prev ON entry (org_id, prev) WHERE prev IS NOT NULL;
      ALTER TABLE sheet ADD COLUMN folded int NOT NULL DEFAULT 0;
      ALTER TABLE sheet ADD COLUMN carried jsonb NOT NULL DEFAULT '[]';
      ALTER TABLE sheet ADD COLUMN trouble text;
      CREATE TABLE sheet_due (
        org_id uuid NOT NULL REFERENCES organisation,
        sheet_id uuid NOT NULL REFERENCES sheet ON DELETE CASCADE,
        mark bigint NOT NULL DEFAULT own_transaction(), PRIMARY KEY (org_id, sheet_id)
      );
      INSERT INTO sheet_due (org_id, sheet_id, mark) SELECT org_id, id, 0 FROM sheet;
      CREATE TABLE approval (
        org_id uuid NOT NULL REFERENCES organisation,
        sheet_id uuid NOT NULL REFERENCES sheet ON DELETE CASCADE, entry_id uuid NOT NULL,
        approved_at timestamptz NOT NULL, approved_by uuid NOT NULL,
        summary jsonb NOT NULL, answers jsonb NOT NULL,
        report text, report_name text, mailed_at timestamptz, trouble text,
        PRIMARY KEY (org_id, sheet_id, entry_id)
      );
      -- What was approved before was mailed then: it must not go out again when sheets are folded anew.
      INSERT INTO approval (org_id, sheet_id, entry_id, approved_at, approved_by, summary, answers, mailed_at)
        SELECT s.org_id, s.id, e.id, (e.body->>'at')::timestamptz, (e.body->>'by')::uuid, s.summary, '[]', now()
        FROM sheet s
          JOIN LATERAL (SELECT id, body FROM entry WHERE sheet_id = s.id AND body->>'kind' = 'approve'
                        ORDER BY id DESC LIMIT 1) e ON true
        WHERE s.summary->>'stage' = 'approved';
    `);
    for (const table of ['feed', 'feed_state', 'sheet_due', 'approval'])
      await keepApart(runner, table, 'org_id');
    await runner.query(`
      CREATE FUNCTION organisations_due() RETURNS SETOF uuid
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT DISTINCT org_id FROM sheet_due $$;
      CREATE FUNCTION all_organisations() RETURNS SETOF uuid
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT id FROM organisation $$;
      REVOKE ALL ON FUNCTION organisations_due(), all_organisations() FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION organisations_due(), all_organisations(), own_transaction()
        TO trail_app;
    `);
  }

  down(): Promise<void> {
    return Promise.reject(new Error('The numbers of the old feed are gone: restore a backup.'));
  }
}
