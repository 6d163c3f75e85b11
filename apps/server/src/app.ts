import path from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { answerProblems, notFound, Refusal } from './http/problem.ts';
import { mountRoutes, type Route } from './http/route.ts';
import type { Live } from './live/live.ts';
import { accountRoutes, mountSignIn } from './modules/accounts/routes.ts';
import { actionRoutes } from './modules/actions/routes.ts';
import { catalogueRoutes } from './modules/catalogues/routes.ts';
import { exchangeRoutes } from './modules/exchange/routes.ts';
import type { TableReader } from './modules/exchange/table-reader.ts';
import type { MediaFiles } from './modules/media/files.ts';
import { mediaRoutes } from './modules/media/routes.ts';
import { mountUploads } from './modules/media/uploads.ts';
import { planningRoutes } from './modules/planning/routes.ts';
import { registerRoutes } from './modules/register/routes.ts';
import type { ReportMaker } from './modules/reports/maker.ts';
import type { ReportQueue } from './modules/reports/queue.ts';
import { reportRoutes } from './modules/reports/routes.ts';
import { reviewRoutes } from './modules/review/routes.ts';
import { siteRoutes } from './modules/sites/routes.ts';
import { syncRoutes } from './modules/sync/routes.ts';
import { templateRoutes } from './modules/templates/routes.ts';

export interface Parts {
  readonly data: DataSource;
  readonly files: MediaFiles;
  readonly reports: ReportMaker;
  readonly tables: TableReader;
  readonly queue: ReportQueue;
  readonly live: Live;
  readonly logger: Logger;
  readonly secureCookies: boolean;
  readonly clientDir: string | undefined;
}

export function allRoutes(parts: Pick<Parts, 'files' | 'reports' | 'tables' | 'queue'>): Route[] {
  return [
    ...accountRoutes,
    ...siteRoutes,
    ...registerRoutes,
    ...templateRoutes,
    ...catalogueRoutes,
    ...exchangeRoutes(parts.tables, parts.files),
    ...planningRoutes,
    ...reviewRoutes,
    ...actionRoutes,
    ...syncRoutes(parts.queue),
    ...mediaRoutes(parts.files),
    ...reportRoutes(parts.reports),
  ];
}

const LARGEST_BODY = '4mb';

export function buildApp(parts: Parts): Express {
  const { data } = parts;
  const app = express();
  app.set('trust proxy', 'loopback');
  app.use(pinoHttp({ logger: parts.logger, autoLogging: false }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          // The reader of bar codes is WebAssembly.
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          // React Native Web and Tamagui put their style sheets into the page as they run.
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'blob:', 'data:'],
          'connect-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: parts.secureCookies,
    }),
  );
  app.use(onlyFromOurOwnPages);
  // Uploads stream, and events must not wait in a buffer: both come before parsing and packing.
  mountUploads(app, data, parts.files);
  parts.live.mount(app, data);
  app.use(compression());
  app.use(express.json({ limit: LARGEST_BODY }));
  mountSignIn(app, data, parts.secureCookies);
  mountRoutes(app, data, allRoutes(parts));
  app.use('/api', () => {
    throw notFound('This address');
  });
  if (parts.clientDir) serveClient(app, parts.clientDir);
  app.use(answerProblems);
  return app;
}

/** Changes are taken only from pages of this very address; others could act in a person's name. */
const onlyFromOurOwnPages: express.RequestHandler = (request, _response, next) => {
  const { origin } = request.headers;
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  if (!reading && origin && new URL(origin).host !== request.headers.host)
    throw new Refusal(403, 'other-origin', 'This came from another site and was not carried out.');
  next();
};

function serveClient(app: Express, dir: string): void {
  const hashed = ['/_expo', '/assets'];
  for (const place of hashed)
    app.use(
      place,
      express.static(path.join(dir, place), {
        immutable: true,
        maxAge: '1y',
        fallthrough: false,
      }),
    );
  app.use(
    express.static(dir, {
      index: false,
      setHeaders: (response, file) => {
        // The worker and the page say which version is current: they are asked for every time.
        if (/(sw\.js|\.html|\.webmanifest)$/.test(file))
          response.setHeader('Cache-Control', 'no-cache');
      },
    }),
  );
  app.get('/{*page}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(path.join(dir, 'index.html'));
  });
}
