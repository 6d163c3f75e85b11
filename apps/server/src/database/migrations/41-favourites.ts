import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** What people want first where they begin work by themselves. */
export class Favourites1764673200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE favourite (
        org_id uuid NOT NULL REFERENCES organisation, person_id uuid NOT NULL REFERENCES person,
        ref uuid NOT NULL, of_what text NOT NULL CHECK (of_what IN ('place', 'sheet')),
        is_on boolean NOT NULL, said uuid NOT NULL,
        PRIMARY KEY (org_id, person_id, ref)
      );
    `);
    await keepApart(runner, 'favourite', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE favourite');
  }
}
