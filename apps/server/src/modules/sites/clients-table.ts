import { ClientsQuery, type Client } from '@ant-trail/contract/sites';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { ownCells, titlesWithOwn } from '../fields/own-cells.ts';
import { listClients } from './clients.ts';

const TITLES = ['Client', 'Number', 'Address', 'Contacts', 'Note', 'Places', 'Id'];

/** Clients, as they can be taken along. */
export const clientsTable = listTable({
  path: '/api/clients',
  name: 'Clients',
  allowed: 'read',
  query: ClientsQuery,
  titles: (db) => titlesWithOwn(db, 'client', TITLES),
  page: listClients,
  cells: async (db) => {
    const own = await ownCells(db, 'client');
    return (client: Client): Cell[] => [
      ...[client.name, client.number, client.address],
      client.contacts
        .map(({ name, role, phone, email }) =>
          [name, role, phone, email].filter(Boolean).join(', '),
        )
        .join('; '),
      ...[client.note, client.places, ...own(client.own), client.id],
    ];
  },
});
