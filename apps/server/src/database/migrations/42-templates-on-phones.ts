import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Every phone has every template: those that are filled already hear of all of them. */
export class TemplatesOnPhones1764676800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      INSERT INTO feed (org_id, kind, ref, reach) SELECT org_id, 'template', id, NULL FROM template
      ON CONFLICT DO NOTHING
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DELETE FROM feed WHERE kind = 'template'`);
  }
}
