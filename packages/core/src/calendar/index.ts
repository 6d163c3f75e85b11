export * from './local.ts';
