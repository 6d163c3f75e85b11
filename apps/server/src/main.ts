import 'reflect-metadata';
import { once } from 'node:events';
import { StandInMail } from '@ant-trail/stand-ins/mail';
import { pino } from 'pino';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import { applicationData } from './database/data-source.ts';
import { Live } from './live/live.ts';
import { TableReader } from './modules/exchange/table-reader.ts';
import { MediaFiles } from './modules/media/files.ts';
import { keepMail } from './modules/reports/mail.ts';
import { ReportMaker } from './modules/reports/maker.ts';
import { openReportQueue, workOffReports } from './modules/reports/queue.ts';

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel });
const data = await applicationData(config.databaseUrl).initialize();
const files = new MediaFiles(config.filesDir);
const reports = new ReportMaker(config.reportWorker, files);
const tables = new TableReader(config.tableWorker);
const queue = await openReportQueue(config.databaseUrl, (error) =>
  logger.error({ err: error }, 'queue'),
);
const mail = new StandInMail();
keepMail(data, mail);
const mailPort = await mail.open();
await workOffReports(queue, (task) => reports.mail(data, mailPort, task));
const live = new Live(config.databaseUrl);
await live.open();

const app = buildApp({
  data,
  files,
  reports,
  tables,
  queue,
  live,
  logger,
  secureCookies: config.secureCookies,
  clientDir: config.clientDir,
});
const server = app.listen(config.port, config.host);
await once(server, 'listening');
logger.info(`Ant Trail listens on http://${config.host}:${config.port}`);
process.send?.('ready');

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await live.close();
  server.close();
  server.closeAllConnections();
  await queue.stop({ graceful: true, timeout: 5_000 });
  await reports.close();
  await tables.close();
  await mail.close();
  await data.destroy();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
// Whoever started this is gone without a word: the next start must find the port free.
process.on('disconnect', () => void stop());
