import { randomUUID } from 'node:crypto';
import type { Branch } from '@ant-trail/contract/accounts';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { BranchRow } from './entities.ts';

export async function allBranches(db: EntityManager): Promise<Branch[]> {
  const rows = await db.find(BranchRow, { order: { name: 'ASC', id: 'ASC' } });
  return rows.map(({ id, name }) => ({ id, name }));
}

/** Adds a branch, or gives one another name. */
export async function keepBranch(
  db: EntityManager,
  org: string,
  own: string | null,
  name: string,
): Promise<Branch> {
  const [taken] = await db.query<{ id: string }[]>(
    `SELECT id FROM branch WHERE lower(trim(name)) = lower(trim($1))`,
    [name],
  );
  if (taken && taken.id !== own)
    throw new Refusal(409, 'there-already', `There is a branch called “${name}” already.`, [
      { field: 'name', message: 'There is one of this name already.' },
    ]);
  const id = own ?? randomUUID();
  if (own === null) await db.insert(BranchRow, { id, org, name });
  else if ((await db.update(BranchRow, { id }, { name })).affected === 0)
    throw notFound('This branch');
  await announce(db, org, [{ kind: 'branch', ref: id }]);
  return { id, name };
}

/** The branches somebody may be in, the one they are in now among them. */
export async function branchesOf(db: EntityManager, person: string): Promise<Branch[]> {
  return db.query<Branch[]>(
    `SELECT b.id, b.name FROM branch b WHERE EXISTS (SELECT 1 FROM person p
       WHERE p.id = $1 AND p.branch_id = b.id)
     OR EXISTS (SELECT 1 FROM person_branch pb WHERE pb.person_id = $1 AND pb.branch_id = b.id)
     ORDER BY b.name, b.id`,
    [person],
  );
}

/** Somebody goes on in another of their branches, on all their devices. */
export async function changeBranch(
  db: EntityManager,
  { person, organisation }: Session,
  branch: string,
): Promise<void> {
  if (!(await branchesOf(db, person)).some(({ id }) => id === branch))
    throw new Refusal(404, 'other-branch', 'You do not work for this branch. Ask the office.');
  await db.query(`UPDATE person SET branch_id = $2 WHERE id = $1`, [person, branch]);
  await announce(db, organisation, [{ kind: 'person', ref: person, reach: null }]);
}
