import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { OFFICE, route } from '../../http/route.ts';
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
];
