export * from './svg.ts';
export * from './snap.ts';
