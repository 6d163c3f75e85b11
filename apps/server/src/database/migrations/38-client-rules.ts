import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** What follows a sheet may be a client's own rule, above that of the template. */
export class ClientRules1764662400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE client_rule (
        org_id uuid NOT NULL REFERENCES organisation, client_id uuid NOT NULL,
        template_id uuid NOT NULL, follow_up jsonb,
        PRIMARY KEY (org_id, client_id, template_id),
        FOREIGN KEY (org_id, client_id) REFERENCES client
      );
    `);
    await keepApart(runner, 'client_rule', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE client_rule');
  }
}
