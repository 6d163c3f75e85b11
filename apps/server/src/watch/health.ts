import type { Express, Request } from 'express';
import type { DataSource } from 'typeorm';
import type { Listening } from '../live/listening.ts';
import { notFound } from '../refusals/refusal.ts';
import type { Metrics } from './metrics.ts';

/** Metrics tell of the whole server: they are for this machine alone, never by way of a proxy. */
const isFromHere = (request: Request): boolean =>
  request.headers['x-forwarded-for'] === undefined &&
  ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(request.socket.remoteAddress ?? '');

/** Whether the server lives, whether it can work, and how it fares. */
export function mountHealth(
  app: Express,
  data: DataSource,
  listening: Listening,
  metrics: Metrics,
): void {
  app.get('/api/health', (_request, response) => {
    response.json({ alive: true });
  });
  app.get('/api/ready', async (_request, response) => {
    const database = await data.query(`SELECT 1`).then(
      () => true,
      () => false,
    );
    const ready = database && listening.isConnected;
    response.status(ready ? 200 : 503).json({ ready, database, listening: listening.isConnected });
  });
  app.get('/api/metrics', async (request, response) => {
    if (!isFromHere(request)) throw notFound('This address');
    response.type(metrics.contentType).send(await metrics.write());
  });
}
