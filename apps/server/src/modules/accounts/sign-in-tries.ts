import { Refusal } from '../../refusals/refusal.ts';

const WINDOW_MS = 10 * 60_000;
/** Wrong tries within the window, until somebody has to wait. */
const MOST = {
  /** Of one source for one account. */
  pair: 10,
  /** Of one source, whatever the account. */
  source: 60,
  /** For one account, from sources nobody of it ever signed in from. */
  account: 40,
} as const;
/** So many counts are kept; beyond that the oldest go. */
const MOST_KEPT = 50_000;

interface Count {
  wrong: number;
  since: number;
}

/**
 * Counts wrong tries to sign in, by source and by account. An account that is tried from everywhere
 * is closed to strangers for a while, never to its owner, whose device signed in before.
 */
export class SignInTries {
  private readonly counts = new Map<string, Count>();

  constructor(private readonly now: () => number = Date.now) {}

  /** Counts a try as wrong until it succeeds. Throws a refusal when there were too many. */
  begin(source: string, email: string, isKnown: boolean): { succeeded(): void } {
    const account = email.toLowerCase();
    const counts = [
      { count: this.count(`pair ${source} ${account}`), most: MOST.pair },
      { count: this.count(`source ${source}`), most: MOST.source },
      ...(isKnown ? [] : [{ count: this.count(`account ${account}`), most: MOST.account }]),
    ];
    if (counts.some(({ count, most }) => count.wrong >= most))
      throw new Refusal(429, 'too-many', 'Too many tries. Wait ten minutes, then try again.');
    for (const { count } of counts) count.wrong++;
    return {
      succeeded: () => {
        for (const { count } of counts) count.wrong--;
      },
    };
  }

  private count(key: string): Count {
    const now = this.now();
    const known = this.counts.get(key);
    if (known && now - known.since < WINDOW_MS) return known;
    const fresh = { wrong: 0, since: now };
    this.counts.delete(key);
    this.counts.set(key, fresh);
    if (this.counts.size > MOST_KEPT) {
      const [oldest] = this.counts.keys();
      if (oldest !== undefined) this.counts.delete(oldest);
    }
    return fresh;
  }
}
