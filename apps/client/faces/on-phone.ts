import type { OperationKind, RecordKind } from '@ant-trail/contract/sync';
import type { OnPhone } from '@/device/local-store.ts';
import { accountsOnPhone } from '@/features/accounts/field/on-phone.ts';
import { actionsOnPhone } from '@/features/actions/field/on-phone.ts';
import { arrivalOnPhone } from '@/features/arrival/field/on-phone.ts';
import { captureOnPhone } from '@/features/capture/field/on-phone.ts';
import { cataloguesOnPhone } from '@/features/catalogues/field/on-phone.ts';
import { documentsOnPhone } from '@/features/documents/field/on-phone.ts';
import { feedbackOnPhone } from '@/features/feedback/field/on-phone.ts';
import { fieldsOnPhone } from '@/features/fields/field/on-phone.ts';
import { mapsOnPhone } from '@/features/maps/field/on-phone.ts';
import { messagesOnPhone } from '@/features/messages/field/on-phone.ts';
import { planningOnPhone } from '@/features/planning/field/on-phone.ts';
import { registerOnPhone } from '@/features/register/field/on-phone.ts';
import { roundsOnPhone } from '@/features/rounds/field/on-phone.ts';
import { sitesOnPhone } from '@/features/sites/field/on-phone.ts';
import { tagsOnPhone } from '@/features/tags/field/on-phone.ts';
import { templatesOnPhone } from '@/features/templates/field/on-phone.ts';
import { timesheetOnPhone } from '@/features/timesheet/field/on-phone.ts';

/** What phones keep and send, a line for each capability. */
const PARTS = [
  accountsOnPhone,
  fieldsOnPhone,
  documentsOnPhone,
  sitesOnPhone,
  registerOnPhone,
  tagsOnPhone,
  arrivalOnPhone,
  cataloguesOnPhone,
  mapsOnPhone,
  templatesOnPhone,
  planningOnPhone,
  messagesOnPhone,
  timesheetOnPhone,
  roundsOnPhone,
  captureOnPhone,
  actionsOnPhone,
  feedbackOnPhone,
] as const;

type KeysOf<Part, Of extends keyof OnPhone> = Part extends { [Key in Of]: infer Declared }
  ? keyof Declared
  : never;
type MissingRecord = Exclude<RecordKind, KeysOf<(typeof PARTS)[number], 'records'>>;
type MissingOperation = Exclude<OperationKind, KeysOf<(typeof PARTS)[number], 'operations'>>;
type Complete = [MissingRecord, MissingOperation] extends [never, never] ? unknown : never;

/** A kind of record or operation that no capability declares does not compile here. */
export const ON_PHONE: readonly OnPhone[] = PARTS satisfies Complete;
