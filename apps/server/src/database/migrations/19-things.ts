import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Things stand in areas, have facts and labels, and what happened to them is kept. */
export class Things1764342000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE asset
        ADD COLUMN area boolean NOT NULL DEFAULT false,
        ADD COLUMN within uuid,
        ADD COLUMN condition text NOT NULL DEFAULT 'unknown'
          CONSTRAINT asset_condition_known CHECK (condition IN ('unknown', 'sound', 'watch', 'poor', 'failed')),
        ADD COLUMN facts jsonb NOT NULL DEFAULT '{}',
        ADD COLUMN purposes jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN words text NOT NULL GENERATED ALWAYS AS (lower(name || ' ' || kind)) STORED,
        ADD CONSTRAINT asset_within FOREIGN KEY (org_id, within) REFERENCES asset (org_id, id)
          DEFERRABLE INITIALLY DEFERRED;
      CREATE INDEX asset_by_name ON asset (org_id, name, id);
      CREATE INDEX asset_by_kind ON asset (org_id, kind, id);
      CREATE INDEX asset_held ON asset (org_id, within) WHERE within IS NOT NULL;
      CREATE TABLE asset_kind (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        name text NOT NULL, fields jsonb NOT NULL, PRIMARY KEY (org_id, id)
      );
      CREATE UNIQUE INDEX asset_kind_by_name ON asset_kind (org_id, lower(trim(name)));
      CREATE TABLE asset_event (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, asset_id uuid NOT NULL,
        kind text NOT NULL CONSTRAINT asset_event_kind_known CHECK (kind IN ('entered', 'found', 'renamed',
          'moved', 'condition', 'facts', 'retired', 'brought back', 'label bound', 'label taken off')),
        at timestamptz NOT NULL, by_id uuid REFERENCES person,
        was text NOT NULL, became text NOT NULL, note text NOT NULL,
        PRIMARY KEY (org_id, id), FOREIGN KEY (org_id, asset_id) REFERENCES asset (org_id, id)
      );
      CREATE INDEX asset_event_of ON asset_event (org_id, asset_id, id);
      CREATE TABLE sheet_thing (
        org_id uuid NOT NULL REFERENCES organisation,
        sheet_id uuid NOT NULL REFERENCES sheet ON DELETE CASCADE,
        asset_id uuid NOT NULL, said jsonb NOT NULL, PRIMARY KEY (sheet_id, asset_id)
      );
      CREATE INDEX sheet_thing_of ON sheet_thing (org_id, asset_id);
      CREATE TABLE tag (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        number text NOT NULL, asset_id uuid, bound_at timestamptz,
        PRIMARY KEY (org_id, id), UNIQUE (org_id, number),
        FOREIGN KEY (org_id, asset_id) REFERENCES asset (org_id, id)
      );
      CREATE UNIQUE INDEX tag_of_asset ON tag (org_id, asset_id) WHERE asset_id IS NOT NULL;
    `);
    await runner.query(`
      CREATE TABLE client (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        name text NOT NULL, number text NOT NULL, address text NOT NULL,
        contacts jsonb NOT NULL, note text NOT NULL,
        words text NOT NULL GENERATED ALWAYS AS (lower(name || ' ' || number || ' ' || address)) STORED,
        PRIMARY KEY (org_id, id)
      );
      CREATE UNIQUE INDEX client_by_name ON client (org_id, lower(trim(name)));
      CREATE INDEX client_in_order ON client (org_id, name, id);
      CREATE INDEX site_of_client ON site (org_id, lower(trim(client)));
      -- Clients were names at places: each becomes one of its own.
      INSERT INTO client (org_id, id, name, number, address, contacts, note)
        SELECT DISTINCT ON (org_id, lower(trim(client))) org_id, gen_random_uuid(), trim(client), '', '', '[]', ''
        FROM site WHERE trim(client) <> '' ORDER BY org_id, lower(trim(client)), id;
    `);
    await runner.query(`
      -- What opens only at the place: sealed before it comes here, under a key that is not in the database.
      CREATE TABLE arrival_detail (
        org_id uuid NOT NULL REFERENCES organisation, site_id uuid NOT NULL REFERENCES site,
        version int NOT NULL, code_id uuid NOT NULL, secrets jsonb NOT NULL,
        words jsonb NOT NULL, key jsonb NOT NULL, PRIMARY KEY (org_id, site_id)
      );
      CREATE TABLE arrival_opening (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        site_id uuid NOT NULL REFERENCES site, visit_id uuid REFERENCES visit ON DELETE SET NULL,
        person_id uuid NOT NULL REFERENCES person, at timestamptz NOT NULL,
        how text NOT NULL CONSTRAINT opened_how_known
          CHECK (how IN ('code', 'position', 'number', 'reason', 'office')),
        reason text NOT NULL, PRIMARY KEY (org_id, id)
      );
      CREATE INDEX arrival_opening_of ON arrival_opening (org_id, site_id, id);
    `);
    for (const table of [
      ...['asset_kind', 'asset_event', 'sheet_thing', 'tag', 'client'],
      ...['arrival_detail', 'arrival_opening'],
    ])
      await keepApart(runner, table, 'org_id');
    // A phone has all places of its person's branch, and what stands there.
    await runner.query(`
      CREATE OR REPLACE FUNCTION feed_for(whose uuid, today date, ahead date, since bigint, upto bigint, most bigint)
        RETURNS TABLE (tx bigint, kind text, ref uuid)
        LANGUAGE plpgsql STABLE SET plan_cache_mode = force_generic_plan AS $$
        #variable_conflict use_column
        BEGIN RETURN QUERY
          WITH own AS (
            SELECT j.id AS job, j.site_id AS site
            FROM visits_on_phone(whose, today, ahead) v JOIN job j ON j.id = v.job_id
          ), reached AS (
            SELECT job AS id FROM own UNION SELECT site FROM own UNION SELECT whose
            UNION SELECT branch_id FROM person WHERE id = whose
          )
          SELECT * FROM (
            SELECT f.tx, f.kind, f.ref FROM reached JOIN feed f ON f.reach = reached.id
              WHERE f.tx > since AND f.tx <= upto
            UNION
            SELECT f.tx, f.kind, f.ref FROM feed f WHERE f.reach IS NULL AND f.tx > since AND f.tx <= upto
          ) line ORDER BY 1, 2, 3 LIMIT most;
        END $$;
      CREATE INDEX site_of_branch ON site (branch_id, id);
    `);
    // Phones of before know nothing of other places: each is filled once more.
    await runner.query(`
      INSERT INTO feed_state (org_id, floor) SELECT id, own_transaction() FROM organisation
      ON CONFLICT (org_id) DO UPDATE SET floor = excluded.floor;
    `);
    // What the sheets of before say of things is folded once more.
    await runner.query(`
      INSERT INTO sheet_due (org_id, sheet_id) SELECT org_id, id FROM sheet WHERE folded > 0
      ON CONFLICT DO NOTHING;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP INDEX site_of_branch; DROP INDEX site_of_client; DROP TABLE client;
      DROP TABLE arrival_opening; DROP TABLE arrival_detail;
      DROP TABLE tag; DROP TABLE sheet_thing; DROP TABLE asset_event; DROP TABLE asset_kind;
      ALTER TABLE asset DROP COLUMN area, DROP COLUMN within, DROP COLUMN condition, DROP COLUMN facts,
        DROP COLUMN purposes, DROP COLUMN words;
    `);
  }
}
