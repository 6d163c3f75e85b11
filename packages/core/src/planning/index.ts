export * from './day.ts';
export * from './job.ts';
export * from './next-step.ts';
export * from './travel.ts';
