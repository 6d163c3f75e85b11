import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * The feed says whom a change reaches, and a visit how long it stays on a phone: a pull reads only what
 * is meant for it. The database keeps both by itself, so that no way of changing a visit can forget it.
 */
export class Reach1764180000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE feed ADD COLUMN reach uuid;
      UPDATE feed f SET reach = v.job_id FROM visit v WHERE f.kind = 'visit' AND v.id = f.ref;
      UPDATE feed f SET reach = s.job_id FROM sheet s WHERE f.kind = 'sheet' AND s.id = f.ref;
      UPDATE feed SET reach = ref WHERE kind = 'site';
      DELETE FROM feed WHERE kind IN ('action', 'media', 'mail');
      ALTER TABLE feed DROP CONSTRAINT feed_pkey;
      CREATE UNIQUE INDEX feed_once ON feed (org_id, reach, tx, kind, ref) NULLS NOT DISTINCT;

      -- The days of JOB_STATE_RULES in core; a test compares the two.
      CREATE FUNCTION last_day_on_phones(day date, state text) RETURNS date LANGUAGE sql IMMUTABLE AS $$
        SELECT CASE WHEN state IN ('planned', 'under way') THEN day + 30
                    WHEN state = 'returned' THEN 'infinity'
                    WHEN state IN ('closed', 'cancelled') THEN '-infinity' ELSE day + 2 END $$;
      ALTER TABLE visit ADD COLUMN until date NOT NULL DEFAULT 'infinity';
      UPDATE visit v SET until = last_day_on_phones(v.day, j.state) FROM job j WHERE j.id = v.job_id;
      DROP INDEX visit_by_person;
      CREATE INDEX visit_by_person ON visit (org_id, person_id, until);
      CREATE INDEX visit_by_day ON visit (org_id, day);

      CREATE FUNCTION keep_until() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        NEW.until := last_day_on_phones(NEW.day, (SELECT state FROM job WHERE id = NEW.job_id));
        RETURN NEW;
      END $$;
      CREATE TRIGGER visit_until BEFORE INSERT OR UPDATE OF day, until ON visit
        FOR EACH ROW EXECUTE FUNCTION keep_until();
      CREATE FUNCTION keep_visits_until() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        UPDATE visit SET until = until WHERE job_id = NEW.id;
        RETURN NULL;
      END $$;
      CREATE TRIGGER job_until AFTER UPDATE OF state ON job
        FOR EACH ROW WHEN (OLD.state <> NEW.state) EXECUTE FUNCTION keep_visits_until();

      -- Whoever had a visit hears that it went, was put off, or ends otherwise.
      CREATE FUNCTION tell_whoever_had_it() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO feed (org_id, kind, ref, reach) VALUES (OLD.org_id, 'visit', OLD.id, OLD.person_id)
          ON CONFLICT DO NOTHING;
        RETURN NULL;
      END $$;
      CREATE TRIGGER visit_given_away AFTER UPDATE ON visit FOR EACH ROW
        WHEN (OLD.person_id IS NOT NULL AND (OLD.person_id IS DISTINCT FROM NEW.person_id
              OR OLD.day <> NEW.day OR OLD.until <> NEW.until))
        EXECUTE FUNCTION tell_whoever_had_it();
      CREATE TRIGGER visit_gone AFTER DELETE ON visit FOR EACH ROW
        WHEN (OLD.person_id IS NOT NULL) EXECUTE FUNCTION tell_whoever_had_it();
    `);
  }

  down(): Promise<void> {
    return Promise.reject(new Error('What reached no phone is no longer in the feed.'));
  }
}
