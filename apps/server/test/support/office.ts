import { randomBytes, randomUUID } from 'node:crypto';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Role } from '@ant-trail/contract/accounts';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import { planSheet, summarise, fold, type TemplateBody } from '@ant-trail/core/sheet';
import { Client } from 'pg';
import { pino } from 'pino';
import 'reflect-metadata';
import type { DataSource } from 'typeorm';
import { readConfig } from '../../src/config.ts';
import { inOrganisation } from '../../src/database/tenancy.ts';
import type { Route } from '../../src/http/route.ts';
import { organisationsDue } from '../../src/log/due.ts';
import { hashPassword } from '../../src/modules/accounts/password.ts';
import { openServer } from '../../src/server.ts';

export const PASSWORD = 'a long enough password';

export const TEMPLATE: TemplateBody = {
  title: 'Round',
  sections: [
    {
      id: 'one',
      title: 'One',
      questions: [
        {
          kind: 'number',
          key: 'temp',
          label: 'Disc temperature',
          unit: 'Cel',
          offScale: true,
          expected: { low: 20, high: 65 },
          required: true,
          whenAmiss: { severity: 3, action: 'Re-line the brake' },
        },
        { kind: 'photo', key: 'view', label: 'View', required: false },
        { kind: 'signature', key: 'signed', label: 'Signature', required: true },
        {
          kind: 'text',
          key: 'never',
          label: 'Never asked',
          required: true,
          visibleWhen: 'temp > 900',
        },
      ],
    },
  ],
};

/** An organisation with one person of each kind, a site, a template, a job and its sheet. */
export interface Organisation {
  readonly id: string;
  readonly people: Readonly<Record<'manager' | 'reviewer' | 'technician', string>>;
  readonly emails: Readonly<Record<'manager' | 'reviewer' | 'technician', string>>;
  readonly site: string;
  readonly template: string;
  readonly version: string;
  readonly job: string;
  readonly visit: string;
  readonly sheet: string;
}

export interface Team extends Readonly<Record<'manager' | 'reviewer' | 'technician', Caller>> {
  readonly org: Organisation;
}

export interface Office {
  readonly url: string;
  readonly data: DataSource;
  readonly databaseUrl: string;
  readonly routes: readonly Route[];
  readonly filesDir: string;
  /** Waits until all that is projected from what was pushed is current. */
  settled(): Promise<void>;
  /** Does at once what the server does now and then. */
  tidy(): Promise<void>;
  newOrganisation(name: string): Promise<Organisation>;
  signIn(email: string): Promise<Caller>;
  /** A new organisation with all its people signed in. */
  newTeam(name: string): Promise<Team>;
  close(): Promise<void>;
}

/** Somebody signed in, who can call the office. */
export class Caller {
  constructor(
    readonly url: string,
    readonly cookie: string,
    private readonly settled: () => Promise<void> = () => Promise.resolve(),
  ) {}

