export * from './control-chart.ts';
export * from './convert.ts';
export * from './decimal.ts';
export * from './decimal-arithmetic.ts';
export * from './range.ts';
export * from './unit.ts';
export * from './unusual.ts';
export * from './vibration.ts';
