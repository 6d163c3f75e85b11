import type { Person } from '@ant-trail/contract/accounts';
import type { Dossier } from '@ant-trail/contract/review';

/** All that a report is drawn from; it crosses to the worker thread as it is. */
export interface ReportData {
  readonly dossier: Dossier;
  readonly people: readonly Person[];
  readonly organisation: string;
  readonly timeZone: string;
  readonly photos: Readonly<Record<string, Uint8Array>>;
}
