import { PeopleQuery, type Person } from '@ant-trail/contract/accounts';
import { ActionsQuery, type Action } from '@ant-trail/contract/actions';
import { JobsQuery, type JobCard } from '@ant-trail/contract/planning';
import { SitesQuery, type Site } from '@ant-trail/contract/sites';
import { sayMinute } from '@ant-trail/core/calendar';
import { severityWord } from '@ant-trail/core/sheet';
import type { Route } from '../../http/route.ts';
import type { Cell } from '../../tables/table-file.ts';
import { listPeople } from '../accounts/list-people.ts';
import { peopleNamed } from '../accounts/people.ts';
import { listActions } from '../actions/list-actions.ts';
import { listJobs } from '../planning/list-jobs.ts';
import { listSites } from '../sites/list-sites.ts';
import { listTable } from './list-table.ts';

/** Every list that can be taken along as a table. */
export const listTables: readonly Route[] = [
  listTable({
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
  }),
  listTable({
    path: '/api/sites',
    name: 'Places',
    allowed: 'read',
    query: SitesQuery,
    titles: [
      'Place',
      'Client',
      'Address',
      'Latitude',
      'Longitude',
      'Getting in',
      'Hazards',
      'Contacts',
      'Id',
    ],
    page: listSites,
    cells: () =>
      Promise.resolve((site: Site): Cell[] => [
        ...[site.name, site.client, site.address, site.lat, site.lon, site.access],
        site.hazards.join('; '),
        site.contacts
          .map(({ name, role, phone, email }) =>
            [name, role, phone, email].filter(Boolean).join(', '),
          )
          .join('; '),
        site.id,
      ]),
  }),
  listTable({
    path: '/api/people',
    name: 'People',
    allowed: 'read',
    query: PeopleQuery,
    titles: ['Name', 'E-mail', 'Phone', 'Roles', 'Trade', 'Credentials', 'Id'],
    page: listPeople,
    cells: () =>
      Promise.resolve((person: Person): Cell[] => [
        ...[person.name, person.email, person.phone, person.roles.join('; '), person.trade],
        person.credentials
          .map(
            ({ kind, number, issuer, expiresOn }) =>
              `${kind} ${number}, ${issuer}, to ${expiresOn}`,
          )
          .join('; '),
        person.id,
      ]),
  }),
  listTable({
    path: '/api/actions',
    name: 'Actions',
    allowed: 'read',
    query: ActionsQuery,
    titles: ['Due', 'Action', 'Why', 'Place', 'State', 'How bad', 'Owner', 'Last word', 'Id'],
    page: listActions,
    cells: async (db) => {
      const names = new Map((await peopleNamed(db)).map(({ id, name }) => [id, name]));
      return (action: Action): Cell[] => [
        ...[action.dueOn, action.title, action.details, action.siteName, action.state],
        severityWord(action.severity),
        names.get(action.owner) ?? '',
        action.moves.at(-1)?.note ?? '',
        action.id,
      ];
    },
  }),
];
