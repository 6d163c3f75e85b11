import type { Person } from '@ant-trail/contract/accounts';
import type { Facts, Field } from '@ant-trail/core/fields';
import type { Revision } from '@ant-trail/core/review';
import type { Dossier } from '@ant-trail/contract/review';

/** All that a report is drawn from; it crosses to the worker thread as it is. */
export interface ReportData {
  readonly dossier: Dossier;
  readonly people: readonly Person[];
  readonly organisation: string;
  readonly timeZone: string;
  /** What is known of job, place and client by own fields that are shown in reports. */
  readonly known: readonly { readonly field: Field; readonly facts: Facts }[];
  /** What makes it another version than the first; null where none went out before. */
  readonly revision: Revision | null;
  /** The path of a consent that is drawn alone; null for the whole report. */
  readonly consent: string | null;
  readonly photos: Readonly<Record<string, Uint8Array>>;
}
