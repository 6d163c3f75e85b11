import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** A job has any number of sheets and visits; who has a part in it, and what the office decided. */
export class Parts1764126000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE sheet DROP CONSTRAINT sheet_job_id_key;
      ALTER TABLE sheet ADD COLUMN template_id uuid REFERENCES template, ADD COLUMN title text,
        ADD COLUMN person_id uuid REFERENCES person, ADD COLUMN asset_id uuid,
        ADD COLUMN expected boolean NOT NULL DEFAULT true, ADD COLUMN place int NOT NULL DEFAULT 0,
        ADD COLUMN added_by uuid REFERENCES person;
      UPDATE sheet SET template_id = v.template_id, title = v.body->>'title' FROM template_version v WHERE v.id = version_id;
      ALTER TABLE sheet ALTER COLUMN template_id SET NOT NULL, ALTER COLUMN title SET NOT NULL;
      CREATE INDEX sheet_by_job ON sheet (job_id);
      CREATE INDEX sheet_in_review ON sheet (org_id) WHERE summary->>'stage' = 'finished';
      ALTER TABLE visit DROP CONSTRAINT visit_job_id_key;
      ALTER TABLE visit ADD COLUMN part text NOT NULL DEFAULT 'leads' CHECK (part IN ('leads', 'helps'));
      CREATE INDEX visit_by_job ON visit (job_id);
      ALTER TABLE job ADD COLUMN expected_sheets int CHECK (expected_sheets BETWEEN 1 AND 500),
        ADD COLUMN decision text CHECK (decision IN ('cancelled', 'closed', 'reopened'));
      UPDATE job SET decision = 'cancelled' WHERE cancelled;
      ALTER TABLE job DROP COLUMN cancelled;
      ALTER TABLE reading ADD COLUMN asset_id uuid;
      CREATE TABLE job_decision (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        job_id uuid NOT NULL REFERENCES job ON DELETE CASCADE,
        decision text NOT NULL CHECK (decision IN ('cancelled', 'closed', 'reopened')),
        reason text NOT NULL, by uuid NOT NULL REFERENCES person, at timestamptz NOT NULL DEFAULT now()
      );
      CREATE INDEX job_decision_by_job ON job_decision (job_id);
      CREATE TABLE handover (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        job_id uuid NOT NULL REFERENCES job ON DELETE CASCADE,
        from_person uuid NOT NULL REFERENCES person, body jsonb NOT NULL,
        received_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (org_id, id)
      );
      CREATE INDEX handover_by_job ON handover (job_id);
    `);
    await keepApart(runner, 'job_decision', 'org_id');
    await keepApart(runner, 'handover', 'org_id');
  }

  down(): Promise<void> {
    return Promise.reject(new Error('Jobs may have several sheets and visits by now.'));
  }
}
