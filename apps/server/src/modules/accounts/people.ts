import type { Me, Person } from '@ant-trail/contract/accounts';
import { inZone, type LocalMoment } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notSignedIn } from '../../refusals/refusal.ts';
import { branchesOf } from './branches.ts';
import { BranchRow, OrganisationRow, PersonRow } from './entities.ts';
import { passKeysOf } from './pass-key.ts';

/** What belongs to a person and stands in tables of its own. */
export const WHOLE_PERSON = { credentials: true, branches: true } as const;

export function personOf(row: PersonRow): Person {
  return {
    id: row.id,
    name: row.name,
    email: row.email,
    phone: row.phone,
    roles: row.roles,
    trade: row.trade,
    retired: row.retired,
    joined: row.joined,
    skills: row.skills,
    hours: row.hours,
    absences: row.absences,
    startsAt: row.startsAt,
    vehicle: row.vehicle,
    branches: [...new Set([row.branch, ...row.branches.map(({ branch }) => branch)])],
    credentials: row.credentials.map(({ id, kind, number, issuer, expiresOn }) => ({
      id,
      kind,
      number,
      issuer,
      expiresOn,
    })),
  };
}

/** Everybody there is or was with their credentials: reports name who did what, and as what. */
export async function everybody(db: EntityManager): Promise<Person[]> {
  const rows = await db.find(PersonRow, { relations: WHOLE_PERSON });
  return rows.map(personOf);
}

/** Everybody there is or was, by name: what ids in jobs and sheets mean. */
export async function peopleNamed(
  db: EntityManager,
): Promise<Pick<Person, 'id' | 'name' | 'roles' | 'trade' | 'retired'>[]> {
  return db.find(PersonRow, {
    select: { id: true, name: true, roles: true, trade: true, retired: true },
    order: { name: 'ASC', id: 'ASC' },
  });
}

export async function describeMe(db: EntityManager, session: Session): Promise<Me> {
  const row = await db.findOne(PersonRow, {
    where: { id: session.person },
    relations: WHOLE_PERSON,
  });
  const keys = await passKeysOf(db, [session.person]);
  const organisation = await db.findOneBy(OrganisationRow, {
    id: session.organisation,
  });
  const branch = await db.findOneBy(BranchRow, { id: session.branch });
  if (!row || !organisation || !branch) throw notSignedIn();
  return {
    person: personOf(row),
    organisation: {
      id: organisation.id,
      name: organisation.name,
      timeZone: organisation.timeZone,
    },
    branch: { id: branch.id, name: branch.name },
    branches: await branchesOf(db, session.person),
    signedInUntil: session.until.toISOString(),
    settings: row.settings,
    passKey: keys.get(session.person),
  };
}

/** The organisation's calendar day and minute of the day, in its own time zone. */
export async function localNow(db: EntityManager, at = new Date()): Promise<LocalMoment> {
  const rows = await db.find(OrganisationRow);
  return inZone(at, rows[0]?.timeZone ?? 'UTC');
}
