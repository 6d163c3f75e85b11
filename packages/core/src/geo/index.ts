export * from './distance.ts';
export * from './presence.ts';
