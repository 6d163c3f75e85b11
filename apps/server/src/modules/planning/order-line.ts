import type { WayLine } from '@ant-trail/core/maps/ways';
import type { BetterDayOptions, DayOfWork, DayOrder } from '@ant-trail/core/planning/order';
import { WorkerLine } from '../../turns/worker-line.ts';

export interface OrderTask {
  readonly day: DayOfWork;
  /** What people go along on the map. */
  readonly ways: readonly WayLine[];
  readonly from?: BetterDayOptions['from'];
  readonly millis: number;
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
  async find(organisation: string, task: OrderTask): Promise<DayOrder> {
    return (await this.line.run(organisation, task)) as DayOrder;
  }

  close(): Promise<void> {
    return this.line.close();
  }
}
