import { Sha256 } from '@ant-trail/contract/common';
import { MediaAsk, MediaReceipts } from '@ant-trail/contract/media';
import { z } from 'zod';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import { notFound } from '../../refusals/refusal.ts';
import type { MediaFiles } from './files.ts';

export const mediaRoutes = (files: MediaFiles): Route[] => [
  route({
    method: 'post',
    path: '/api/media/receipts',
    allowed: 'signed in',
    summary: 'Which photos the office has, and since when',
    body: MediaAsk,
    answer: MediaReceipts,
    handle: async ({ db, body }) => {
      const rows = await db.query<{ sha256: string; received_at: Date }[]>(
        `SELECT sha256, received_at FROM media WHERE sha256 = ANY ($1)`,
        [body.sha256],
      );
      return {
        received: rows.map((row) => ({
          sha256: row.sha256,
          at: row.received_at.toISOString(),
        })),
      };
    },
  }),
  longRoute({
    method: 'get',
    path: '/api/media/:sha256',
    allowed: 'signed in',
    summary: 'A photo',
    params: z.object({ sha256: Sha256 }),
    handle: async ({ within, params, session }) => {
      const rows = await within((db) =>
        db.query<{ type: string }[]>(`SELECT type FROM media WHERE sha256 = $1`, [params.sha256]),
      );
      const bytes = rows[0] && (await files.read(session.organisation, params.sha256));
      if (!bytes) throw notFound('This photo');
      return new FileAnswer(rows[0]?.type ?? 'image/jpeg', bytes, 'photo');
    },
  }),
];
