import { ClientsQuery, type Client } from '@ant-trail/contract/sites';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { listClients } from './clients.ts';

/** Clients, as they can be taken along. */
export const clientsTable = listTable({
  path: '/api/clients',
  name: 'Clients',
  allowed: 'read',
  query: ClientsQuery,
  titles: ['Client', 'Number', 'Address', 'Contacts', 'Note', 'Places', 'Id'],
  page: listClients,
  cells: () =>
    Promise.resolve((client: Client): Cell[] => [
      ...[client.name, client.number, client.address],
      client.contacts
        .map(({ name, role, phone, email }) =>
          [name, role, phone, email].filter(Boolean).join(', '),
        )
        .join('; '),
      ...[client.note, client.places, client.id],
    ]),
});
