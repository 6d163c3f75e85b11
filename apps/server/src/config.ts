import { z } from 'zod';

/** Everything the server is told from outside; checked once, at the start. */
const Settings = z.object({
  PORT: z.coerce.number().int().min(1).max(65535).default(8080),
  HOST: z.string().default('127.0.0.1'),
  /** The application role: it can't bypass row-level security. */
  DATABASE_URL: z.string().min(1),
  FILES_DIR: z.string().min(1),
  /** The exported client; without it only the API is served. */
  CLIENT_DIR: z.string().optional(),
  REPORT_WORKER: z.string().min(1),
  TABLE_WORKER: z.string().min(1),
  SECURE_COOKIES: z.enum(['yes', 'no']).default('no'),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

export interface Config {
  readonly port: number;
  readonly host: string;
  readonly databaseUrl: string;
  readonly filesDir: string;
  readonly clientDir: string | undefined;
  readonly reportWorker: string;
  readonly tableWorker: string;
  readonly secureCookies: boolean;
  readonly logLevel: string;
}

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const read = Settings.parse(env);
  return {
    port: read.PORT,
    host: read.HOST,
    databaseUrl: read.DATABASE_URL,
    filesDir: read.FILES_DIR,
    clientDir: read.CLIENT_DIR,
    reportWorker: read.REPORT_WORKER,
    tableWorker: read.TABLE_WORKER,
    secureCookies: read.SECURE_COOKIES === 'yes',
    logLevel: read.LOG_LEVEL,
  };
}
