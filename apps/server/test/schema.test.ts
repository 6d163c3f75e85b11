import { ROLES } from '@ant-trail/core/accounts';
import { ACTION_STATES } from '@ant-trail/core/actions';
import { JOB_DECISIONS, JOB_STATES, PARTS } from '@ant-trail/core/planning';
import { SEVERITIES } from '@ant-trail/core/sheet';
import { openOffice, type Office } from './support/office.ts';

let office: Office;
beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());

interface ColumnThere {
  readonly table_name: string;
  readonly column_name: string;
  readonly udt_name: string;
  readonly nullable: boolean;
  readonly given: boolean;
}

/** Types as entities and PostgreSQL call them. */
const SAME: Readonly<Record<string, string>> = {
  int: 'int4',
  bigint: 'int8',
  boolean: 'bool',
  'double precision': 'float8',
};

test('entities and the migrated schema know the same columns, of the same type', async () => {
  const found = await office.data.query<ColumnThere[]>(
    `SELECT table_name, column_name, udt_name, is_nullable = 'YES' AS nullable,
            column_default IS NOT NULL OR is_generated = 'ALWAYS' AS given
     FROM information_schema.columns WHERE table_schema = 'public'`,
  );
  const drifted: string[] = [];
  for (const { tableName, columns } of office.data.entityMetadatas) {
    const there = new Map(
      found
        .filter(({ table_name: table }) => table === tableName)
        .map((column) => [column.column_name, column]),
    );
    for (const column of columns) {
      const name = `${tableName}.${column.databaseName}`;
      const known = there.get(column.databaseName);
      there.delete(column.databaseName);
      if (!known) drifted.push(`${name} is not there`);
      else if (!column.relationMetadata) {
        const said = String(column.type);
        const type = `${column.isArray ? '_' : ''}${SAME[said] ?? said}`;
        if (known.udt_name !== type) drifted.push(`${name} is ${known.udt_name}, not ${type}`);
        if (known.nullable !== column.isNullable)
          drifted.push(`${name} is ${known.nullable ? '' : 'not '}nullable`);
      }
    }
    // What an entity leaves out has to be given by the database, or no row could be added.
    for (const { column_name: name, nullable, given } of there.values())
      if (!nullable && !given) drifted.push(`${tableName}.${name} is in no entity`);
  }
  expect(drifted).toEqual([]);
});

test('the database takes the states that core knows, and no other', async () => {
  const checks = await office.data.query<{ name: string; words: string }[]>(
    `SELECT c.conrelid::regclass || ' ' || a.attname AS name, pg_get_constraintdef(c.oid) AS words
     FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = ANY (c.conkey)
     WHERE c.contype = 'c' AND c.connamespace = 'public'::regnamespace`,
  );
  const taken = (name: string): string[] => {
    const words = checks.find((check) => check.name === name)?.words ?? '';
    return [...new Set([...words.matchAll(/'([^']+)'/g)].map(([, word]) => word ?? ''))].sort();
  };
  const lists: Readonly<Record<string, readonly string[]>> = {
    'job state': JOB_STATES,
    'job decision': JOB_DECISIONS,
    'job_decision decision': JOB_DECISIONS,
    'visit part': PARTS,
    'action state': ACTION_STATES,
    'action_move from_state': ACTION_STATES,
    'action_move to_state': ACTION_STATES,
    'person roles': ROLES,
  };
  for (const [name, list] of Object.entries(lists))
    expect([name, taken(name)]).toEqual([name, [...list].sort()]);
  const severity = checks.find(({ name }) => name === 'action severity')?.words;
  expect(severity).toContain(`<= ${SEVERITIES.at(-1)}`);
});
