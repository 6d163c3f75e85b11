import path from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { describedBy } from './http/api-description.ts';
import { logRequests } from './http/log-requests.ts';
import { answerProblems } from './http/problem.ts';
import { mountRoutes, type Route } from './http/route.ts';
import type { Listening } from './live/listening.ts';
import type { Live } from './live/live.ts';
import { organisationsDue } from './log/due.ts';
import type { Folding } from './log/folding.ts';
import { mountInvitations, type Post } from './modules/accounts/invitations.ts';
import { recordRoutes } from './modules/records/routes.ts';
import { documentRoutes } from './modules/documents/routes.ts';
import { feedbackRoutes } from './modules/feedback/routes.ts';
import { ownFieldRoutes } from './modules/fields/routes.ts';
import { mapRoutes } from './modules/maps/routes.ts';
import { branchRoutes } from './modules/accounts/branch-routes.ts';
import { accountRoutes } from './modules/accounts/routes.ts';
import { mountSignIn } from './modules/accounts/sign-in.ts';
import { actionRoutes } from './modules/actions/routes.ts';
import type { OfficeKey } from './modules/arrival/office-key.ts';
import { arrivalRoutes } from './modules/arrival/routes.ts';
import { catalogueRoutes } from './modules/catalogues/routes.ts';
import { listTables } from './modules/exchange/lists.ts';
import { exchangeRoutes } from './modules/exchange/routes.ts';
import type { MediaFiles } from './modules/media/files.ts';
import { mediaRoutes } from './modules/media/routes.ts';
import { mountUploads, type Uploads } from './modules/media/uploads.ts';
import { giveBackWork } from './modules/planning/give-back.ts';
import type { OrderLine } from './modules/planning/order-line.ts';
import { mountCalendars } from './modules/planning/calendar-link.ts';
import { planningRoutes } from './modules/planning/routes.ts';
import { registerRoutes } from './modules/register/routes.ts';
import type { ReportMaker } from './modules/reports/maker.ts';
import type { Queue } from './queue/queue.ts';
import { reportRoutes } from './modules/reports/routes.ts';
import { labelRoutes } from './modules/labels/routes.ts';
import { listRoutes } from './modules/lists/routes.ts';
import { reviewRoutes } from './modules/review/routes.ts';
import { clientRoutes } from './modules/sites/client-routes.ts';
import { siteRoutes } from './modules/sites/routes.ts';
import { messageRoutes } from './modules/messages/routes.ts';
import { roundRoutes } from './modules/rounds/routes.ts';
import { timesheetRoutes } from './modules/timesheet/routes.ts';
import { storyRoutes } from './modules/story/routes.ts';
import { syncRoutes } from './modules/sync/routes.ts';
import { tagRoutes } from './modules/tags/routes.ts';
import { templateRoutes } from './modules/templates/routes.ts';
import type { Ready } from './modules/templates/starters.ts';
import { notFound, Refusal } from './refusals/refusal.ts';
import type { TableReader } from './tables/table-reader.ts';
import { mountHealth } from './watch/health.ts';
import { Metrics } from './watch/metrics.ts';

export interface Parts {
  readonly data: DataSource;
  readonly files: MediaFiles;
  readonly officeKey: OfficeKey;
  readonly ready: Ready;
  readonly reports: ReportMaker;
  readonly tables: TableReader;
  readonly queue: Queue;
  readonly folding: Folding;
  readonly orders: OrderLine;
  readonly listening: Listening;
  readonly live: Live;
  readonly logger: Logger;
  readonly post: Post;
  /** People come by HTTPS only. */
  readonly secure: boolean;
  readonly trustProxy: string;
  readonly clientDir: string | undefined;
}

export function allRoutes(
  parts: Pick<
    Parts,
    | 'files'
    | 'officeKey'
    | 'reports'
    | 'ready'
    | 'tables'
    | 'queue'
    | 'folding'
    | 'orders'
    | 'logger'
    | 'post'
  >,
): Route[] {
  const routes = [
    ...accountRoutes(parts.post, giveBackWork),
    ...branchRoutes,
    ...feedbackRoutes,
    ...ownFieldRoutes,
    ...documentRoutes(parts.files),
    ...mapRoutes,
    ...recordRoutes(parts, parts.post.mailPort),
    ...siteRoutes,
    ...clientRoutes,
    ...listTables,
    ...registerRoutes,
    ...tagRoutes,
    ...labelRoutes,
    ...templateRoutes(parts.folding, parts.ready),
    ...catalogueRoutes,
    ...exchangeRoutes(parts.tables, parts.files, parts.folding),
    ...planningRoutes(parts.orders),
    ...roundRoutes(parts.queue),
    ...timesheetRoutes,
    ...messageRoutes,
    ...arrivalRoutes(parts.officeKey),
    ...listRoutes,
    ...reviewRoutes,
    ...storyRoutes,
    ...actionRoutes,
    ...syncRoutes(parts.logger, parts.queue),
    ...mediaRoutes(parts.files),
    ...reportRoutes(parts.reports, parts.files, parts.queue),
  ];
  return [...routes, describedBy(routes)];
}

const LARGEST_BODY = '4mb';

export interface Office {
  readonly app: Express;
  readonly uploads: Uploads;
}

export function buildApp(parts: Parts): Office {
  const { data, logger, secure } = parts;
  const app = express();
  app.set('trust proxy', parts.trustProxy);
  const metrics = new Metrics({
    streams: () => parts.live.count,
    due: async () => (await organisationsDue(data)).length,
  });
  app.use(metrics.note);
  app.use(logRequests(logger));
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
      strictTransportSecurity: secure,
    }),
  );
  // Between phone and office others may answer in its place: what the office says is told by this.
  app.use((_request, response, next) => {
    response.setHeader('X-Ant-Trail', 'office');
    next();
  });
  mountHealth(app, data, parts.listening, metrics);
  app.use(onlyFromOurOwnPages);
  // Uploads stream, and events must not wait in a buffer: both come before parsing and packing.
  const uploads = mountUploads(app, data, parts.files, logger);
  parts.live.mount(app, data);
  app.use(compression());
  app.use(express.json({ limit: LARGEST_BODY }));
  mountSignIn(app, data, parts.live, secure);
  mountInvitations(app, data);
  mountCalendars(app, data);
  mountRoutes(app, data, allRoutes(parts), secure);
  app.use('/api', () => {
    throw notFound('This address');
  });
  if (parts.clientDir) serveClient(app, parts.clientDir);
  app.use(answerProblems);
  return { app, uploads };
}

/** Changes are taken only from pages of this very address; others could act in a person's name. */
const onlyFromOurOwnPages: express.RequestHandler = (request, _response, next) => {
  const { origin } = request.headers;
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  if (!reading && origin && hostOf(origin) !== request.headers.host)
    throw new Refusal(403, 'other-origin', 'This came from another site and was not carried out.');
  next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

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
