import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Words to whoever is at a place that somebody is on the way. */
export class OnTheWay1764558000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE on_the_way (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, visit_id uuid NOT NULL,
        body jsonb NOT NULL,
        outcome text NOT NULL CONSTRAINT outcome_known CHECK
          (outcome IN ('waiting', 'sent', 'too late')),
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX on_the_way_to ON on_the_way (org_id, visit_id);
    `);
    await keepApart(runner, 'on_the_way', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE on_the_way CASCADE');
  }
}
