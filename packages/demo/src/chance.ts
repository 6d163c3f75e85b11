/** Seeded chance (mulberry32): the same demo every time. */
export class Chance {
  constructor(private seed: number) {}

  /** From 0 up to, but not reaching, 1. */
  next(): number {
    this.seed = (this.seed + 0x6d2b79f5) | 0;
    let t = Math.imul(this.seed ^ (this.seed >>> 15), 1 | this.seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  between(low: number, high: number): number {
    return low + this.next() * (high - low);
  }

  /** Roughly normal, mean 0 and deviation 1. */
  wobble(): number {
    return this.next() + this.next() + this.next() + this.next() - 2;
  }

  happens(likelihood: number): boolean {
    return this.next() < likelihood;
  }

  pick<Item>(items: readonly Item[]): Item {
    const item = items[Math.floor(this.next() * items.length)];
    if (item === undefined) throw new Error('nothing to pick from');
    return item;
  }

  bytes(count: number): Uint8Array {
    return Uint8Array.from({ length: count }, () => Math.floor(this.next() * 256));
  }

  uuid(): string {
    const hex = [...this.bytes(16)].map((b) => b.toString(16).padStart(2, '0')).join('');
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`;
  }
}
