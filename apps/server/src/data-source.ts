import { DataSource } from 'typeorm';
import { FirstWalk1763900000000 } from './database/migrations/1-first-walk.ts';
import { SiteNumber1764187200000 } from './database/migrations/10-site-number.ts';
import { AskedAtOnce1764230400000 } from './database/migrations/11-asked-at-once.ts';
import { SiteNotes1764234000000 } from './database/migrations/12-site-notes.ts';
import { StatesChecked1764237600000 } from './database/migrations/13-states-checked.ts';
import { InPlaceOf1764241200000 } from './database/migrations/14-in-place-of.ts';
import { Readers1764327600000 } from './database/migrations/15-readers.ts';
import { LettersFound1764331200000 } from './database/migrations/16-letters-found.ts';
import { KeptViews1764334800000 } from './database/migrations/17-kept-views.ts';
import { TakenVisits1764338400000 } from './database/migrations/18-taken-visits.ts';
import { Things1764342000000 } from './database/migrations/19-things.ts';
import { Catalogues1763986000000 } from './database/migrations/2-catalogues.ts';
import { WhoSuits1764345600000 } from './database/migrations/20-who-suits.ts';
import { Maps1764349200000 } from './database/migrations/21-maps.ts';
import { Records1764352800000 } from './database/migrations/22-records.ts';
import { OwnFields1764439200000 } from './database/migrations/23-own-fields.ts';
import { Documents1764442800000 } from './database/migrations/24-documents.ts';
import { Settings1764446400000 } from './database/migrations/25-settings.ts';
import { Feedback1764450000000 } from './database/migrations/26-feedback.ts';
import { ArrivalWithdrawn1764453600000 } from './database/migrations/27-arrival-withdrawn.ts';
import { FinishedSheets1764457200000 } from './database/migrations/28-finished-sheets.ts';
import { Shapes1764464400000 } from './database/migrations/29-shapes.ts';
import { AlsoIn1764550800000 } from './database/migrations/30-also-in.ts';
import { Rounds1764554400000 } from './database/migrations/31-rounds.ts';
import { OnTheWay1764558000000 } from './database/migrations/32-on-the-way.ts';
import { FollowUps1764561600000 } from './database/migrations/33-follow-ups.ts';
import { CalendarLinks1764565200000 } from './database/migrations/34-calendar-links.ts';
import { Planners1764651600000 } from './database/migrations/35-planners.ts';
import { Timesheet1764655200000 } from './database/migrations/36-timesheet.ts';
import { ClientRules1764662400000 } from './database/migrations/38-client-rules.ts';
import { Signing1764666000000 } from './database/migrations/39-signing.ts';
import { FoundPlaces1764669600000 } from './database/migrations/40-found-places.ts';
import { Favourites1764673200000 } from './database/migrations/41-favourites.ts';
import { TemplatesOnPhones1764676800000 } from './database/migrations/42-templates-on-phones.ts';
import { Consents1764849600000 } from './database/migrations/44-consents.ts';
import { WordsForRecipients1764763200000 } from './database/migrations/43-words-for-recipients.ts';
import { Messages1764658800000 } from './database/migrations/37-messages.ts';
import { Register1764057600000 } from './database/migrations/3-register.ts';
import { FeedByTransaction1764090000000 } from './database/migrations/4-feed-by-transaction.ts';
import { SignIn1764093600000 } from './database/migrations/5-sign-in.ts';
import { SecondPerson1764122400000 } from './database/migrations/6-second-person.ts';
import { Parts1764126000000 } from './database/migrations/7-parts.ts';
import { Reach1764180000000 } from './database/migrations/8-reach.ts';
import { PeopleAndPlaces1764183600000 } from './database/migrations/9-people-and-places.ts';
import { CONNECTIONS } from './database/tenancy.ts';
import { EntryRow } from './log/entities.ts';
import {
  BranchRow,
  CredentialRow,
  PersonBranchRow,
  OrganisationRow,
  PersonRow,
} from './modules/accounts/entities.ts';
import { ActionMoveRow, ActionRow } from './modules/actions/entities.ts';
import { ArrivalDetailRow, ArrivalOpeningRow } from './modules/arrival/entities.ts';
import { KeptViewRow } from './modules/lists/entities.ts';
import { CatalogueEntity } from './modules/catalogues/entities.ts';
import {
  ClientRuleRow,
  FavouriteRow,
  SheetRow,
  FollowUpRow,
  HandoverRow,
  JobDecisionRow,
  JobRow,
  SignedOnSiteRow,
  TakenVisitRow,
  VisitEventRow,
  VisitRow,
} from './modules/planning/entities.ts';
import { MessageRow, OnTheWayRow } from './modules/messages/entities.ts';
import { HolidayRow, RoundRow, RoundWalkRow } from './modules/rounds/entities.ts';
import { ClockEntryRow, HoursApprovalRow, SiteTimeRow } from './modules/timesheet/entities.ts';
import { AssetEventRow, AssetKindRow, AssetRow } from './modules/register/entities.ts';
import { ClientRow, SiteNoteRow, SiteRow } from './modules/sites/entities.ts';
import { DocumentRow } from './modules/documents/entities.ts';
import { FeedbackRow } from './modules/feedback/entities.ts';
import { OwnFieldsRow } from './modules/fields/entities.ts';
import { MapLayerRow } from './modules/maps/entities.ts';
import { TagRow } from './modules/tags/entities.ts';
import { TemplateVersionRow } from './modules/templates/entities.ts';

