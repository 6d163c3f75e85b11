export * from './difference.ts';
export * from './edit.ts';
export * from './explain.ts';
export * from './question-bank.ts';
export * from './read-questions.ts';
export * from './sample-answer.ts';
