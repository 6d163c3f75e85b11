export * from './action.ts';
export * from './action-states.ts';
