import { randomBytes, randomUUID } from 'node:crypto';
import type { ArrivalDraft, ArrivalSeal, ArrivalState, Opening } from '@ant-trail/contract/arrival';
import { timeOrderedId } from '@ant-trail/core/log';
import {
  aboutKey,
  aboutWords,
  CODE_KEY_BYTES,
  IV_BYTES,
  KEY_BYTES,
  keyOfCode,
  readBytes,
  seal,
  unseal,
  writeBytes,
  writePlaceCode,
} from '@ant-trail/core/sealed';
import { numberOfId, readTagNumber } from '@ant-trail/core/tags';
import { In, type EntityManager } from 'typeorm';
import { z } from 'zod';
import { announce } from '../../database/feed.ts';
import { oneAtATime } from '../../database/lock.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { SiteRow } from '../sites/entities.ts';
import { tellOfSites } from '../sites/tell.ts';
import { ArrivalDetailRow, ArrivalOpeningRow } from './entities.ts';

const aboutSecrets = (site: string): string => `secrets of arrival ${site}`;

const Secrets = z.object({ words: z.string(), code: z.string() });

interface Keys {
  readonly words: Uint8Array;
  readonly code: Uint8Array;
}

/** The keys of a place's details, as the organisation's own key opens them. */
async function keysOf(row: ArrivalDetailRow, own: Uint8Array): Promise<Keys> {
  const text = await unseal(own, row.secrets, aboutSecrets(row.site));
  const read = text === null ? null : Secrets.parse(JSON.parse(text));
  const words = read && readBytes(read.words, KEY_BYTES);
  const code = read && readBytes(read.code, CODE_KEY_BYTES);
  if (!words || !code)
    throw new Refusal(
      409,
      'other-key',
      'These details were sealed with a key this office does not have any more. Write them again.',
    );
  return { words, code };
}

/** Writes a place's arrival details, in the place of those before; the code that hangs there still opens them. */
export const writeDetails = (
  db: EntityManager,
  organisation: string,
  own: Uint8Array,
  site: string,
  draft: ArrivalDraft,
): Promise<ArrivalState> => keep(db, organisation, own, site, { ...draft, withdrawn: false });

/** Takes a place's arrival details off: nothing of them stays, here or on phones. The openings do. */
export async function takeOffDetails(
  db: EntityManager,
  organisation: string,
  own: Uint8Array,
  site: string,
  after: number,
): Promise<ArrivalState> {
  await findDetails(db, site);
  return keep(db, organisation, own, site, { words: '', after, withdrawn: true });
}

async function keep(
  db: EntityManager,
  organisation: string,
  own: Uint8Array,
  site: string,
  { words, after, withdrawn }: ArrivalDraft & { readonly withdrawn: boolean },
): Promise<ArrivalState> {
  if (!(await db.existsBy(SiteRow, { id: site }))) throw notFound('This place');
  await oneAtATime(db, 'arrival details', site);
  const before = await db.findOneBy(ArrivalDetailRow, { site });
  if ((before?.version ?? 0) !== after)
    throw new Refusal(
      409,
      'written-meanwhile',
      'Somebody else wrote these details meanwhile. Read them before you write over them.',
    );
  const version = after + 1;
  const code = before ? (await keysOf(before, own).catch(() => null))?.code : undefined;
  const keys: Keys = {
    words: randomBytes(KEY_BYTES),
    code: code ?? randomBytes(CODE_KEY_BYTES),
  };
  const iv = (): Uint8Array => randomBytes(IV_BYTES);
  const codeKey = await keyOfCode(keys.code, site);
  const row: ArrivalDetailRow = {
    ...{ org: organisation, site, version, withdrawn },
    code: code && before ? before.code : randomUUID(),
    secrets: await seal(
      own,
      iv(),
      JSON.stringify({ words: writeBytes(keys.words), code: writeBytes(keys.code) }),
      aboutSecrets(site),
    ),
    words: await seal(keys.words, iv(), words, aboutWords(site, version)),
    key: await seal(codeKey, iv(), writeBytes(keys.words), aboutKey(site, version)),
  };
  await db.save(ArrivalDetailRow, row);
  await tellOfSites(db, organisation, [{ kind: 'arrival', ref: site, site }]);
  return stateOf(db, site);
}

async function findDetails(db: EntityManager, site: string): Promise<ArrivalDetailRow> {
  const row = await db.findOneBy(ArrivalDetailRow, { site, withdrawn: false });
  if (!row) throw notFound('What you look for at this place');
  return row;
}

/** The words themselves; whoever calls this notes who reads them. */
export async function readDetails(
  db: EntityManager,
  own: Uint8Array,
  site: string,
): Promise<string> {
  const row = await findDetails(db, site);
  const { words: key } = await keysOf(row, own);
  const words = await unseal(key, row.words, aboutWords(site, row.version));
  if (words === null) throw new Error('arrival details are damaged');
  return words;
}

/** What is printed and hung at the place. */
export async function placeCode(
  db: EntityManager,
  own: Uint8Array,
  site: string,
): Promise<{ code: string; number: string }> {
  const row = await findDetails(db, site);
  const { code: key } = await keysOf(row, own);
  return { code: writePlaceCode({ id: row.code, key }), number: numberOfId(row.code) };
}

/** Whether somebody typed the number on the place's sheet. */
export async function isPlaceNumber(
  db: EntityManager,
  site: string,
  typed: string,
): Promise<boolean> {
  return readTagNumber(typed) === numberOfId((await findDetails(db, site)).code);
}

const OPENINGS_SHOWN = 50;

const openingOf = ({ id, person, at, how, reason }: ArrivalOpeningRow): Opening => ({
  ...{ id, by: person, how, reason },
  at: at.toISOString(),
});

/** Whether a place has such details, and who read them; never the details. */
export async function stateOf(db: EntityManager, site: string): Promise<ArrivalState> {
  const row = await db.findOneBy(ArrivalDetailRow, { site });
  const openings = await db.find(ArrivalOpeningRow, {
    where: { site },
    order: { id: 'DESC' },
    take: OPENINGS_SHOWN,
  });
  return {
    version: row?.version ?? 0,
    isThere: row?.withdrawn === false,
    openings: openings.map(openingOf),
  };
}

/** What phones keep of places that have such details: sealed, so that nothing of it can be read. */
export async function sealsOf(db: EntityManager, sites: readonly string[]): Promise<ArrivalSeal[]> {
  const rows = await db.findBy(ArrivalDetailRow, { site: In([...sites]) });
  return rows.map(({ site, code, version, words, key, withdrawn }) => ({
    ...{ id: site, code, version, words, key, withdrawn },
  }));
}

export interface Opened {
  /** Made by the phone, where it opened them itself. */
  readonly id?: string;
  readonly site: string;
  readonly visit: string | null;
  readonly person: string;
  readonly how: Opening['how'];
  readonly reason?: string;
  readonly at?: Date;
}

/** Notes that somebody read a place's details, and tells the desks; false where it was noted already. */
export async function noteOpening(
  db: EntityManager,
  org: string,
  { id, site, visit, person, how, reason = '', at = new Date() }: Opened,
): Promise<boolean> {
  const row = { org, site, visit, person, how, reason, at };
  const added = await db
    .createQueryBuilder()
    .insert()
    .into(ArrivalOpeningRow)
    .values({ ...row, id: id ?? timeOrderedId(at.getTime(), randomBytes(16)) })
    .orIgnore()
    .returning('id')
    .execute();
  if ((added.raw as unknown[]).length === 0) return false;
  await announce(db, org, [{ kind: 'opening', ref: site }]);
  return true;
}
