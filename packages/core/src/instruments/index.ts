export {
  type FoundInstrument,
  INSTRUMENT_KINDS,
  instrumentName,
  type InstrumentPort,
  type InstrumentReading,
  InstrumentTrouble,
  type OpenInstrument,
  type WantedReading,
} from './instrument.ts';
