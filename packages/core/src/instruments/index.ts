export * from './instrument.ts';
