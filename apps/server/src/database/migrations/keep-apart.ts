import type { QueryRunner } from 'typeorm';

/** Has a table show and take only rows of the organisation the connection works for. */
export async function keepApart(runner: QueryRunner, table: string, column: string): Promise<void> {
  // As a query of its own it is worked out once, and not for every row that is looked at.
  const own = `${column} = (SELECT NULLIF(current_setting('app.org_id', true), '')::uuid)`;
  await runner.query(`
    ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
    ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
    CREATE POLICY own_organisation ON ${table} USING (${own}) WITH CHECK (${own});
    GRANT SELECT, INSERT, UPDATE, DELETE ON ${table} TO trail_app;
  `);
}
