import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import type { DataSource } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';

const COOKIE = 'trail_device';
const DAYS_KNOWN = 365;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Whether somebody signed in to this account from this browser before. It opens nothing by itself. */
export async function isKnownDevice(
  data: DataSource,
  request: { headers: { cookie?: string | undefined } },
  email: string,
): Promise<boolean> {
  const token = parseCookie(request.headers.cookie ?? '')[COOKIE];
  if (!token) return false;
  const [row] = await data.query<{ known: boolean }[]>(`SELECT is_known_device($1, $2) AS known`, [
    hashOf(token),
    email,
  ]);
  return row?.known === true;
}

/** Remembers the browser somebody signs in from; gives the token it is known by. */
export async function knowDevice(
  data: DataSource,
  organisation: string,
  person: string,
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await inOrganisation(data, organisation, async (db) => {
    await db.query(
      `DELETE FROM known_device WHERE signed_in_at < now() - make_interval(days => $1)`,
      [DAYS_KNOWN],
    );
    await db.query(`INSERT INTO known_device (org_id, token_hash, person_id) VALUES ($1, $2, $3)`, [
      organisation,
      hashOf(token),
      person,
    ]);
  });
  return token;
}

export const knownDeviceCookie = (token: string, secure: boolean): string =>
  stringifySetCookie({
    name: COOKIE,
    value: token,
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/api/sign-in',
    maxAge: DAYS_KNOWN * 86_400,
  });
