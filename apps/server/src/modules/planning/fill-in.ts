import { randomUUID } from 'node:crypto';
import type { Entry } from '@ant-trail/core/log';
import { fillIn, problemWithEntry, type TemplateVersion, type Told } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { appendEntries } from '../../log/append.ts';
import { officeEntry } from '../../log/office-entry.ts';
import { planOf } from '../templates/versions.ts';

interface Filling {
  readonly sheet: string;
  readonly version: TemplateVersion;
  readonly told: Told;
  /** In whose name. */
  readonly by: string;
}

/** Fills a new sheet in with what the one before tells it; what is judged or measured stays for whoever is there. */
export async function fillInSheet(
  db: EntityManager,
  organisation: string,
  { sheet, version, told, by }: Filling,
): Promise<void> {
  const plan = planOf(version);
  const entries = fillIn(told, randomUUID).map((known) =>
    officeEntry({ ...known, sheet, kind: 'prepare', seen: [], by }),
  );
  const refused = entries.filter((entry) => problemWithEntry(plan, entry) !== null);
  // What stands in a row that can't be there has no place either.
  const fits = ({ path }: Entry): boolean =>
    !refused.some((entry) => path === entry.path || path.startsWith(`${entry.path}/`));
  await appendEntries(db, organisation, entries.filter(fits));
}
