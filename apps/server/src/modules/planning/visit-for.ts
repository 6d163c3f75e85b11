import type { Visit } from '@ant-trail/contract/planning';
import { notFound } from '../../refusals/refusal.ts';
import { type JobRow, type SheetRow } from './entities.ts';
import { visitsOf } from './jobs.ts';

/** The visit at which a sheet is filled in: that of whose it is, or of whoever leads. */
export function visitFor(job: JobRow, sheet: Pick<SheetRow, 'person'>): Visit {
  const visits = visitsOf(job);
  const found =
    visits.find(({ person }) => sheet.person !== null && person === sheet.person) ?? visits[0];
  if (!found) throw notFound('The visit of this sheet');
  return found;
}
