import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

export class Register1764057600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    // Phones make ids for what they find: the key holds the organisation, as for entries.
    await runner.query(`
      CREATE TABLE asset (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        site_id uuid NOT NULL REFERENCES site, kind text NOT NULL, name text NOT NULL,
        retired boolean NOT NULL DEFAULT false,
        found_in uuid REFERENCES sheet,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX asset_of_site ON asset (site_id);
    `);
    await keepApart(runner, 'asset', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE asset`);
  }
}
