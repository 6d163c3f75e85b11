import { byId, phoneRecords } from '../../phones/record.ts';
import { findVersions } from './versions.ts';

/** The versions one's sheets were begun under. */
export const templateRecords = phoneRecords({
  kind: 'template',
  withJobs: async (db, jobs) =>
    byId(
      await findVersions(
        db,
        jobs.flatMap(({ sheets }) => sheets.map(({ version }) => version)),
      ),
    ),
});
