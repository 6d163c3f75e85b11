import { SitesQuery, type Site } from '@ant-trail/contract/sites';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { ownCells, titlesWithOwn } from '../fields/own-cells.ts';
import { listSites } from './list-sites.ts';

const TITLES = [
  ...['Place', 'Client', 'Address', 'Latitude', 'Longitude', 'Getting in', 'Hazards', 'Contacts'],
  'Id',
];

/** Places, as they can be taken along. */
export const sitesTable = listTable({
  path: '/api/sites',
  name: 'Places',
  allowed: 'read',
  query: SitesQuery,
  titles: (db) => titlesWithOwn(db, 'place', TITLES),
  page: listSites,
  cells: async (db) => {
    const own = await ownCells(db, 'place');
    return (site: Site): Cell[] => [
      ...[site.name, site.client, site.address, site.lat, site.lon, site.access],
      site.hazards.join('; '),
      site.contacts
        .map(({ name, role, phone, email }) =>
          [name, role, phone, email].filter(Boolean).join(', '),
        )
        .join('; '),
      ...own(site.own),
      site.id,
    ];
  },
});
