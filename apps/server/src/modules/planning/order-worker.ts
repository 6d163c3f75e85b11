import { WayNetwork } from '@ant-trail/core/maps/ways';
import { betterDay, waysAmong, type DayOrder } from '@ant-trail/core/planning/order';
import type { OrderTask } from './order-line.ts';

/** The worker thread's one door: a better order of a day, looked for as long as it may. */
export default function work({ day, ways, from, millis }: OrderTask): DayOrder {
  return betterDay(day, waysAmong(new WayNetwork(ways)), {
    ...{ millis, now: () => performance.now() },
    ...(from ? { from } : {}),
  });
}
