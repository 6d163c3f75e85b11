import { randomBytes, randomUUID } from 'node:crypto';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';

/** Something the office itself says in a sheet's log, in somebody's name. It is no chain of one device: each stands alone. */
export const officeEntry = (
  said: Pick<Entry, 'sheet' | 'path' | 'kind' | 'value' | 'seen' | 'by' | 'unit'>,
): Entry => ({
  ...said,
  id: timeOrderedId(Date.now(), randomBytes(16)),
  device: randomUUID(),
  at: new Date().toISOString(),
  prev: null,
});
