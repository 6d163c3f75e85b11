import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Whoever answers for a place signs for a job; a job takes some of a vehicle. */
export class Signing1764666000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job ADD COLUMN signing jsonb, ADD COLUMN takes jsonb NOT NULL DEFAULT '[]';
      CREATE TABLE signed_on_site (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        job_id uuid NOT NULL REFERENCES job, body jsonb NOT NULL,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX signed_on_site_of_job ON signed_on_site (job_id);
    `);
    await keepApart(runner, 'signed_on_site', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'DROP TABLE signed_on_site; ALTER TABLE job DROP COLUMN signing, DROP COLUMN takes',
    );
  }
}
