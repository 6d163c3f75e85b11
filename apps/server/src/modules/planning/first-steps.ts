import type { FirstSteps } from '@ant-trail/contract/planning/desk';
import type { EntityManager } from 'typeorm';

/** What an organisation has by now of what it takes to come to a first report. */
export async function firstSteps(db: EntityManager): Promise<FirstSteps> {
  const [row] = await db.query<FirstSteps[]>(
    `SELECT (SELECT count(*) > 1 FROM (SELECT FROM person LIMIT 2) two) AS people,
            EXISTS (SELECT FROM client) AS clients, EXISTS (SELECT FROM site) AS places,
            EXISTS (SELECT FROM asset) AS things, EXISTS (SELECT FROM template) AS templates,
            EXISTS (SELECT FROM job) AS jobs, EXISTS (SELECT FROM approval) AS reports`,
  );
  if (!row) throw new Error('a question for one row has one answer');
  return row;
}
