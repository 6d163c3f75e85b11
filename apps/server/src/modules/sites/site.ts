import type { Site } from '@ant-trail/contract/sites';
import type { SiteRow } from './entities.ts';

export function siteOf(row: SiteRow): Site {
  const { id, name, client, address, lat, lon, access, hazards, contacts, retired } = row;
  return { id, name, client, address, lat, lon, access, hazards, contacts, retired };
}
