import { EMPTY_SUMMARY, type TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { markDue } from '../../log/due.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { AssetRow } from '../register/entities.ts';
import { SheetRow } from './entities.ts';

export interface NewSheet {
  readonly id: string;
  readonly version: TemplateVersion;
  readonly asset: string | null;
  readonly person: string | null;
  readonly expected: boolean;
  readonly addedBy: string | null;
}

/** Sheets of a job as they are put down, behind so many that it has. */
export const rowsOf = (org: string, job: string, sheets: readonly NewSheet[], behind = 0) =>
  sheets.map(({ id, version, asset, person, expected, addedBy }, index) => ({
    ...{ org, id, job: { id: job }, asset, person, expected, addedBy },
    version: version.id,
    template: version.template,
    title: version.body.title,
    place: behind + index,
    summary: EMPTY_SUMMARY,
  }));

/** Adds sheets to a job, behind those it has. */
export async function addSheets(
  db: EntityManager,
  organisation: string,
  job: string,
  sheets: readonly NewSheet[],
): Promise<void> {
  const behind = await db.countBy(SheetRow, { job: { id: job } });
  await db.insert(SheetRow, rowsOf(organisation, job, sheets, behind));
  await markDue(
    db,
    organisation,
    sheets.map(({ id }) => id),
  );
}

/** Throws a Refusal where a thing is not one of the place. */
export async function mustStandAt(
  db: EntityManager,
  site: string,
  asset: string | null,
): Promise<void> {
  if (asset !== null && !(await db.existsBy(AssetRow, { id: asset, site })))
    throw new Refusal(422, 'other-site', 'This thing is not one of the place.');
}
