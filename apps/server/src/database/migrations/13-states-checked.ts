import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The database takes no state that nobody knows; a test compares these lists with the tables of core. */
export class StatesChecked1764237600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job ADD CONSTRAINT job_state_known CHECK (state IN ('draft', 'planned', 'under way',
        'turned back', 'finished', 'in review', 'returned', 'approved', 'closed', 'cancelled'));
      ALTER TABLE action ADD CONSTRAINT action_state_known
        CHECK (state IN ('open', 'in hand', 'done', 'verified', 'dropped'));
      ALTER TABLE action_move ADD CONSTRAINT action_move_states_known CHECK (
        from_state IN ('open', 'in hand', 'done', 'verified', 'dropped') AND
        to_state IN ('open', 'in hand', 'done', 'verified', 'dropped'));
      ALTER TABLE action ADD CONSTRAINT action_severity_known CHECK (severity BETWEEN 0 AND 4);
      ALTER TABLE person ADD CONSTRAINT person_roles_known
        CHECK (roles <@ ARRAY['manager', 'reviewer', 'technician', 'administrator']);
      ALTER TABLE visit ADD CONSTRAINT visit_within_a_day
        CHECK (start BETWEEN 0 AND 1439 AND minutes BETWEEN 1 AND 1440);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job DROP CONSTRAINT job_state_known;
      ALTER TABLE action DROP CONSTRAINT action_state_known, DROP CONSTRAINT action_severity_known;
      ALTER TABLE action_move DROP CONSTRAINT action_move_states_known;
      ALTER TABLE person DROP CONSTRAINT person_roles_known;
      ALTER TABLE visit DROP CONSTRAINT visit_within_a_day;
    `);
  }
}
