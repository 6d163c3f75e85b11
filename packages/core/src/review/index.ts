export * from './worst-first.ts';
