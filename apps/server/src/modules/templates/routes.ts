import { Publication, PublishedTemplate, TemplatesAnswer } from '@ant-trail/contract/templates';
import { OFFICE, PLANNERS, route } from '../../http/route.ts';
import { publish } from './publish.ts';
import { newestVersions } from './versions.ts';

export const templateRoutes = [
  route({
    method: 'get',
    path: '/api/templates',
    allowed: OFFICE,
    summary: 'The newest published version of each template',
    answer: TemplatesAnswer,
    handle: async ({ db }) => ({ templates: await newestVersions(db) }),
  }),
  route({
    method: 'post',
    path: '/api/templates',
    allowed: PLANNERS,
    summary: 'Publish a version of a template',
    body: Publication,
    answer: PublishedTemplate,
    handle: ({ db, body, session }) => publish(db, session.organisation, body),
  }),
];
