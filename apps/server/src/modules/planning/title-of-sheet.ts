import { type JobRow, type SheetRow } from './entities.ts';

/** What a sheet is called where it stands alone: as its job, unless that has several. */
export const titleOfSheet = (
  job: Pick<JobRow, 'title' | 'sheets'>,
  sheet: Pick<SheetRow, 'title'> | undefined,
): string => (job.sheets.length > 1 ? (sheet?.title ?? job.title) : job.title);
