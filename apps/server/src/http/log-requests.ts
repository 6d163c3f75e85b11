import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';

/** What opens a door, wherever it stands in a log line. */
const SECRETS = [
  'req.headers.cookie',
  'req.headers.authorization',
  'req.headers["x-api-key"]',
  'res.headers["set-cookie"]',
];

/** The address of somebody's calendar is what opens it. */
const withoutSecrets = (request: { readonly url?: string }): object => ({
  ...request,
  url: request.url?.replace(/(\/api\/calendars\/)[^/?]+/, '$1…'),
});

/**
 * Gives each request an id that stands in its answer and in every line logged about it. Nothing
 * that could open a session is ever logged.
 */
export const logRequests = (logger: Logger): RequestHandler =>
  pinoHttp({
    logger,
    autoLogging: false,
    redact: SECRETS,
    serializers: { req: withoutSecrets },
    genReqId: (_request, response) => {
      const id = randomUUID();
      response.setHeader('X-Request-Id', id);
      return id;
    },
  });
