import type { Dossier } from '@ant-trail/contract/review';
import type { Entry, Oddity } from '@ant-trail/core/log';
import type { EntityManager } from 'typeorm';
import { entriesOf } from '../../log/append.ts';
import { notFound } from '../../refusals/refusal.ts';
import { findActions } from '../actions/actions.ts';
import { earlierReadings } from '../capture/series.ts';
import { countedThen } from '../documents/counted-then.ts';
import { findJob, jobOf } from '../planning/jobs.ts';
import { titleOfSheet } from '../planning/title-of-sheet.ts';
import { visitFor } from '../planning/visit-for.ts';
import { siteOf } from '../sites/site.ts';
import { findVersions } from '../templates/versions.ts';

/** One sheet with all that is needed to read it: the desk and the report both start here. */
export async function findDossier(db: EntityManager, sheet: string): Promise<Dossier> {
  const row = await findJob(db, { sheets: { id: sheet } });
  const here = row.sheets.find(({ id }) => id === sheet);
  if (!here) throw notFound('This sheet');
  const [version] = await findVersions(db, [here.version]);
  if (!version) throw notFound('The template of this sheet');
  const entries = await entriesOf(db, sheet);
  const receivedAt: Record<string, string> = {};
  const odd: Record<string, Oddity[]> = {};
  for (const entry of entries) {
    receivedAt[entry.id] = entry.receivedAt.toISOString();
    if (entry.odd.length > 0) odd[entry.id] = entry.odd;
  }
  const photos = await db.query<{ sha256: string; received_at: Date }[]>(
    `SELECT sha256, received_at FROM media WHERE sha256 = ANY ($1)`,
    [here.summary.photos],
  );
  for (const photo of photos) receivedAt[photo.sha256] = photo.received_at.toISOString();
  return {
    sheet: { id: sheet, job: row.id, version: here.version },
    job: { ...jobOf(row), title: titleOfSheet(row, here) },
    visit: visitFor(row, here),
    site: siteOf(row.site),
    version,
    entries: entries.map((entry) => entry.body),
    series: await earlierReadings(db, { ...here, site: row.site.id }),
    actions: await findActions(db, { sheet }),
    documents: await countedThen(db, { ...here, site: row.site.id }, finishedAt(entries)),
    receivedAt,
    odd,
    trouble: here.trouble,
  };
}

/** When a sheet was last finished; now, where it was not. */
function finishedAt(entries: readonly { readonly body: Entry }[]): string {
  const finish = entries.findLast(({ body }) => body.kind === 'finish');
  return finish?.body.at ?? new Date().toISOString();
}
