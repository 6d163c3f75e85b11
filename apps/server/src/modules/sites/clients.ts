import { randomUUID } from 'node:crypto';
import type { Client, ClientDraft, ClientsQuery } from '@ant-trail/contract/sites';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { narrowBy } from '../fields/narrow-by.ts';
import { ownAs, ownGiven } from '../fields/own-fields.ts';
import { ClientRow } from './entities.ts';
import { tellOfSites } from './tell.ts';

/** Clients that are looked for, a page at a time. */
export async function listClients(
  db: EntityManager,
  asked: ClientsQuery,
): Promise<{ rows: Client[]; next: string | null; total: number | null }> {
  const query = db.createQueryBuilder(ClientRow, 'c');
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(`(c.words LIKE :word${at} OR c.contacts::text ILIKE :word${at})`, {
      [`word${at}`]: pattern,
    });
  narrowBy(query, 'c.own_found', asked.where);
  const page = await listPage(
    db,
    query,
    {
      columns: [
        { sql: 'c.name', holds: 'text' },
        { sql: 'c.id', holds: 'uuid' },
      ],
      descending: asked.order.startsWith('-'),
    },
    { ...asked, dear: Boolean(asked.text ?? asked.where?.length) },
  );
  const rows = await db.findBy(ClientRow, { id: In([...page.ids]) });
  const counted = await db.query<{ id: string; places: string }[]>(
    `SELECT c.id, count(s.id) AS places FROM client c
     JOIN site s ON lower(trim(s.client)) = lower(trim(c.name)) AND NOT s.retired
     WHERE c.id = ANY($1) GROUP BY c.id`,
    [[...page.ids]],
  );
  const places = new Map(counted.map((row) => [row.id, Number(row.places)]));
  return {
    ...page,
    rows: inOrderOf(page.ids, rows).map((row) => clientOf(row, places.get(row.id) ?? 0)),
  };
}

const clientOf = (row: ClientRow, places: number): Client => {
  const { id, name, number, address, contacts, note, demands, own } = row;
  return { id, name, number, address, contacts, note, demands, own, places };
};

async function mustBeFree(db: EntityManager, name: string, own: string | null): Promise<void> {
  const [taken] = await db.query<{ id: string }[]>(
    `SELECT id FROM client WHERE lower(trim(name)) = lower(trim($1))`,
    [name],
  );
  if (taken && taken.id !== own)
    throw new Refusal(409, 'there-already', `There is a client called “${name}” already.`, [
      { field: 'name', message: 'There is one of this name already.' },
    ]);
}

export async function addClient(
  db: EntityManager,
  org: string,
  draft: ClientDraft,
): Promise<Client> {
  await mustBeFree(db, draft.name, null);
  const own = await ownAs(db, 'client', draft.own ?? {});
  const row = { demands: {}, ...draft, ...own, id: randomUUID(), org };
  await db.insert(ClientRow, row);
  await announce(db, org, [{ kind: 'client', ref: row.id }]);
  return clientOf(row, 0);
}

/** Changes a client; its places have its new name. */
export async function changeClient(
  db: EntityManager,
  org: string,
  id: string,
  draft: ClientDraft,
): Promise<Client> {
  const before = await db.findOneBy(ClientRow, { id });
  if (!before) throw notFound('This client');
  await mustBeFree(db, draft.name, id);
  const own = await ownGiven(db, 'client', draft.own, before.own);
  await db.update(ClientRow, { id }, { ...draft, ...own });
  const [renamed] = await db.query<[{ id: string }[], number]>(
    `UPDATE site SET client = $2
     WHERE lower(trim(client)) = lower(trim($1)) AND client <> $2 RETURNING id`,
    [before.name, draft.name],
  );
  await tellOfSites(
    db,
    org,
    renamed.map((site) => ({ kind: 'site', ref: site.id, site: site.id })),
  );
  await announce(db, org, [{ kind: 'client', ref: id }]);
  return clientOf({ ...before, ...draft }, renamed.length);
}

/** A client that a place names and nobody knew becomes known. */
export async function noteClients(
  db: EntityManager,
  org: string,
  names: readonly string[],
): Promise<void> {
  const wanted = [...new Set(names.map((name) => name.trim()).filter(Boolean))];
  if (wanted.length === 0) return;
  const added = await db.query<{ id: string }[]>(
    `INSERT INTO client (org_id, id, name, number, address, contacts, note)
     SELECT $1, gen_random_uuid(), name, '', '', '[]', '' FROM unnest($2::text[]) name
     ON CONFLICT DO NOTHING RETURNING id`,
    [org, wanted],
  );
  await announce(
    db,
    org,
    added.map(({ id }) => ({ kind: 'client', ref: id })),
  );
}
