import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Rounds, what was made of them day by day, and the holidays they go round. */
export class Rounds1764554400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE round (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, branch_id uuid NOT NULL,
        name text NOT NULL, rule text NOT NULL, begins date NOT NULL, without jsonb NOT NULL,
        besides jsonb NOT NULL,
        on_holidays text NOT NULL CONSTRAINT holidays_known CHECK (on_holidays IN
          ('as ever', 'left out', 'the working day after', 'the working day before')),
        start int NOT NULL, person_id uuid, instructions text NOT NULL, recipients jsonb NOT NULL,
        reader_id uuid, stops jsonb NOT NULL, edition int NOT NULL DEFAULT 1,
        retired boolean NOT NULL DEFAULT false, trouble text, changed_by uuid NOT NULL,
        words text NOT NULL GENERATED ALWAYS AS (lower(name)) STORED,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX round_by_name ON round (org_id, name, id);
      CREATE TABLE round_walk (
        org_id uuid NOT NULL, id uuid NOT NULL, round_id uuid NOT NULL, due date NOT NULL,
        day date NOT NULL, edition int NOT NULL, withdrawn boolean NOT NULL DEFAULT false,
        troubles jsonb NOT NULL DEFAULT '[]', planned jsonb NOT NULL DEFAULT '[]', made_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (org_id, id),
        FOREIGN KEY (org_id, round_id) REFERENCES round (org_id, id)
      );
      -- However often a round is made ahead, a day of it is made once.
      CREATE UNIQUE INDEX round_walked_once ON round_walk (org_id, round_id, due)
        WHERE NOT withdrawn;
      CREATE TABLE holiday (
        org_id uuid NOT NULL REFERENCES organisation, day date NOT NULL, name text NOT NULL,
        PRIMARY KEY (org_id, day)
      );
      ALTER TABLE sheet ADD COLUMN left_out jsonb;
      ALTER TABLE job ADD COLUMN round jsonb;
      ALTER TABLE job ADD COLUMN walk_id uuid GENERATED ALWAYS AS ((round->>'walk')::uuid) STORED;
      CREATE INDEX job_of_walk ON job (org_id, walk_id) WHERE walk_id IS NOT NULL;
    `);
    for (const table of ['round', 'round_walk', 'holiday'])
      await keepApart(runner, table, 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE sheet DROP COLUMN left_out;
      ALTER TABLE job DROP COLUMN walk_id, DROP COLUMN round;
      DROP TABLE holiday, round_walk, round CASCADE;
    `);
  }
}
