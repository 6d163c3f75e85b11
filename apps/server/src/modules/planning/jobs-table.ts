import { JobsQuery, type JobCard } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { peopleNamed } from '../accounts/people.ts';
import { listJobs } from './list-jobs.ts';

/** Jobs, as they can be taken along. */
export const jobsTable = listTable({
  path: '/api/jobs',
  name: 'Jobs',
  allowed: 'read',
  query: JobsQuery,
  titles: ['Day', 'Start', 'Place', 'Job', 'State', 'People', 'Sheets', 'Id'],
  page: listJobs,
  cells: async (db) => {
    const names = new Map((await peopleNamed(db)).map(({ id, name }) => [id, name]));
    return (card: JobCard): Cell[] => [
      card.job.day,
      card.visits[0] ? sayMinute(card.visits[0].start) : '',
      card.siteName,
      card.job.title,
      card.job.state,
      card.visits.map(({ person }) => (person ? (names.get(person) ?? '') : '')).join('; '),
      card.job.sheets.length,
      card.job.id,
    ];
  },
});
