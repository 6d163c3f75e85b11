import { OwnFieldsAnswer, type OwnFields } from '@ant-trail/contract/fields';
import type { FieldHolder } from '@ant-trail/core/fields';
import { useOffice } from '@/device/office.ts';

/** The fields the office has defined for all jobs, places or clients; none as long as they are not known. */
export const useOwnFields = (holder: FieldHolder): Pick<OwnFields, 'fields' | 'reported'> =>
  useOffice(OwnFieldsAnswer, '/api/own-fields', ['own fields']).answer?.own.find(
    (each) => each.holder === holder,
  ) ?? NONE;

const NONE: Pick<OwnFields, 'fields' | 'reported'> = { fields: [], reported: [] };
