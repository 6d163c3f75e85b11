export * from './answer.ts';
export * from './fold.ts';
export { isAnswered } from './fold-question.ts';
export * from './plan.ts';
export * from './refuse.ts';
export * from './severity.ts';
export * from './state.ts';
export * from './summary.ts';
export * from './template.ts';
