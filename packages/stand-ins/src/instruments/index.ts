import {
  instrumentName,
  InstrumentTrouble,
  type FoundInstrument,
  type InstrumentPort,
  type InstrumentReading,
  type OpenInstrument,
  type WantedReading,
} from '@ant-trail/core/instruments';

/** How a stand-in behaves; each can be met on site. */
type Temper = 'willing' | 'drops out' | 'refuses at first' | 'will not pair';

const TEMPERS: readonly Temper[] = ['willing', 'drops out', 'refuses at first', 'will not pair'];

/** What an instrument shows where nothing is expected of it, by unit. */
const USUAL: Readonly<Record<string, number>> = {
  Cel: 21.4,
  V: 231,
  'mm/s': 2.3,
  'N.m': 120,
  kPa: 300,
  bar: 3,
  mm: 9.5,
  Ohm: 0.7,
  A: 1.2,
};

const WORDS = {
  pairing: 'It does not answer. Switch it on, hold it close and try again.',
  refusal: 'The instrument refuses: its battery is low. Charge it, or write the value by hand.',
  dropout: 'The connection was lost. Nothing was taken; go closer and try again.',
} as const;

export interface StandInOptions {
  /** How long looking, pairing and measuring take, in milliseconds. */
  readonly delay?: number;
  readonly now?: () => Date;
}

/**
 * Simulated instruments of every kind: one that always works, one whose connection drops out at
 * the first value, one that refuses once, one that will not pair.
 */
export class StandInPort implements InstrumentPort {
  private readonly delay: number;
  private readonly now: () => Date;

  constructor({ delay = 700, now = () => new Date() }: StandInOptions = {}) {
    this.delay = delay;
    this.now = now;
  }

  async find(kind: string): Promise<readonly FoundInstrument[]> {
    await this.wait();
    const name = instrumentName(kind);
    return TEMPERS.map((_, index) => ({
      kind,
      name: `${name} ${String.fromCharCode(65 + index)}`,
      serial: `${kind.slice(0, 2).toUpperCase()}-${String(4107 + index * 11)}`,
    }));
  }

  async open(found: FoundInstrument): Promise<OpenInstrument> {
    await this.wait();
    const temper = TEMPERS[found.name.charCodeAt(found.name.length - 1) - 65] ?? 'willing';
    if (temper === 'will not pair') throw new InstrumentTrouble('lost', WORDS.pairing);
    let taken = 0;
    return {
      ...found,
      measure: async (wanted) => {
        await this.wait();
        taken++;
        if (temper === 'drops out' && taken === 1)
          throw new InstrumentTrouble('lost', WORDS.dropout);
        if (temper === 'refuses at first' && taken === 1)
          throw new InstrumentTrouble('refuses', WORDS.refusal);
        return this.reading(wanted, taken);
      },
      close: () => undefined,
    };
  }

  /** Near the target, a little off each time, as a hand holds it. */
  private reading({ unit, target }: WantedReading, turn: number): InstrumentReading {
    const around = target ?? USUAL[unit] ?? 10;
    const off = [0.002, -0.004, 0.006, -0.001, 0.003][turn % 5] ?? 0;
    return {
      value: Number((around * (1 + off)).toPrecision(4)),
      unit,
      takenAt: this.now().toISOString(),
    };
  }

  private wait(): Promise<void> {
    return new Promise((resolve) => setTimeout(resolve, this.delay));
  }
}
