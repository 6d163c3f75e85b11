import { PeopleQuery, type Person } from '@ant-trail/contract/accounts';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { listPeople } from './list-people.ts';

/** People, as they can be taken along. */
export const peopleTable = listTable({
  path: '/api/people',
  name: 'People',
  allowed: 'read',
  query: PeopleQuery,
  titles: ['Name', 'E-mail', 'Phone', 'Roles', 'Trade', 'Credentials', 'Skills', 'Id'],
  page: listPeople,
  cells: () =>
    Promise.resolve((person: Person): Cell[] => [
      ...[person.name, person.email, person.phone, person.roles.join('; '), person.trade],
      person.credentials
        .map(
          ({ kind, number, issuer, expiresOn }) => `${kind} ${number}, ${issuer}, to ${expiresOn}`,
        )
        .join('; '),
      person.skills.join('; '),
      person.id,
    ]),
});
