import type { ClientRules } from '@ant-trail/contract/planning/desk';
import type { FollowUp, TemplateBody } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { clientsNamed } from '../sites/clients-named.ts';
import { ClientRow } from '../sites/entities.ts';
import { TemplateVersionRow } from '../templates/entities.ts';
import { findVersions } from '../templates/versions.ts';
import { ClientRuleRow, type JobRow } from './entities.ts';

async function mustBeClient(db: EntityManager, id: string): Promise<void> {
  if (!(await db.existsBy(ClientRow, { id }))) throw notFound('This client');
}

/** What follows the work for a client by its own rules. */
export async function clientRules(db: EntityManager, client: string): Promise<ClientRules> {
  await mustBeClient(db, client);
  const rows = await db.find(ClientRuleRow, { where: { client }, order: { template: 'ASC' } });
  return { rules: rows.map(({ template, followUp }) => ({ template, followUp })) };
}

/** Keeps a client's rules, in place of those it had. */
export async function keepClientRules(
  db: EntityManager,
  org: string,
  client: string,
  { rules }: ClientRules,
): Promise<ClientRules> {
  await mustBeClient(db, client);
  const wanted = rules.flatMap(({ template, followUp }) => [template, followUp?.template ?? []]);
  const templates = [...new Set(wanted.flat())];
  const known = await db.find(TemplateVersionRow, {
    where: { template: In(templates) },
    select: { id: true, template: true },
  });
  if (templates.some((id) => !known.some(({ template }) => template === id)))
    throw new Refusal(422, 'wrong-input', 'A sheet of these rules is not there. Choose another.');
  await db.delete(ClientRuleRow, { client });
  await db.insert(
    ClientRuleRow,
    rules.map((rule) => ({ ...rule, org, client })),
  );
  await announce(db, org, [{ kind: 'client', ref: client }]);
  return clientRules(db, client);
}

/** A sheet by whose rule the next job comes. */
export interface Followed {
  readonly rule: FollowUp;
  readonly body: TemplateBody;
}

/** What follows each sheet of a job: by the client's own rule where it has one, else the template's. */
export async function followedSheets(
  db: EntityManager,
  { site, sheets }: Pick<JobRow, 'site' | 'sheets'>,
): Promise<ReadonlyMap<string, Followed>> {
  const versions = await findVersions(db, [...new Set(sheets.map(({ version }) => version))]);
  const bodies = new Map(versions.map(({ id, body }) => [id, body]));
  const [client] = (await clientsNamed(db, [site.client])).values();
  const own = client
    ? await db.findBy(ClientRuleRow, {
        ...{ client: client.id, template: In([...new Set(sheets.map((sheet) => sheet.template))]) },
      })
    : [];
  const byTemplate = new Map(own.map((row) => [row.template, row.followUp]));
  return new Map(
    sheets.flatMap((sheet): [string, Followed][] => {
      const body = bodies.get(sheet.version);
      const of = byTemplate.get(sheet.template);
      const rule = of === undefined ? body?.followUp : of;
      return body && rule ? [[sheet.id, { rule, body }]] : [];
    }),
  );
}
