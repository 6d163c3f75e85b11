import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Words of their own for some who get the report, and who has had it: each gets it once. */
export class WordsForRecipients1764763200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job ADD COLUMN letter_words jsonb NOT NULL DEFAULT '{}';
      ALTER TABLE approval ADD COLUMN mailed_to jsonb NOT NULL DEFAULT '[]';
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE approval DROP COLUMN mailed_to;
      ALTER TABLE job DROP COLUMN letter_words;
    `);
  }
}
