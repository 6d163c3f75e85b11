import { randomUUID } from 'node:crypto';
import type { PersonDraft } from '@ant-trail/contract/accounts';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { BranchRow, CredentialRow, PersonBranchRow, PersonRow } from './entities.ts';
import { WHOLE_PERSON } from './people.ts';

/** Adds a person; they have no password until they take up their invitation. */
export async function addPerson(
  db: EntityManager,
  session: Session,
  draft: PersonDraft,
): Promise<string> {
  mustBeTheirsToGive(session, draft.roles);
  const { credentials, branches = [session.branch], ...plain } = draft;
  await mustBeFree(db, draft.email, null);
  await mustBeThere(db, draft);
  const id = randomUUID();
  const branch = branches.includes(session.branch) ? session.branch : branches[0];
  await db.insert(PersonRow, {
    ...{ ...plain, id, org: session.organisation, branch: branch ?? session.branch },
    ...{ passwordHash: null, retired: false },
  });
  await keepCredentials(db, session.organisation, id, credentials);
  await keepBranches(db, session.organisation, id, branches);
  await announcePerson(db, session.organisation, id);
  return id;
}

/** Changes a person. Nobody changes what they may do themselves. */
export async function changePerson(
  db: EntityManager,
  session: Session,
  id: string,
  draft: PersonDraft,
): Promise<void> {
  const row = await findPerson(db, id);
  const sameRoles =
    draft.roles.length === row.roles.length &&
    draft.roles.every((role) => row.roles.includes(role));
  if (!sameRoles) {
    if (id === session.person)
      throw new Refusal(403, 'own-roles', 'Nobody changes their own roles. Ask a colleague.');
    mustBeTheirsToGive(session, [...draft.roles, ...row.roles]);
  }
  // Whoever has another's address can have a new password sent to it.
  if (draft.email !== row.email) mustBeTheirsToGive(session, row.roles);
  await mustBeFree(db, draft.email, id);
  await mustBeThere(db, draft);
  const { credentials, branches, ...plain } = draft;
  await db.update(PersonRow, { id }, plain);
  if (branches) await keepBranches(db, session.organisation, id, branches);
  await db.delete(CredentialRow, { person: { id } });
  await keepCredentials(db, session.organisation, id, credentials);
  await announcePerson(db, session.organisation, id);
}

/** Retires a person, or takes them back. What they did stays theirs. */
export async function retirePerson(
  db: EntityManager,
  session: Session,
  id: string,
  retired: boolean,
): Promise<void> {
  const row = await findPerson(db, id);
  if (id === session.person)
    throw new Refusal(403, 'own-end', 'Nobody retires themselves. Ask a colleague.');
  mustBeTheirsToGive(session, row.roles);
  await db.update(PersonRow, { id }, { retired });
  if (retired) await db.query(`DELETE FROM invitation WHERE person_id = $1`, [id]);
  if (retired) await db.query(`DELETE FROM session WHERE person_id = $1`, [id]);
  await announcePerson(db, session.organisation, id);
}

/** Whoever gets an invitation can sign in as that person. */
export async function mayInvite(db: EntityManager, session: Session, id: string): Promise<void> {
  const row = await findPerson(db, id);
  mustBeTheirsToGive(session, row.roles);
  if (row.retired)
    throw new Refusal(409, 'retired', `${row.name} is retired. Take them back first.`);
}

export async function findPerson(db: EntityManager, id: string): Promise<PersonRow> {
  const row = await db.findOne(PersonRow, { where: { id }, relations: WHOLE_PERSON });
  if (!row) throw notFound('This person');
  return row;
}

/** Only an administrator makes administrators, or takes from them. */
function mustBeTheirsToGive(session: Session, roles: readonly string[]): void {
  if (roles.includes('administrator') && !session.roles.includes('administrator'))
    throw new Refusal(403, 'administrators', 'Only an administrator looks after administrators.');
}

async function mustBeFree(db: EntityManager, email: string, own: string | null): Promise<void> {
  const taken = await db.findOneBy(PersonRow, { email });
  if (taken && taken.id !== own)
    throw new Refusal(409, 'address-taken', `${taken.name} has this e-mail address already.`, [
      { field: 'email', message: `${taken.name} has it already.` },
    ]);
}

/** What a draft names has to be there. */
async function mustBeThere(
  db: EntityManager,
  { branches, startsAt }: Pick<PersonDraft, 'branches' | 'startsAt'>,
): Promise<void> {
  const wanted = new Set(branches);
  if (wanted.size > 0 && (await db.countBy(BranchRow, { id: In([...wanted]) })) < wanted.size)
    throw notFound('One of these branches');
  if (!startsAt) return;
  const [site] = await db.query<unknown[]>(`SELECT 1 FROM site WHERE id = $1`, [startsAt]);
  if (!site) throw notFound('The place the day begins at');
}

/** The branches somebody may be in; who is in another by now goes on in the first of these. */
async function keepBranches(
  db: EntityManager,
  org: string,
  person: string,
  branches: readonly string[],
): Promise<void> {
  await db.delete(PersonBranchRow, { personId: person });
  await db.insert(
    PersonBranchRow,
    [...new Set(branches)].map((branch) => ({ branch, personId: person, org })),
  );
  await db.query(
    `UPDATE person SET branch_id = $2 WHERE id = $1 AND branch_id <> ALL ($3::uuid[])`,
    [person, branches[0], branches],
  );
}

async function keepCredentials(
  db: EntityManager,
  org: string,
  person: string,
  credentials: PersonDraft['credentials'],
): Promise<void> {
  if (credentials.length > 0)
    await db.insert(
      CredentialRow,
      credentials.map((each) => ({ ...each, id: randomUUID(), org, person: { id: person } })),
    );
}

const announcePerson = (db: EntityManager, organisation: string, id: string): Promise<void> =>
  announce(db, organisation, [{ kind: 'person', ref: id, reach: null }]);
