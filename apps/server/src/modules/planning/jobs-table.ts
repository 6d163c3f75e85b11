import { type JobCard } from '@ant-trail/contract/planning';
import { JobsQuery } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { peopleNamed } from '../accounts/people.ts';
import { ownCells, titlesWithOwn } from '../fields/own-cells.ts';
import { listJobs } from './list-jobs.ts';

const TITLES = ['Day', 'Start', 'Place', 'Job', 'State', 'People', 'Sheets', 'Id'];

/** Jobs, as they can be taken along. */
export const jobsTable = listTable({
  path: '/api/jobs',
  name: 'Jobs',
  allowed: 'read',
  query: JobsQuery,
  titles: (db) => titlesWithOwn(db, 'job', TITLES),
  page: listJobs,
  cells: async (db) => {
    const own = await ownCells(db, 'job');
    const names = new Map((await peopleNamed(db)).map(({ id, name }) => [id, name]));
    return (card: JobCard): Cell[] => [
      card.job.day,
      card.visits[0] ? sayMinute(card.visits[0].start) : '',
      card.siteName,
      card.job.title,
      card.job.state,
      card.visits.map(({ person }) => (person ? (names.get(person) ?? '') : '')).join('; '),
      card.job.sheets.length,
      ...own(card.job.own),
      card.job.id,
    ];
  },
});
