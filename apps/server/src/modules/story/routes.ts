import { Id } from '@ant-trail/contract/common';
import { Story } from '@ant-trail/contract/story';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { storyOf } from './story.ts';

export const storyRoutes = [
  route({
    method: 'get',
    path: '/api/assets/:id/story',
    allowed: 'read',
    summary: 'Everything ever recorded on one thing',
    params: z.object({ id: Id }),
    answer: Story,
    handle: ({ db, params }) => storyOf(db, params.id),
  }),
];
