import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Tables whose rows belong to an organisation, and are kept apart by row-level security. */
const TENANT_TABLES = [
  'branch',
  'person',
  'credential',
  'session',
  'site',
  'template',
  'template_version',
  'job',
  'visit',
  'visit_event',
  'sheet',
  'entry',
  'reading',
  'media',
  'action',
  'action_move',
  'feed_counter',
  'feed',
  'mail_message',
];

export class FirstWalk1763900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    // Rows whose ids phones make are keyed with their organisation: an id that another organisation
    // happens to have must neither clash with it nor reveal it.
    await runner.query(`
      CREATE TABLE organisation (
        id uuid PRIMARY KEY, name text NOT NULL, time_zone text NOT NULL
      );
      CREATE TABLE branch (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY, name text NOT NULL
      );
      CREATE TABLE person (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        branch_id uuid NOT NULL REFERENCES branch, name text NOT NULL,
        email text NOT NULL UNIQUE CHECK (email = lower(email)), phone text NOT NULL,
        roles text[] NOT NULL, trade text NOT NULL, password_hash text NOT NULL
      );
      CREATE TABLE credential (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
        kind text NOT NULL, number text NOT NULL, issuer text NOT NULL, expires_on date NOT NULL
      );
      CREATE TABLE session (
        org_id uuid NOT NULL REFERENCES organisation, token_hash text PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
        expires_at timestamptz NOT NULL
      );
      CREATE TABLE site (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        branch_id uuid NOT NULL REFERENCES branch,
        name text NOT NULL, client text NOT NULL, address text NOT NULL,
        lat double precision NOT NULL, lon double precision NOT NULL, access text NOT NULL,
        hazards jsonb NOT NULL, contacts jsonb NOT NULL
      );
      CREATE TABLE template (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY, title text NOT NULL
      );
      CREATE TABLE template_version (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        template_id uuid NOT NULL REFERENCES template, number int NOT NULL,
        published_at timestamptz NOT NULL, body jsonb NOT NULL,
        UNIQUE (template_id, number)
      );
      CREATE TABLE job (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        branch_id uuid NOT NULL REFERENCES branch, site_id uuid NOT NULL REFERENCES site,
        template_id uuid NOT NULL REFERENCES template, title text NOT NULL,
        instructions text NOT NULL, day date NOT NULL, window_from int, window_to int,
        recipients jsonb NOT NULL, cancelled boolean NOT NULL DEFAULT false,
        state text NOT NULL, created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE INDEX job_by_day ON job (org_id, day);
      CREATE INDEX job_by_state ON job (org_id, state);
      CREATE TABLE visit (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        job_id uuid NOT NULL UNIQUE REFERENCES job ON DELETE CASCADE,
        person_id uuid REFERENCES person, day date NOT NULL, start int NOT NULL,
        minutes int NOT NULL
      );
      CREATE INDEX visit_by_person ON visit (org_id, person_id, day);
      CREATE TABLE visit_event (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        visit_id uuid NOT NULL REFERENCES visit ON DELETE CASCADE,
        body jsonb NOT NULL, received_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX visit_event_by_visit ON visit_event (visit_id);
      CREATE TABLE sheet (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        job_id uuid NOT NULL UNIQUE REFERENCES job ON DELETE CASCADE,
        version_id uuid NOT NULL REFERENCES template_version, summary jsonb NOT NULL
      );
      CREATE TABLE entry (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, seq bigint NOT NULL,
        sheet_id uuid NOT NULL REFERENCES sheet ON DELETE CASCADE,
        body jsonb NOT NULL, received_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX entry_by_sheet ON entry (sheet_id, seq);
      CREATE TABLE reading (
        org_id uuid NOT NULL REFERENCES organisation, sheet_id uuid NOT NULL REFERENCES sheet ON DELETE CASCADE,
        site_id uuid NOT NULL, template_id uuid NOT NULL, key text NOT NULL,
        at timestamptz NOT NULL, value double precision NOT NULL,
        PRIMARY KEY (sheet_id, key)
      );
      CREATE INDEX reading_series ON reading (org_id, site_id, template_id, at);
      CREATE TABLE media (
        org_id uuid NOT NULL REFERENCES organisation, sha256 text NOT NULL, type text NOT NULL,
        bytes int NOT NULL, by uuid NOT NULL, received_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, sha256)
      );
      CREATE TABLE action (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        site_id uuid NOT NULL REFERENCES site, sheet_id uuid REFERENCES sheet, key text,
        title text NOT NULL, details text NOT NULL, severity int NOT NULL,
        owner_id uuid NOT NULL REFERENCES person, due_on date NOT NULL, state text NOT NULL,
        created_by uuid NOT NULL REFERENCES person, created_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, id)
      );
      CREATE TABLE action_move (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        action_id uuid NOT NULL,
        from_state text NOT NULL, to_state text NOT NULL, by uuid NOT NULL,
        at timestamptz NOT NULL DEFAULT now(), note text NOT NULL,
        FOREIGN KEY (org_id, action_id) REFERENCES action ON DELETE CASCADE
      );
      CREATE TABLE feed_counter (
        org_id uuid PRIMARY KEY REFERENCES organisation, last bigint NOT NULL
      );
      CREATE TABLE feed (
        org_id uuid NOT NULL REFERENCES organisation, seq bigint NOT NULL,
        kind text NOT NULL, ref uuid NOT NULL, PRIMARY KEY (org_id, seq)
      );
      CREATE TABLE mail_message (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY, raw bytea NOT NULL,
        received_at timestamptz NOT NULL DEFAULT now()
      );
    `);
    for (const table of TENANT_TABLES) await keepApart(runner, table, 'org_id');
    await keepApart(runner, 'organisation', 'id');

    // Signing in and finding a session come before the organisation is known: these two functions
    // are the only way past row-level security, and each gives back one exact match.
    await runner.query(`
      CREATE FUNCTION find_sign_in(wanted text)
        RETURNS TABLE (org_id uuid, person_id uuid, password_hash text)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT p.org_id, p.id, p.password_hash FROM person p WHERE p.email = lower(wanted) $$;
      CREATE FUNCTION find_session(wanted text)
        RETURNS TABLE (org_id uuid, person_id uuid, expires_at timestamptz)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT s.org_id, s.person_id, s.expires_at FROM session s
           WHERE s.token_hash = wanted AND s.expires_at > now() $$;
      REVOKE ALL ON FUNCTION find_sign_in(text), find_session(text) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION find_sign_in(text), find_session(text) TO trail_app;
    `);
  }

  down(): Promise<void> {
    return Promise.reject(
      new Error('The first migration is not undone: begin a fresh database instead.'),
    );
  }
}
