import { randomBytes } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { Client } from 'pg';
import { freePort } from '../../scripts/house/cluster.mjs';
import { startServer, stopServer } from '../../scripts/house/serve.mjs';

interface ClusterInfo {
  readonly ownerUrl: string;
  readonly appUrl: string;
  readonly filesDir: string;
}

const withDatabase = (url: string, name: string): string => {
  const changed = new URL(url);
  changed.pathname = `/${name}`;
  return changed.href;
};

async function asOwner<Result>(
  url: string,
  work: (client: Client) => Promise<Result>,
): Promise<Result> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** A real server on a copy of the demo's database, that can be killed and started again. */
export class TestOffice {
  private server: ChildProcess | null = null;

  private constructor(
    readonly port: number,
    private readonly info: ClusterInfo,
    private readonly database: string,
  ) {}

  get url(): string {
    return `http://localhost:${this.port}`;
  }

  static async open(): Promise<TestOffice> {
    const info = JSON.parse(process.env['E2E_CLUSTER'] ?? '{}') as ClusterInfo;
    const database = `e2e_${randomBytes(5).toString('hex')}`;
    const template = new URL(info.ownerUrl).pathname.slice(1);
    await asOwner(withDatabase(info.ownerUrl, 'postgres'), async (client) => {
      await client.query(`CREATE DATABASE ${database} TEMPLATE ${template}`);
      await client.query(`GRANT CREATE ON DATABASE ${database} TO trail_app`);
    });
    const office = new TestOffice(await freePort(), info, database);
    await office.start();
    return office;
  }

  async start(): Promise<void> {
    this.server = await startServer(
      { ...this.info, appUrl: withDatabase(this.info.appUrl, this.database) },
      { port: this.port },
    );
  }

  /** As a power cut does it. */
  kill(): void {
    this.server?.kill('SIGKILL');
  }

  async close(): Promise<void> {
    if (this.server) await stopServer(this.server, 'SIGKILL');
  }

  /** Reads the database past all rules: to see what really arrived. */
  query<Row>(sql: string, values: unknown[] = []): Promise<Row[]> {
    return asOwner(withDatabase(this.info.ownerUrl, this.database), async (client) => {
      const { rows } = await client.query(sql, values);
      return rows as Row[];
    });
  }
}
