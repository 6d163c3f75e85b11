export * from './action.ts';
