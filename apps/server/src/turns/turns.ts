import { Refusal } from '../refusals/refusal.ts';

export interface TurnRules {
  /** How many works go on at once, over everybody. */
  readonly atOnce: number;
  /** How many of them may be one organisation's. */
  readonly each: number;
  /** How many of one organisation may wait; more are refused in words. */
  readonly waiting: number;
}

interface Line {
  running: number;
  readonly waiting: (() => void)[];
}

/**
 * Gives organisations their turns at something scarce, such as connections or worker threads: one
 * that asks for much waits in its own line, and holds up nobody else's.
 */
export class Turns {
  /** Whose turn it is next comes first. */
  private readonly lines = new Map<string, Line>();
  private running = 0;

  constructor(private readonly rules: TurnRules) {}

  /** Does work when its organisation's turn has come. Waiting is no part of the work. */
  async take<Result>(organisation: string, work: () => Promise<Result>): Promise<Result> {
    const line = this.lines.get(organisation) ?? { running: 0, waiting: [] };
    this.lines.set(organisation, line);
    if (line.waiting.length >= this.rules.waiting)
      throw new Refusal(429, 'busy', 'The office has much to do for you just now. Try again soon.');
    await new Promise<void>((resolve) => {
      line.waiting.push(resolve);
      this.begin();
    });
    try {
      return await work();
    } finally {
      this.running--;
      line.running--;
      if (line.running === 0 && line.waiting.length === 0) this.lines.delete(organisation);
      this.begin();
    }
  }

  private begin(): void {
    while (this.running < this.rules.atOnce) {
      const next = [...this.lines].find(
        ([, { running, waiting }]) => waiting.length > 0 && running < this.rules.each,
      );
      if (!next) return;
      const [organisation, line] = next;
      // Its next turn comes after everybody else's.
      this.lines.delete(organisation);
      this.lines.set(organisation, line);
      line.running++;
      this.running++;
      line.waiting.shift()?.();
    }
  }
}
