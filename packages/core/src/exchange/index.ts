export * from './answer-table.ts';
export * from './read-table.ts';
