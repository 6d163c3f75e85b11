import { z } from 'zod';

/** Everything the server is told from outside; checked once, at the start. */
const Settings = z.object({
  /** 0 takes any that is free. */
  PORT: z.coerce.number().int().min(0).max(65535).default(8080),
  HOST: z.string().default('127.0.0.1'),
  /** The application role: it can't bypass row-level security. */
  DATABASE_URL: z.string().min(1),
  FILES_DIR: z.string().min(1),
  /** The exported client; without it only the API is served. */
  CLIENT_DIR: z.string().optional(),
  REPORT_WORKER: z.string().min(1),
  TABLE_WORKER: z.string().min(1),
  FOLD_WORKER: z.string().min(1),
  ORDER_WORKER: z.string().min(1),
  /** Whether people come by HTTPS only; by itself wherever others than this machine can come. */
  SECURE: z.enum(['yes', 'no', 'auto']).default('auto'),
  /** The address people know this office by, for letters; by itself that of this machine. */
  PUBLIC_URL: z.url().optional(),
  /** Proxies whose word on where somebody comes from counts, as Express names them. */
  TRUST_PROXY: z.string().default('loopback'),
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
  readonly foldWorker: string;
  readonly orderWorker: string;
  readonly secure: boolean;
  readonly publicUrl: string;
  readonly trustProxy: string;
  readonly logLevel: string;
}

const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || host.startsWith('127.');

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
    foldWorker: read.FOLD_WORKER,
    orderWorker: read.ORDER_WORKER,
    secure: read.SECURE === 'auto' ? !isLoopback(read.HOST) : read.SECURE === 'yes',
    publicUrl: (read.PUBLIC_URL ?? `http://localhost:${read.PORT}`).replace(/\/$/, ''),
    trustProxy: read.TRUST_PROXY,
    logLevel: read.LOG_LEVEL,
  };
}
