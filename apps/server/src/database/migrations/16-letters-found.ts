import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Letters are looked for by what they say and to whom they went. */
export class LettersFound1764331200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE mail_message ADD COLUMN words text NOT NULL DEFAULT '';
      -- Of letters that are there already, the heads as they went out.
      UPDATE mail_message SET words = lower(left(encode(raw, 'escape'), 4000));
      CREATE INDEX mail_message_by_time ON mail_message (org_id, received_at, id);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP INDEX mail_message_by_time;
      ALTER TABLE mail_message DROP COLUMN words;
    `);
  }
}
