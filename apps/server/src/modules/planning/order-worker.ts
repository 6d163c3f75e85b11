import { estimateWay } from '@ant-trail/core/planning';
import { betterDay, type DayOrder } from '@ant-trail/core/planning/order';
import type { OrderTask } from './order-line.ts';

/** The worker thread's one door: a better order of a day, looked for as long as it may. */
export default function work({ day, from, millis }: OrderTask): DayOrder {
  return betterDay(day, estimateWay, {
    ...{ millis, now: () => performance.now() },
    ...(from ? { from } : {}),
  });
}
