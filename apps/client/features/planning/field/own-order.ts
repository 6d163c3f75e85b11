import type { Person } from '@ant-trail/contract/accounts';
import type { OwnOrder } from '@ant-trail/contract/planning';
import type { Place } from '@ant-trail/core/geo';
import { holdsOf } from '@ant-trail/core/planning';
import {
  hoursOfDay,
  isToOrder,
  promisedSpan,
  standingOf,
  type DayOfWork,
  type DayOrder,
} from '@ant-trail/core/planning/order';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { doHere } from '@/features/sync/outbox.ts';
import type { OrderAsked, OrderTold } from './order-worker.ts';
import type { TrailStop } from './trail.ts';

export interface OwnDay {
  readonly person: Pick<Person, 'id' | 'hours' | 'vehicle'>;
  /** Where their day begins and ends; null where this phone does not know. */
  readonly startsAt: Place | null;
  readonly day: string;
  readonly now: number;
  readonly timeZone: string;
  readonly stops: readonly TrailStop[];
}

/** The rest of somebody’s own day, as far as this phone knows it. */
export function ownDayOfWork({ person, startsAt, day, now, timeZone, stops }: OwnDay): DayOfWork {
  return {
    ...{ now, evenly: false },
    people: [
      {
        ...{ id: person.id, startsAt, away: false },
        hours: hoursOfDay(person.hours, day),
        holds: holdsOf(person.vehicle),
      },
    ],
    visits: stops
      .filter(({ job, visit }) => isToOrder(job.state, visit, timeZone))
      .map(({ visit, job, site, others }) => ({
        ...{ id: visit.id, person: person.id, start: visit.start, minutes: visit.minutes },
        at: { lat: site.lat, lon: site.lon },
        promised: promisedSpan(job),
        together: others.some((other) => other.day === day) ? job.id : null,
        standing: standingOf(visit, timeZone),
        ...{ unsuited: [], lastPerson: null },
        takes: visit.part === 'leads' ? job.takes : [],
      })),
  };
}

/** The best so far is told after these, in milliseconds. */
const ROUNDS = [500, 1_500];

/** Looks for a better order beside the page. Gives what ends it. */
export function lookForOrder(
  day: DayOfWork,
  layers: OrderAsked['layers'],
  onFound: (order: DayOrder, isLast: boolean) => void,
  onTrouble: () => void,
): () => void {
  const worker = new Worker('/order-worker.js');
  let told = 0;
  worker.addEventListener('message', ({ data }: MessageEvent<OrderTold>) => {
    told++;
    onFound(data, told === ROUNDS.length);
  });
  worker.addEventListener('error', onTrouble);
  worker.postMessage({ day, layers, rounds: ROUNDS } satisfies OrderAsked);
  return () => worker.terminate();
}

/** What becomes other of one’s stops, in the order they are walked then. */
export const movedIn = (order: DayOrder, stops: readonly TrailStop[]): OwnOrder['stops'] =>
  (order.trails[0]?.stops ?? []).flatMap(({ visit: id, start }) => {
    const visit = stops.find((each) => each.visit.id === id)?.visit;
    return visit && visit.events.length === 0 && visit.start !== start
      ? [{ visit: id, was: visit.start, start }]
      : [];
  });

/** Takes up an order of one’s own stops; the office hears of it. */
export async function takeOwnOrder(
  store: LocalStore,
  by: string,
  day: string,
  stops: OwnOrder['stops'],
): Promise<void> {
  const body: OwnOrder = { id: newId(), day, stops, by, at: officeTime().toISOString() };
  await doHere(store, { kind: 'own order', body });
}
