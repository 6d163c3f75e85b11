export * from './day.ts';
export * from './job.ts';
export * from './job-states.ts';
export * from './next-step.ts';
export * from './parts.ts';
export * from './travel.ts';
