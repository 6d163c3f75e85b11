import { Id } from '@ant-trail/contract/common';
import { Site, SiteDraft, SitesAnswer } from '@ant-trail/contract/sites';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { announce } from '../../database/feed.ts';
import { notFound } from '../../http/problem.ts';
import { route } from '../../http/route.ts';
import { SiteRow } from './entities.ts';

export function siteOf(row: SiteRow): Site {
  const { id, name, client, address, lat, lon, access, hazards, contacts } = row;
  return { id, name, client, address, lat, lon, access, hazards, contacts };
}

export const siteRoutes = [
  route({
    method: 'get',
    path: '/api/sites',
    allowed: 'read',
    summary: 'All sites of the organisation',
    answer: SitesAnswer,
    handle: async ({ db }) => {
      const rows = await db.find(SiteRow, { order: { name: 'ASC' } });
      return { sites: rows.map(siteOf) };
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
      const row = db.create(SiteRow, {
        ...body,
        id: randomUUID(),
        org: session.organisation,
        branch: session.branch,
      });
      await db.insert(SiteRow, row);
      await announce(db, session.organisation, [{ kind: 'site', ref: row.id, reach: row.id }]);
      return siteOf(row);
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
      const row = await db.findOneBy(SiteRow, { id: params.id });
      if (!row) throw notFound('This site');
      const changed = db.merge(SiteRow, row, {
        ...body,
        hazards: [],
        contacts: [],
      });
      changed.hazards = body.hazards;
      changed.contacts = body.contacts;
      await db.save(SiteRow, changed);
      await announce(db, session.organisation, [{ kind: 'site', ref: row.id, reach: row.id }]);
      return siteOf(changed);
    },
  }),
];