const ENTITIES = [
  OrganisationRow,
  BranchRow,
  PersonRow,
  CredentialRow,
  PersonBranchRow,
  KeptViewRow,
  SiteRow,
  SiteNoteRow,
  ClientRow,
  MapLayerRow,
  OwnFieldsRow,
  FeedbackRow,
  DocumentRow,
  TemplateVersionRow,
  CatalogueEntity,
  AssetRow,
  AssetKindRow,
  AssetEventRow,
  TagRow,
  ArrivalDetailRow,
  ArrivalOpeningRow,
  JobRow,
  VisitRow,
  VisitEventRow,
  JobDecisionRow,
  HandoverRow,
  TakenVisitRow,
  FollowUpRow,
  ClientRuleRow,
  SignedOnSiteRow,
  FavouriteRow,
  RoundRow,
  RoundWalkRow,
  HolidayRow,
  OnTheWayRow,
  MessageRow,
  ClockEntryRow,
  SiteTimeRow,
  HoursApprovalRow,
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
      AskedAtOnce1764230400000,
      SiteNotes1764234000000,
      StatesChecked1764237600000,
      InPlaceOf1764241200000,
      Readers1764327600000,
      LettersFound1764331200000,
      KeptViews1764334800000,
      TakenVisits1764338400000,
      Things1764342000000,
      WhoSuits1764345600000,
      Maps1764349200000,
      Records1764352800000,
      OwnFields1764439200000,
      Documents1764442800000,
      Settings1764446400000,
      Feedback1764450000000,
      ArrivalWithdrawn1764453600000,
      FinishedSheets1764457200000,
      Shapes1764464400000,
      AlsoIn1764550800000,
      Rounds1764554400000,
      OnTheWay1764558000000,
      FollowUps1764561600000,
      CalendarLinks1764565200000,
      Planners1764651600000,
      Timesheet1764655200000,
      Messages1764658800000,
      ClientRules1764662400000,
      Signing1764666000000,
      FoundPlaces1764669600000,
      Favourites1764673200000,
      TemplatesOnPhones1764676800000,
      WordsForRecipients1764763200000,
      Consents1764849600000,
    ],
    migrationsTableName: 'migration',
    logging: false,
    poolSize: 2,
  });
}
