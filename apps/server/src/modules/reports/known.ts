import type { Dossier } from '@ant-trail/contract/review';
import type { FieldHolder } from '@ant-trail/core/fields';
import type { EntityManager } from 'typeorm';
import { ownFields } from '../fields/own-fields.ts';
import { ClientRow } from '../sites/entities.ts';
import type { ReportData } from './data.ts';

/** In the order a report names them: from the widest to the nearest. */
const HOLDERS: readonly FieldHolder[] = ['client', 'place', 'job'];

/** What is known by own fields, as far as reports are to show it. */
export async function knownOf(
  db: EntityManager,
  { job, site }: Dossier,
): Promise<ReportData['known']> {
  const all = await ownFields(db);
  if (all.length === 0) return [];
  const client = await db
    .createQueryBuilder(ClientRow, 'c')
    .where('lower(trim(c.name)) = lower(trim(:name))', { name: site.client })
    .getOne();
  const facts = { job: job.own ?? {}, place: site.own ?? {}, client: client?.own ?? {} };
  return HOLDERS.flatMap((holder) => {
    const own = all.find((each) => each.holder === holder);
    return (own?.fields ?? [])
      .filter(({ key }) => own?.reported.includes(key) && Object.hasOwn(facts[holder], key))
      .map((field) => ({ field, facts: facts[holder] }));
  });
}
