import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Who calls, and how far the feed goes, are asked with every pull: as functions whose plan is kept with
 * the connection they cost half of what they did.
 */
export class AskedAtOnce1764230400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE OR REPLACE FUNCTION find_session(wanted text)
        RETURNS TABLE (org_id uuid, person_id uuid, expires_at timestamptz, branch_id uuid, roles text[])
        LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
        #variable_conflict use_column
        BEGIN RETURN QUERY
          SELECT s.org_id, s.person_id, s.expires_at, p.branch_id, p.roles
          FROM session s JOIN person p ON p.id = s.person_id
          WHERE s.token_hash = wanted AND s.expires_at > now() AND NOT p.retired;
        END $$;

      CREATE FUNCTION feed_end()
        RETURNS TABLE (today date, upto bigint, beyond bigint, epoch text, floor bigint)
        LANGUAGE plpgsql STABLE AS $$
        #variable_conflict use_column
        BEGIN RETURN QUERY
          SELECT (now() AT TIME ZONE o.time_zone)::date,
                 pg_snapshot_xmin(snapshot)::text::bigint - 1, pg_snapshot_xmax(snapshot)::text::bigint,
                 (SELECT s.epoch::text FROM feed_state s), (SELECT s.floor FROM feed_state s)
          FROM organisation o, pg_current_snapshot() AS snapshot;
        END $$;
      REVOKE ALL ON FUNCTION feed_end() FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION feed_end() TO trail_app;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION feed_end()');
  }
}
