import type { PhoneRecords } from '../../phones/record.ts';
import { personRecords } from '../accounts/phone-records.ts';
import { arrivalRecords } from '../arrival/phone-records.ts';
import { earlierRecords, entryRecords, seriesRecords } from '../capture/phone-records.ts';
import { catalogueRecords } from '../catalogues/phone-records.ts';
import { documentRecords } from '../documents/phone-records.ts';
import { ownFieldRecords } from '../fields/phone-records.ts';
import { mapRecords } from '../maps/phone-records.ts';
import { jobRecords, visitRecords } from '../planning/phone-records.ts';
import { assetKindRecords, assetRecords } from '../register/phone-records.ts';
import { favouriteRecords } from '../planning/favourites.ts';
import { messageRecords } from '../messages/messages.ts';
import { toldRecords } from '../messages/told.ts';
import { roundRecords } from '../rounds/phone-records.ts';
import { siteNoteRecords, siteRecords } from '../sites/phone-records.ts';
import { tagRecords } from '../tags/phone-records.ts';
import { templateRecords } from '../templates/phone-records.ts';

/** Every kind of record a phone keeps, in the order they are sent. */
export const RECORD_SOURCES: readonly PhoneRecords[] = [
  personRecords,
  catalogueRecords,
  mapRecords,
  ownFieldRecords,
  documentRecords,
  siteRecords,
  assetRecords,
  assetKindRecords,
  tagRecords,
  templateRecords,
  jobRecords,
  visitRecords,
  entryRecords,
  seriesRecords,
  earlierRecords,
  siteNoteRecords,
  arrivalRecords,
  roundRecords,
  toldRecords,
  messageRecords,
  favouriteRecords,
];
