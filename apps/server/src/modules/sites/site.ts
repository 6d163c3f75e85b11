import type { Site } from '@ant-trail/contract/sites';
import type { SiteRow } from './entities.ts';

export function siteOf(row: SiteRow): Site {
  const { id, name, client, number, address, lat, lon, access } = row;
  const { hazards, hazardEnds, contacts, radius, owner, branch, own, retired, found } = row;
  return {
    ...{ id, name, client, number, address, lat, lon, access },
    ...{ hazards, hazardEnds, contacts, radius, owner, branch, own, retired, found },
  };
}
