import { DataSource } from 'typeorm';
import {
  BranchRow,
  CredentialRow,
  OrganisationRow,
  PersonRow,
} from '../modules/accounts/entities.ts';
import { ActionMoveRow, ActionRow } from '../modules/actions/entities.ts';
import { EntryRow, SheetRow } from '../modules/capture/entities.ts';
import { JobRow, VisitEventRow, VisitRow } from '../modules/planning/entities.ts';
import { SiteRow } from '../modules/sites/entities.ts';
import { TemplateVersionRow } from '../modules/templates/entities.ts';
import { FirstWalk1763900000000 } from './migrations/1-first-walk.ts';

const ENTITIES = [
  OrganisationRow,
  BranchRow,
  PersonRow,
  CredentialRow,
  SiteRow,
  TemplateVersionRow,
  JobRow,
  VisitRow,
  VisitEventRow,
  SheetRow,
  EntryRow,
  ActionRow,
  ActionMoveRow,
];

/** The connection the application works with: under the role that can't bypass row-level security. */
export function applicationData(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    logging: false,
    poolSize: 12,
  });
}

/** The connection of the database's owner, for migrations and for loading the demo. */
export function ownerData(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [FirstWalk1763900000000],
    migrationsTableName: 'migration',
    logging: false,
    poolSize: 2,
  });
}
