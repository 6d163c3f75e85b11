import { WayNetwork } from '@ant-trail/core/maps/ways';
import { estimateWay } from '@ant-trail/core/planning';
import { betterDay, waysAmong, type DayOrder } from '@ant-trail/core/planning/order';
import type { OrderTask, WaysTask } from './order-line.ts';

/** The worker thread's one door: a better order of a day, looked for as long as it may, or ways. */
export default function work(task: OrderTask | WaysTask): DayOrder | (number | null)[] {
  if (task.task === 'ways') return minutesOf(task);
  const { day, ways, from, millis } = task;
  return betterDay(day, waysAmong(new WayNetwork(ways)), {
    ...{ millis, now: () => performance.now() },
    ...(from ? { from } : {}),
  });
}

function minutesOf({ places, pairs, ways }: WaysTask): (number | null)[] {
  const network = new WayNetwork(ways);
  if (pairs === null) return [...waysAmong(network)(places).minutes].map(onTenth);
  const minutes = Array<number | null>(places.length ** 2).fill(null);
  for (const [a, b] of pairs) {
    const [from, to] = [places[a], places[b]];
    if (!from || !to) continue;
    const way = network.way(from, to, 'vehicle') ?? estimateWay(from, to);
    minutes[a * places.length + b] = onTenth(way.minutes);
  }
  return minutes;
}

/** Nobody walks by the second. */
const onTenth = (minutes: number): number => Math.round(minutes * 10) / 10;
