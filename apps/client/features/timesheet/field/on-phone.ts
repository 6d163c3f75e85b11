import type { ClockSaid, SiteTimeSaid } from '@ant-trail/contract/timesheet';
import type { EntityTable } from 'dexie';
import type { OnPhone } from '@/device/local-store.ts';
import { CLOCK_WORDS } from '../clock-words.ts';

declare module '@/device/local-store.ts' {
  interface LocalStore {
    clock: EntityTable<ClockSaid, 'id'>;
    siteTimes: EntityTable<SiteTimeSaid, 'id'>;
  }
}

/** What its person said of their own days. */
export const timesheetOnPhone = {
  tables: { 10: { clock: 'id, day', siteTimes: 'id, visit' } },
  operations: {
    clock: {
      place: ({ person }) => person,
      say: ({ step, day }) => `Your hours of ${day}: ${step ? CLOCK_WORDS[step] : 'struck out'}`,
      show: (store, said) => store.clock.put(said),
      takeBack: (store, { id }) => store.clock.delete(id),
    },
    'site time': {
      place: ({ visit }) => visit,
      say: () => 'Your time at a stop, put right',
      show: (store, said) => store.siteTimes.put(said),
      takeBack: (store, { id }) => store.siteTimes.delete(id),
    },
  },
} satisfies OnPhone;
