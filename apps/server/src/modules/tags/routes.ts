import { randomBytes } from 'node:crypto';
import { Id } from '@ant-trail/contract/common';
import { Tag, TagsAnswer, TagNumber, type BoundTag } from '@ant-trail/contract/tags';
import { timeOrderedId } from '@ant-trail/core/log';
import { readTagNumber } from '@ant-trail/core/tags';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { route, type Route } from '../../http/route.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { mustBeSite } from '../register/register.ts';
import { TagRow } from './entities.ts';
import { bindTag, tagOf, tagsAt } from './tags.ts';

export const tagRoutes: Route[] = [
  route({
    method: 'get',
    path: '/api/sites/:id/tags',
    allowed: 'read',
    summary: 'The labels on what stands at a site',
    params: z.object({ id: Id }),
    answer: TagsAnswer,
    handle: async ({ db, params }) => {
      await mustBeSite(db, params.id);
      return { tags: await tagsAt(db, [params.id]) };
    },
  }),
  route({
    method: 'get',
    path: '/api/tags/:number',
    allowed: 'read',
    summary: 'A label by its number',
    params: z.object({ number: TagNumber }),
    answer: Tag,
    handle: ({ db, params }) => findTag(db, params.number),
  }),
  route({
    method: 'post',
    path: '/api/assets/:id/tag',
    allowed: 'keep places',
    summary: 'Put a label on a thing, by its number',
    params: z.object({ id: Id }),
    body: z.object({ number: z.string().max(40) }).strict(),
    answer: Tag,
    handle: async ({ db, params, body, session }) => {
      const number = readTagNumber(body.number);
      if (!number)
        throw new Refusal(
          422,
          'no-label',
          'A label’s number has eight digits; one of these is not right.',
        );
      const tag = await findTag(db, number);
      const own = await db.findOneBy(TagRow, { asset: params.id });
      if (tag.asset !== null && tag.asset !== params.id)
        throw new Refusal(
          409,
          'label-elsewhere',
          'This label is on another thing. Take it off there first.',
        );
      const bound: BoundTag = {
        ...{ id: timeOrderedId(Date.now(), randomBytes(16)), tag: tag.id, asset: params.id },
        ...{ from: tag.asset, instead: own?.id ?? null },
        ...{ by: session.person, at: new Date().toISOString() },
      };
      const word = await bindTag(db, session.organisation, bound);
      if (typeof word === 'object') throw new Refusal(409, 'label-elsewhere', word.refused);
      return findTag(db, number);
    },
  }),
];

async function findTag(db: EntityManager, number: string): Promise<Tag> {
  const row = await db.findOneBy(TagRow, { number });
  if (!row) throw notFound('This label');
  return tagOf(row);
}
