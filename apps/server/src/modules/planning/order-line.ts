import type { Place } from '@ant-trail/core/geo';
import type { WayLine } from '@ant-trail/core/maps/ways';
import type { BetterDayOptions, DayOfWork, DayOrder } from '@ant-trail/core/planning/order';
import { WorkerLine } from '../../turns/worker-line.ts';

export interface OrderTask {
  readonly task: 'order';
  readonly day: DayOfWork;
  /** What people go along on the map. */
  readonly ways: readonly WayLine[];
  readonly from?: BetterDayOptions['from'];
  readonly millis: number;
}

/** How long it takes from places to others. */
export interface WaysTask {
  readonly task: 'ways';
  readonly places: readonly Place[];
  /** Which to which, by their numbers; null for all. */
  readonly pairs: readonly (readonly [number, number])[] | null;
  readonly ways: readonly WayLine[];
}

const LONGEST_MS = 20_000;

/** Orders are looked for in a thread of its own: nobody waits for one but who asked. */
export class OrderLine {
  private readonly line: WorkerLine;

  constructor(worker: string) {
    this.line = new WorkerLine({
      ...{ worker, threads: 1, memoryMb: 700 },
      ...{ longestMs: LONGEST_MS, waiting: 20 },
    });
  }

  /** Throws TooMuchWork when it takes too long or too much. */
  async find(organisation: string, task: Omit<OrderTask, 'task'>): Promise<DayOrder> {
    return (await this.line.run(organisation, { ...task, task: 'order' })) as DayOrder;
  }

  /** Minutes from each to each, row by row; null where it was not asked for. Throws TooMuchWork when it takes too long or too much. */
  async ways(organisation: string, task: Omit<WaysTask, 'task'>): Promise<(number | null)[]> {
    return (await this.line.run(organisation, { ...task, task: 'ways' })) as (number | null)[];
  }

  close(): Promise<void> {
    return this.line.close();
  }
}
