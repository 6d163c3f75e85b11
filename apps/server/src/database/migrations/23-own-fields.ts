import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Fields the office defines for its jobs, places and clients, and what is known by them. */
export class OwnFields1764439200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE own_fields (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL,
        holder text NOT NULL CONSTRAINT holder_known CHECK (holder IN ('job', 'place', 'client')),
        fields jsonb NOT NULL, reported jsonb NOT NULL,
        PRIMARY KEY (org_id, id), UNIQUE (org_id, holder)
      );
    `);
    await keepApart(runner, 'own_fields', 'org_id');
    await own(runner, 'job', `lower(title || ' ' || own_words)`);
    await own(runner, 'site', `lower(name || ' ' || client || ' ' || number || ' ' || own_words)`);
    await own(
      runner,
      'client',
      `lower(name || ' ' || number || ' ' || address || ' ' || own_words)`,
    );
  }

  down(): Promise<void> {
    return Promise.reject(new Error('Something may be known by own fields by now.'));
  }
}

/** A table's rows know something by own fields, and are found by its words too. */
const own = (runner: QueryRunner, table: string, words: string): Promise<unknown> =>
  runner.query(`
    ALTER TABLE ${table}
      ADD COLUMN own jsonb NOT NULL DEFAULT '{}',
      ADD COLUMN own_found jsonb NOT NULL DEFAULT '{}',
      ADD COLUMN own_words text NOT NULL DEFAULT '',
      DROP COLUMN words;
    ALTER TABLE ${table} ADD COLUMN words text NOT NULL GENERATED ALWAYS AS (${words}) STORED;
  `);
