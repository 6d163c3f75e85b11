import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** What people tell their office about the application. */
export class Feedback1764450000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE feedback (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, said text NOT NULL,
        picture text, screen text NOT NULL, version text NOT NULL, device text NOT NULL,
        by uuid NOT NULL, at timestamptz NOT NULL, PRIMARY KEY (org_id, id)
      );
      CREATE INDEX feedback_newest ON feedback (org_id, at DESC, id DESC);
    `);
    await keepApart(runner, 'feedback', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE feedback');
  }
}
