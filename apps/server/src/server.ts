import { once } from 'node:events';
import { prepareForAny } from '@ant-trail/core/sheet';
import { CATALOGUES, STARTERS } from '@ant-trail/demo';
import { StandInMail } from '@ant-trail/stand-ins/mail';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { allRoutes, buildApp } from './app.ts';
import type { Config } from './config.ts';
import { applicationData } from './data-source.ts';
import type { Route } from './http/route.ts';
import { Listening } from './live/listening.ts';
import { Live } from './live/live.ts';
import { Folding } from './log/folding.ts';
import { tellBy } from './modules/capture/tell.ts';
import { FOLLOW_UPS, workOffFollowUps } from './modules/planning/follow-up-queue.ts';
import { OrderLine } from './modules/planning/order-line.ts';
import { keepMail } from './mail/letters.ts';
import { Projector } from './modules/capture/projector.ts';
import { OfficeKey } from './modules/arrival/office-key.ts';
import { MediaFiles } from './modules/media/files.ts';
import { keepApprovals, reportApproval } from './modules/reports/approvals.ts';
import { ReportMaker } from './modules/reports/maker.ts';
import { WORDS, workOffWords } from './modules/messages/send-words.ts';
import { REPORTS, workOffReports } from './modules/reports/queue.ts';
import { lookAtRounds, ROUNDS, workOffRounds } from './modules/rounds/queue.ts';
import { openQueue } from './queue/queue.ts';
import { TableReader } from './tables/table-reader.ts';
import { Housekeeping } from './watch/housekeeping.ts';

/** Requests under way get this long to end when the server stops. */
const LAST_REQUESTS_MS = 10_000;

export interface Server {
  readonly data: DataSource;
  readonly routes: readonly Route[];
  readonly port: number;
  readonly housekeeping: Housekeeping;
  /** Takes no new requests, lets those under way end, and closes everything in turn. */
  close(): Promise<void>;
}

/** Puts the whole server together and has it listen. */
export async function openServer(config: Config, logger: Logger): Promise<Server> {
  await prepareForAny();
  const data = await applicationData(config.databaseUrl).initialize();
  const files = new MediaFiles(config.filesDir);
  const officeKey = new OfficeKey(config.filesDir);
  const reports = new ReportMaker(config.reportWorker, files);
  const tables = new TableReader(config.tableWorker);
  const folding = new Folding(config.foldWorker);
  const orders = new OrderLine(config.orderWorker);
  const { queue, close: closeQueue } = await openQueue(
    config.databaseUrl,
    [REPORTS, FOLLOW_UPS, WORDS, ...ROUNDS],
    (error) => logger.error({ err: error }, 'queue'),
  );
  const mail = new StandInMail();
  keepMail(data, mail);
  const mailPort = await mail.open();
  await workOffReports(queue, (task) => reportApproval({ data, files, reports, mailPort }, task));
  await workOffFollowUps(queue, data, tellBy(data, folding));
  await workOffWords(queue, data, mailPort, logger);
  await workOffRounds(queue, data, logger);
  await lookAtRounds(queue);
  const listening = new Listening(config.databaseUrl);
  const live = new Live(listening);
  live.open();
  await listening.open();
  const projector = new Projector(data, folding, keepApprovals(queue), logger);
  projector.follow(listening);

  const parts = {
    ...{ data, files, officeKey, reports, tables, folding, orders, queue, listening, live, logger },
    ready: { starters: STARTERS, catalogues: CATALOGUES },
    post: { mailPort, publicUrl: config.publicUrl },
    secure: config.secure,
    trustProxy: config.trustProxy,
    clientDir: config.clientDir,
  };
  const { app, uploads } = buildApp(parts);
  const housekeeping = new Housekeeping(data, uploads.dropAbandoned, logger);
  const server = app.listen(config.port, config.host);
  await once(server, 'listening');
  const address = server.address();

  return {
    data,
    routes: allRoutes(parts),
    port: typeof address === 'object' && address ? address.port : config.port,
    housekeeping,
    close: async () => {
      housekeeping.close();
      live.close();
      const ended = new Promise<void>((resolve) => server.close(() => resolve()));
      server.closeIdleConnections();
      const last = setTimeout(() => server.closeAllConnections(), LAST_REQUESTS_MS);
      await ended;
      clearTimeout(last);
      await projector.close();
      await closeQueue();
      await listening.close();
      await Promise.all([
        reports.close(),
        tables.close(),
        folding.close(),
        orders.close(),
        mail.close(),
      ]);
      await data.destroy();
    },
  };
}
