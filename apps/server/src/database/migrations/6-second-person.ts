import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Each person has a key of their own (244 random bits, hex), by which their phone passes hold points. */
export class SecondPerson1764122400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE person ADD COLUMN pass_key text NOT NULL
         DEFAULT replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '')`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE person DROP COLUMN pass_key`);
  }
}
