import type { Site } from '@ant-trail/contract/sites';
import type { SiteRow } from './entities.ts';

export function siteOf(row: SiteRow): Site {
  const { id, name, client, number, address, lat, lon, access } = row;
  const { hazards, contacts, retired } = row;
  return { id, name, client, number, address, lat, lon, access, hazards, contacts, retired };
}