  async call(
    method: string,
    at: string,
    body?: unknown,
  ): Promise<{ status: number; body: unknown }> {
    const response = await fetch(this.url + at, {
      method,
      headers: {
        cookie: this.cookie,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    return { status: response.status, body: readJson(text) };
  }

  async push(
    ...operations: unknown[]
  ): Promise<{ id: string; outcome: string; reason?: string }[]> {
    const { body } = await this.call('POST', '/api/push', { operations });
    await this.settled();
    return (body as { receipts: { id: string; outcome: string; reason?: string }[] }).receipts;
  }
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
}

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run the tests by npm test`);
  return value;
};

/** A database of its own, migrated and empty. */
export async function newDatabase(): Promise<string> {
  const name = `t_${randomBytes(6).toString('hex')}`;
  const owner = new URL(need('TEST_OWNER_URL'));
  const template = owner.pathname.slice(1);
  owner.pathname = '/postgres';
  for (let tries = 0; ; tries++) {
    const client = new Client({ connectionString: owner.href });
    await client.connect();
    try {
      await client.query(`CREATE DATABASE ${name} TEMPLATE ${template}`);
      await client.query(`GRANT CREATE ON DATABASE ${name} TO trail_app`);
      break;
    } catch (error) {
      // Another suite copies the same template at this moment.
      if ((error as { code?: string }).code !== '55006' || tries > 50) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    } finally {
      await client.end();
    }
  }
  const url = new URL(need('TEST_APP_URL'));
  url.pathname = `/${name}`;
  return url.href;
}

export async function openOffice(): Promise<Office> {
  const databaseUrl = await newDatabase();
  const filesDir = path.join(need('TEST_FILES_DIR'), randomUUID());
  const server = await openServer(
    readConfig({
      PORT: '0',
      DATABASE_URL: databaseUrl,
      FILES_DIR: filesDir,
      REPORT_WORKER: need('TEST_REPORT_WORKER'),
      TABLE_WORKER: need('TEST_TABLE_WORKER'),
      FOLD_WORKER: need('TEST_FOLD_WORKER'),
      ORDER_WORKER: need('TEST_ORDER_WORKER'),
    }),
    pino({ level: process.env['TEST_LOG'] ?? 'silent' }),
  );
  const { data } = server;
  const url = `http://127.0.0.1:${server.port}`;
  const settled = async (): Promise<void> => {
    while ((await organisationsDue(data)).length > 0) await sleep(10);
  };
  const newOrganisationHere = (name: string): Promise<Organisation> => newOrganisation(data, name);
  const signIn = async (email: string): Promise<Caller> => {
    const response = await fetch(`${url}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email, password: PASSWORD }),
    });
    if (!response.ok) throw new Error(`sign-in of ${email}: ${await response.text()}`);
    return new Caller(url, response.headers.getSetCookie()[0]?.split(';')[0] ?? '', settled);
  };
  return {
    url,
    data,
    databaseUrl,
    routes: server.routes,
    filesDir,
    settled,
    tidy: () => server.housekeeping.tidy(),
    newOrganisation: newOrganisationHere,
    signIn,
    newTeam: async (name) => {
      const org = await newOrganisationHere(name);
      const { emails } = org;
      const [manager, reviewer, technician] = await Promise.all([
        signIn(emails.manager),
        signIn(emails.reviewer),
        signIn(emails.technician),
      ]);
      return { org, manager, reviewer, technician };
    },
    close: () => server.close(),
  };
}

let hash: Promise<string> | null = null;

async function newOrganisation(data: DataSource, name: string): Promise<Organisation> {
  const id = randomUUID();
  hash ??= hashPassword(PASSWORD);
  const passwordHash = await hash;
  const person = (role: string): [string, string] => [randomUUID(), `${role}@${name}.example`];
  const [[manager, m], [reviewer, r], [technician, t]] = [
    person('manager'),
    person('reviewer'),
    person('technician'),
  ];
  const made = {
    id,
    people: { manager, reviewer, technician },
    emails: { manager: m, reviewer: r, technician: t },
    site: randomUUID(),
    template: randomUUID(),
    version: randomUUID(),
    job: randomUUID(),
    visit: randomUUID(),
    sheet: randomUUID(),
  };
  const branch = randomUUID();
  const today = new Date().toISOString().slice(0, 10);
  await inOrganisation(data, id, async (db) => {
    const add = (sql: string, values: unknown[]): Promise<unknown> => db.query(sql, values);
    await add(`INSERT INTO organisation VALUES ($1, $2, 'UTC')`, [id, name]);
    await add(`INSERT INTO branch VALUES ($1, $2, 'Depot')`, [id, branch]);
    for (const [role, who, email] of [
      ['manager', manager, m],
      ['reviewer', reviewer, r],
      ['technician', technician, t],
    ] satisfies [Role, string, string][])
      await add(`INSERT INTO person VALUES ($1, $2, $3, $4, $5, '', ARRAY[$6], 'trade', $7)`, [
        id,
        who,
        branch,
        `${role} of ${name}`,
        email,
        role,
        passwordHash,
      ]);
    await add(
      `INSERT INTO credential VALUES ($1, $2, $3, 'Licence', 'L-77', 'Guild', '2031-01-02')`,
      [id, randomUUID(), technician],
    );
    await add(
      `INSERT INTO site VALUES ($1, $2, $3, $4, '', 'Road 1', 38, -41, '', '["Dog"]', '[]')`,
      [id, made.site, branch, `Site of ${name}`],
    );
    await add(`INSERT INTO template VALUES ($1, $2, 'Round')`, [id, made.template]);
    await add(`INSERT INTO template_version VALUES ($1, $2, $3, 4, now(), $4)`, [
      id,
      made.version,
      made.template,
      TEMPLATE,
    ]);
    await add(
      `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, state)
       VALUES ($1, $2, $3, $4, $5, 'Round', 'Do it', $6, $7, 'planned')`,
      [
        id,
        made.job,
        branch,
        made.site,
        made.template,
        today,
        JSON.stringify([`client@${name}.example`]),
      ],
    );
    await add(`INSERT INTO visit VALUES ($1, $2, $3, $4, $5, 480, 45)`, [
      id,
      made.visit,
      made.job,
      technician,
      today,
    ]);
    await add(
      `INSERT INTO sheet (org_id, id, job_id, version_id, summary, template_id, title)
       VALUES ($1, $2, $3, $4, $5, $6, $7)`,
      [
        id,
        made.sheet,
        made.job,
        made.version,
        summarise(fold(planSheet(TEMPLATE), [])),
        made.template,
        TEMPLATE.title,
      ],
    );
  });
  return made;
}

let turn = 0;

/** An entry as the technician's phone would write it. */
export function entryOf(org: Organisation, over: Partial<Entry> = {}): Entry {
  turn++;
  return {
    id: timeOrderedId(Date.now() + turn, randomBytes(16)),
    sheet: org.sheet,
    path: 'temp',
    kind: 'answer',
    value: 40,
    ...((over.path ?? 'temp') === 'temp' && over.kind !== 'clear' ? { unit: 'Cel' } : {}),
    seen: [],
    by: org.people.technician,
    device: '11111111-1111-4111-8111-111111111111',
    at: new Date().toISOString(),
    prev: null,
    ...over,
  };
}

export const asEntry = (body: Entry): unknown => ({ kind: 'entry', body });
