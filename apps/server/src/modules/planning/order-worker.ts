import { WayNetwork } from '@ant-trail/core/maps/ways';
import { estimateWay } from '@ant-trail/core/planning';
import { betterDay, waysAmong, type DayOrder } from '@ant-trail/core/planning/order';
import type { OrderTask, WaysTask } from './order-line.ts';

/** The worker thread's one door: a better order of a day, looked for as long as it may, or ways. */
export default function work(task: OrderTask | WaysTask): DayOrder | number[] {
  if (task.task === 'ways') return minutesOf(task);
  const { day, ways, from, millis } = task;
  return betterDay(day, waysAmong(new WayNetwork(ways)), {
    ...{ millis, now: () => performance.now() },
    ...(from ? { from } : {}),
  });
}

function minutesOf({ asked, ways }: WaysTask): number[] {
  const network = new WayNetwork(ways);
  return asked.map(
    ({ from, to }) => network.way(from, to, 'vehicle')?.minutes ?? estimateWay(from, to).minutes,
  );
}
