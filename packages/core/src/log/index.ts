export * from './answer-value.ts';
export * from './chain.ts';
export * from './entry.ts';
export * from './hash.ts';
export * from './heads.ts';
export * from './id.ts';
export * from './path.ts';
