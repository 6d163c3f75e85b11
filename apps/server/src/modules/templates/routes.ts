import { Publication, PublishedTemplate, TemplatesAnswer } from '@ant-trail/contract/templates';
import { longRoute, route, type Route } from '../../http/route.ts';
import type { Folding } from '../../log/folding.ts';
import { checkTemplate, publish } from './publish.ts';
import { newestVersions } from './versions.ts';

export const templateRoutes = (folding: Folding): Route[] => [
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
];
