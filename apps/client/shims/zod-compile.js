/** Zod can compile schemas ahead of use; no schema here is, and what its names stand for is not loaded. */
export const INVALID = Symbol.for('zod.compile.invalid');
export const compile = undefined;
export const compileFn = undefined;
export const withParser = undefined;
export class ZodCompileAsyncError extends Error {}
export class ZodCompileUnsupportedError extends Error {}
