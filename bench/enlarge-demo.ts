import { Client } from 'pg';

/** Enlarges the demo's organisation by statements of its own, which are given its id. Gives what `ask` finds then. */
export async function enlargeDemo<Found extends object>(
  url: string,
  steps: (organisation: string) => readonly string[],
  ask?: string,
): Promise<Found | undefined> {
  const client = new Client({ connectionString: url });
  await client.connect();
  const [own] = (
    await client.query<{ id: string }>(
      `SELECT id FROM organisation WHERE name = 'Tarnhollow Upkeep'`,
    )
  ).rows;
  const organisation = own?.id ?? '';
  await client.query(`SELECT set_config('app.org_id', $1, false)`, [organisation]);
  for (const step of steps(organisation)) await client.query(step);
  const [found] = ask ? (await client.query<Found>(ask)).rows : [];
  await client.end();
  return found;
}
