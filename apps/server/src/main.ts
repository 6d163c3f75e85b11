import 'reflect-metadata';
import { once } from 'node:events';
import { pino } from 'pino';
import { readConfig } from './config.ts';
import { openServer } from './server.ts';

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel });
const server = await openServer(config, logger);
logger.info(`Ant Trail listens on http://${config.host}:${config.port}`);
process.send?.('ready');

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await server.close();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
// Whoever started this is gone without a word: the next start must find the port free.
if (process.connected) void once(process, 'disconnect').then(stop);
