import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import type { DataSource } from 'typeorm';
import type { Role } from '@ant-trail/contract/accounts';
import { inOrganisation } from '../database/tenancy.ts';
import { Refusal } from '../refusals/refusal.ts';

export const SESSION_COOKIE = 'trail_session';
const SESSION_DAYS = 30;

export interface Session {
  readonly organisation: string;
  readonly person: string;
  readonly branch: string;
  readonly roles: readonly Role[];
  readonly until: Date;
  /** Hash of its token: what it is known by. */
  readonly token: string;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

export function tokenOf(request: { headers: { cookie?: string | undefined } }): string | undefined {
  return parseCookie(request.headers.cookie ?? '')[SESSION_COOKIE];
}

/** Who is calling; null when nobody is signed in. Only the token's hash is ever stored. */
export async function readSession(
  data: DataSource,
  request: { headers: { cookie?: string | undefined } },
): Promise<Session | null> {
  const token = tokenOf(request);
  if (!token) return null;
  const [found] = await data.query<
    { org_id: string; person_id: string; expires_at: Date; branch_id: string; roles: Role[] }[]
  >(`SELECT * FROM find_session($1)`, [hashOf(token)]);
  if (!found) return null;
  return {
    organisation: found.org_id,
    person: found.person_id,
    branch: found.branch_id,
    roles: found.roles,
    until: found.expires_at,
    token: hashOf(token),
  };
}

/** The header by which a window says for whom it asks: one browser has one session for all its windows. */
export const PERSON_HEADER = 'x-ant-trail-person';

/** Throws a Refusal where the request is meant for somebody else than who is signed in. */
export function mustBeMeant(
  session: Session,
  headers: Readonly<Record<string, string | string[] | undefined>>,
): void {
  const meant = headers[PERSON_HEADER];
  if (meant !== undefined && meant !== session.person)
    throw new Refusal(
      401,
      'someone-else',
      'Somebody else is signed in in this browser by now. Sign in again to go on.',
    );
}

/** Sessions in use do not end: one that is older than this gets its whole length again. */
const RENEW_AFTER_DAYS = 1;
const DAY_MS = 86_400_000;

/** Lengthens a session that is in use; gives the token to set anew, null where it is new enough. */
export async function renewSession(
  data: DataSource,
  session: Session,
  request: { headers: { cookie?: string | undefined } },
  now: number = Date.now(),
): Promise<string | null> {
  const left = session.until.getTime() - now;
  if (left > (SESSION_DAYS - RENEW_AFTER_DAYS) * DAY_MS) return null;
  const renewed = await inOrganisation(data, session.organisation, (db) =>
    db.query<[unknown[], number]>(
      `UPDATE session SET expires_at = now() + make_interval(days => $2)
       WHERE token_hash = $1 RETURNING token_hash`,
      [session.token, SESSION_DAYS],
    ),
  );
  return renewed[1] > 0 ? (tokenOf(request) ?? null) : null;
}

export async function openSession(
  data: DataSource,
  organisation: string,
  person: string,
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await inOrganisation(data, organisation, async (db) => {
    await db.query(`DELETE FROM session WHERE expires_at < now()`);
    await db.query(
      `INSERT INTO session (org_id, token_hash, person_id, expires_at)
       VALUES ($1, $2, $3, now() + make_interval(days => $4))`,
      [organisation, hashOf(token), person, SESSION_DAYS],
    );
  });
  return token;
}

export async function closeSession(data: DataSource, session: Session): Promise<void> {
  await inOrganisation(data, session.organisation, (db) =>
    db.query(`DELETE FROM session WHERE token_hash = $1`, [session.token]),
  );
}

/** The session's cookie: out of reach of scripts, and never sent from another site. */
export function sessionCookie(token: string, secure: boolean): string {
  return stringifySetCookie({
    name: SESSION_COOKIE,
    value: token,
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/',
    maxAge: token ? SESSION_DAYS * 86_400 : 0,
  });
}
