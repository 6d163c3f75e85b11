import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

export class Catalogues1763986000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE catalogue (
        org_id uuid NOT NULL REFERENCES organisation, id uuid PRIMARY KEY,
        key text NOT NULL, name text NOT NULL, number int NOT NULL,
        imported_at timestamptz NOT NULL, columns jsonb NOT NULL, rows jsonb NOT NULL,
        UNIQUE (org_id, key)
      );
    `);
    await keepApart(runner, 'catalogue', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE catalogue`);
  }
}
