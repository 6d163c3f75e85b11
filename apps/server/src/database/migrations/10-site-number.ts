import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A site has the number its client knows it by; it is found by that too. */
export class SiteNumber1764187200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE site ADD COLUMN number text NOT NULL DEFAULT '';
      ALTER TABLE site DROP COLUMN words;
      ALTER TABLE site ADD COLUMN words text NOT NULL
        GENERATED ALWAYS AS (lower(name || ' ' || client || ' ' || number)) STORED;
    `);
  }

  down(): Promise<void> {
    return Promise.reject(new Error('Numbers may have been written by now.'));
  }
}
