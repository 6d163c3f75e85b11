export * from './differences.ts';
export * from './worst-first.ts';
