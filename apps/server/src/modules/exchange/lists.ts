import type { Route } from '../../http/route.ts';
import { peopleTable } from '../accounts/people-table.ts';
import { actionsTable } from '../actions/actions-table.ts';
import { documentsTable } from '../documents/documents-table.ts';
import { jobsTable } from '../planning/jobs-table.ts';
import { recordsTable } from '../records/records-table.ts';
import { assetsTable } from '../register/assets-table.ts';
import { clientsTable } from '../sites/clients-table.ts';
import { roundsTable } from '../rounds/rounds-table.ts';
import { hoursTable } from '../timesheet/hours-table.ts';
import { sitesTable } from '../sites/sites-table.ts';

/** Every list that can be taken along as a table, a line for each capability. */
export const listTables: readonly Route[] = [
  jobsTable,
  sitesTable,
  clientsTable,
  assetsTable,
  documentsTable,
  peopleTable,
  actionsTable,
  recordsTable,
  roundsTable,
  hoursTable,
];
