/** What kinds of instrument a question may take its value from. */
export const INSTRUMENT_KINDS = [
  { key: 'thermometer', name: 'Thermometer' },
  { key: 'multimeter', name: 'Multimeter' },
  { key: 'vibration meter', name: 'Vibration meter' },
  { key: 'wrench', name: 'Torque wrench' },
  { key: 'gauge', name: 'Pressure gauge' },
  { key: 'caliper', name: 'Caliper' },
] as const;

/** An instrument within reach that the phone does not know yet or has not opened. */
export interface FoundInstrument {
  readonly kind: string;
  /** What its maker calls it. */
  readonly name: string;
  readonly serial: string;
}

/** A value as the instrument gives it. */
export interface InstrumentReading {
  readonly value: number;
  /** UCUM code. */
  readonly unit: string;
  /** When it was taken, as an RFC 3339 instant in UTC. */
  readonly takenAt: string;
}

/**
 * Why an instrument gave nothing: it `refuses` to measure (battery, range, wrong mode), or the
 * connection was `lost`. The words are for the person.
 */
export class InstrumentTrouble extends Error {
  constructor(
    readonly what: 'refuses' | 'lost',
    words: string,
  ) {
    super(words);
    this.name = 'InstrumentTrouble';
  }
}

/** What a question asks of an instrument. */
export interface WantedReading {
  readonly unit: string;
  /** What is expected, for an instrument that is set to a target. */
  readonly target?: number;
}

/** An instrument that is paired and open. */
export interface OpenInstrument extends FoundInstrument {
  /** Takes one value. Throws {@link InstrumentTrouble}. */
  measure(wanted: WantedReading): Promise<InstrumentReading>;
  close(): void;
}

/** One way of reaching instruments: a radio, a cable, or a stand-in. */
export interface InstrumentPort {
  /** The instruments of a kind within reach; none is no trouble. */
  find(kind: string): Promise<readonly FoundInstrument[]>;
  /** Pairs with one of them. Throws {@link InstrumentTrouble}. */
  open(found: FoundInstrument): Promise<OpenInstrument>;
}

/** What people call a kind of instrument. */
export const instrumentName = (kind: string): string =>
  INSTRUMENT_KINDS.find(({ key }) => key === kind)?.name ?? kind;
