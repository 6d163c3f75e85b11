import { randomUUID } from 'node:crypto';
import { Id } from '@ant-trail/contract/common';
import {
  RetireSite,
  Site,
  SiteDraft,
  SiteNote,
  SiteNoteDraft,
  SiteNotesAnswer,
  SitesAnswer,
  SitesQuery,
} from '@ant-trail/contract/sites';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { FileAnswer, route } from '../../http/route.ts';
import type { Session } from '../../http/session.ts';
import { notFound } from '../../refusals/refusal.ts';
import { ownAs, ownGiven } from '../fields/own-fields.ts';
import { mustBeBranch, tellOfMove } from './branch-of-site.ts';
import { noteClients } from './clients.ts';
import { contactCards } from './contact-cards.ts';
import { SiteRow } from './entities.ts';
import { listSites } from './list-sites.ts';
import { notesAt, withdrawNote, writeNote } from './notes.ts';
import { siteOf } from './site.ts';
import { tellOfSites } from './tell.ts';

async function findSite(db: EntityManager, id: string): Promise<SiteRow> {
  const row = await db.findOneBy(SiteRow, { id });
  if (!row) throw notFound('This site');
  return row;
}

async function saved(db: EntityManager, { organisation }: Session, row: SiteRow): Promise<Site> {
  await db.save(SiteRow, row);
  await noteClients(db, organisation, [row.client]);
  await tellOfSites(db, organisation, [{ kind: 'site', ref: row.id, site: row.id }]);
  return siteOf(row);
}

export const siteRoutes = [
  route({
    method: 'get',
    path: '/api/sites',
    allowed: 'read',
    summary: 'Sites that are looked for, a page at a time',
    query: SitesQuery,
    answer: SitesAnswer,
    handle: ({ db, query }) => listSites(db, query),
  }),
  route({
    method: 'get',
    path: '/api/sites/:id',
    allowed: 'read',
    summary: 'One site',
    params: z.object({ id: Id }),
    answer: Site,
    handle: async ({ db, params }) => siteOf(await findSite(db, params.id)),
  }),
  route({
    method: 'get',
    path: '/api/sites/:id/contacts.vcf',
    allowed: 'read',
    summary: 'The people of a site as contact cards (vCard 4.0, RFC 6350)',
    params: z.object({ id: Id }),
    handle: async ({ db, params }) => {
      const site = await findSite(db, params.id);
      return new FileAnswer(
        'text/vcard; charset=utf-8',
        Buffer.from(contactCards(site)),
        `${site.name}.vcf`,
      );
    },
  }),
  route({
    method: 'post',
    path: '/api/sites',
    allowed: 'keep places',
    summary: 'Add a site',
    body: SiteDraft,
    answer: Site,
    handle: async ({ db, body, session }) => {
      await mustBeBranch(db, body.branch);
      return saved(
        db,
        session,
        db.create(SiteRow, {
          ...{
            hazardEnds: [],
            radius: null,
            owner: '',
            found: null,
            branch: session.branch,
            ...body,
          },
          ...(await ownAs(db, 'place', body.own ?? {})),
          ...{ id: randomUUID(), retired: false, org: session.organisation },
        }),
      );
    },
  }),
  route({
    method: 'put',
    path: '/api/sites/:id',
    allowed: 'keep places',
    summary: 'Change a site',
    params: z.object({ id: Id }),
    body: SiteDraft,
    answer: Site,
    handle: async ({ db, params, body, session }) => {
      await mustBeBranch(db, body.branch);
      const site = await findSite(db, params.id);
      const before = site.branch;
      const own = await ownGiven(db, 'place', body.own, site.own);
      // Whoever changes it has looked at it. Taken over whole: merged, a list would keep what was taken off it.
      const now = await saved(db, session, Object.assign(site, body, own, { found: null }));
      if (before !== site.branch) await tellOfMove(db, session.organisation, site.id, before);
      return now;
    },
  }),
  route({
    method: 'put',
    path: '/api/sites/:id/retired',
    allowed: 'keep places',
    summary: 'Retire a site, or take it into use again',
    params: z.object({ id: Id }),
    body: RetireSite,
    answer: Site,
    handle: async ({ db, params, body, session }) =>
      saved(db, session, Object.assign(await findSite(db, params.id), body)),
  }),
  route({
    method: 'get',
    path: '/api/sites/:id/notes',
    allowed: 'read',
    summary: 'What whoever comes next should know of a site',
    params: z.object({ id: Id }),
    answer: SiteNotesAnswer,
    handle: async ({ db, params }) => {
      await findSite(db, params.id);
      return { notes: await notesAt(db, [params.id]) };
    },
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/notes',
    allowed: 'keep places',
    summary: 'Write a note at a site',
    params: z.object({ id: Id }),
    body: SiteNoteDraft,
    answer: SiteNote,
    handle: ({ db, params, body, session }) => writeNote(db, session, params.id, body.text),
  }),
  route({
    method: 'post',
    path: '/api/site-notes/:id/withdrawal',
    allowed: 'keep places',
    summary: 'Withdraw a note that is no longer true',
    params: z.object({ id: Id }),
    answer: SiteNote,
    handle: ({ db, params, session }) => withdrawNote(db, session, params.id),
  }),
];
