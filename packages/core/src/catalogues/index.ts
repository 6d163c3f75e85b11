export * from './catalogue.ts';
export * from './find-rows.ts';
export * from './look-up.ts';
