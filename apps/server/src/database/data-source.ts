import { DataSource } from 'typeorm';
import {
  BranchRow,
  CredentialRow,
  OrganisationRow,
  PersonRow,
} from '../modules/accounts/entities.ts';
import { ActionMoveRow, ActionRow } from '../modules/actions/entities.ts';
import { CatalogueEntity } from '../modules/catalogues/entities.ts';
import { EntryRow, SheetRow } from '../modules/capture/entities.ts';
import {
  HandoverRow,
  JobDecisionRow,
  JobRow,
  VisitEventRow,
  VisitRow,
} from '../modules/planning/entities.ts';
import { AssetRow } from '../modules/register/entities.ts';
import { SiteRow } from '../modules/sites/entities.ts';
import { TemplateVersionRow } from '../modules/templates/entities.ts';
import { FirstWalk1763900000000 } from './migrations/1-first-walk.ts';
import { Catalogues1763986000000 } from './migrations/2-catalogues.ts';
import { Register1764057600000 } from './migrations/3-register.ts';
import { FeedByTransaction1764090000000 } from './migrations/4-feed-by-transaction.ts';
import { SignIn1764093600000 } from './migrations/5-sign-in.ts';
import { SecondPerson1764122400000 } from './migrations/6-second-person.ts';
import { Parts1764126000000 } from './migrations/7-parts.ts';
import { Reach1764180000000 } from './migrations/8-reach.ts';
import { PeopleAndPlaces1764183600000 } from './migrations/9-people-and-places.ts';
import { SiteNumber1764187200000 } from './migrations/10-site-number.ts';
import { CONNECTIONS } from './tenancy.ts';

const ENTITIES = [
  OrganisationRow,
  BranchRow,
  PersonRow,
  CredentialRow,
  SiteRow,
  TemplateVersionRow,
  CatalogueEntity,
  AssetRow,
  JobRow,
  VisitRow,
  VisitEventRow,
  JobDecisionRow,
  HandoverRow,
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
    poolSize: CONNECTIONS,
    extra: {
      // Readers of the feed wait for the oldest transaction: none may lie about, or take for ever.
      options: '-c idle_in_transaction_session_timeout=30000 -c statement_timeout=30000',
    },
  });
}

/** The connection of the database's owner, for migrations and for loading the demo. */
export function ownerData(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [
      FirstWalk1763900000000,
      Catalogues1763986000000,
      Register1764057600000,
      FeedByTransaction1764090000000,
      SignIn1764093600000,
      SecondPerson1764122400000,
      Parts1764126000000,
      Reach1764180000000,
      PeopleAndPlaces1764183600000,
      SiteNumber1764187200000,
    ],
    migrationsTableName: 'migration',
    logging: false,
    poolSize: 2,
  });
}
