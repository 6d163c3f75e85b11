import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** One person may work for several organisations under one address; who is calling is one question. */
export class SignIn1764093600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE person DROP CONSTRAINT person_email_key;
      ALTER TABLE person ADD CONSTRAINT person_email_key UNIQUE (org_id, email);
      CREATE INDEX person_by_email ON person (email);
      DROP FUNCTION find_sign_in(text);
      CREATE FUNCTION find_sign_in(wanted text)
        RETURNS TABLE (org_id uuid, organisation text, person_id uuid, password_hash text)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT p.org_id, o.name, p.id, p.password_hash
           FROM person p JOIN organisation o ON o.id = p.org_id
           WHERE p.email = lower(wanted) ORDER BY o.name LIMIT 20 $$;
      DROP FUNCTION find_session(text);
      CREATE FUNCTION find_session(wanted text)
        RETURNS TABLE (org_id uuid, person_id uuid, expires_at timestamptz, branch_id uuid, roles text[])
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT s.org_id, s.person_id, s.expires_at, p.branch_id, p.roles
           FROM session s JOIN person p ON p.id = s.person_id
           WHERE s.token_hash = wanted AND s.expires_at > now() $$;
      CREATE TABLE known_device (
        org_id uuid NOT NULL REFERENCES organisation, token_hash text PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
        signed_in_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE FUNCTION is_known_device(token text, wanted text) RETURNS boolean
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT EXISTS (SELECT 1 FROM known_device d JOIN person p ON p.id = d.person_id
                          WHERE d.token_hash = token AND p.email = lower(wanted)) $$;
      REVOKE ALL ON FUNCTION find_sign_in(text), find_session(text), is_known_device(text, text)
        FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION find_sign_in(text), find_session(text), is_known_device(text, text)
        TO trail_app;
    `);
    await keepApart(runner, 'known_device', 'org_id');
  }

  down(): Promise<void> {
    return Promise.reject(new Error('Addresses may stand in several organisations by now.'));
  }
}
