import {
  Publication,
  PublishedTemplate,
  StartersAnswer,
  TemplatesAnswer,
} from '@ant-trail/contract/templates';
import { z } from 'zod';
import { longRoute, route, type Route } from '../../http/route.ts';
import type { Folding } from '../../log/folding.ts';
import { checkTemplate, publish } from './publish.ts';
import { startersOf, takeOver, type Ready } from './starters.ts';
import { newestVersions } from './versions.ts';

export const templateRoutes = (folding: Folding, ready: Ready): Route[] => [
  route({
    method: 'get',
    path: '/api/templates',
    allowed: 'read',
    summary: 'The newest published version of each template',
    answer: TemplatesAnswer,
    handle: async ({ db }) => ({ templates: await newestVersions(db) }),
  }),
  longRoute({
    method: 'post',
    path: '/api/templates',
    allowed: 'build templates',
    summary: 'Publish a version of a template',
    body: Publication,
    answer: PublishedTemplate,
    handle: async ({ within, body, session }) => {
      const problems = await checkTemplate(folding, session.organisation, body.body);
      return within((db) => publish(db, session.organisation, body, problems));
    },
  }),
  route({
    method: 'get',
    path: '/api/starters',
    allowed: 'build templates',
    summary: 'Templates that stand ready, by trade',
    answer: StartersAnswer,
    handle: async ({ db }) => ({ starters: await startersOf(db, ready) }),
  }),
  route({
    method: 'post',
    path: '/api/starters/:key',
    allowed: 'build templates',
    summary: 'Take a ready template over as an own one',
    params: z.object({ key: z.string().max(80) }),
    answer: PublishedTemplate,
    handle: ({ db, params, session }) => takeOver(db, session.organisation, ready, params.key),
  }),
];
