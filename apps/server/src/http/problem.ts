import type { Problem } from '@ant-trail/contract/common';
import type { ErrorRequestHandler } from 'express';
import { ZodError } from 'zod';
import { codeOf } from '../database/tenancy.ts';
import { notFound, Refusal } from '../refusals/refusal.ts';

export function wrongInput(error: ZodError): Refusal {
  const fields = error.issues.map((issue) => ({
    field: issue.path.join('.'),
    message: issue.message,
  }));
  const first = fields[0];
  const where = first?.field ? ` (${first.field}: ${first.message})` : '';
  return new Refusal(400, 'wrong-input', `Something in the input is not right${where}.`, fields);
}

/** What Express and its parsers throw: it names the status itself, and whether it may be told. */
interface HttpError {
  readonly status: number;
  readonly type?: string;
}
const isHttpError = (error: unknown): error is HttpError =>
  error instanceof Error && 'status' in error && typeof error.status === 'number';

const ABOUT_DATA = '22';
const UNIQUE_VIOLATION = '23505';
const FOREIGN_KEY_VIOLATION = '23503';
const INVALID_TEXT = '22P02';

/** What PostgreSQL will not take, as a refusal; null where the failure is not the input's. */
function refusedByDatabase(error: unknown): Refusal | null {
  const code = codeOf(error);
  if (code === FOREIGN_KEY_VIOLATION || code === INVALID_TEXT) return notFound('What this names');
  if (code === UNIQUE_VIOLATION)
    return new Refusal(409, 'there-already', 'Something like this is there already.');
  if (code?.startsWith(ABOUT_DATA))
    return new Refusal(400, 'wrong-input', 'A value in it can’t be kept: too large, or no date.');
  return null;
}

/** Turns anything thrown into a refusal; what was not foreseen stays vague for the person. */
export function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (error instanceof ZodError) return wrongInput(error);
  if (isHttpError(error)) {
    if (error.status === 413)
      return new Refusal(
        413,
        'too-large',
        'This is too large to take at once. Send less at a time.',
      );
    if (error.type === 'entity.parse.failed')
      return new Refusal(400, 'not-json', 'What arrived is not readable as JSON.');
    if (error.status === 404) return notFound('This address');
    if (error.status >= 400 && error.status < 500)
      return new Refusal(400, 'wrong-input', 'What arrived can’t be read.');
  }
  return (
    refusedByDatabase(error) ??
    new Refusal(500, 'failed', 'The office could not do this. Try again in a minute.')
  );
}

export const answerProblems: ErrorRequestHandler = (error, request, response, next) => {
  const refusal = asRefusal(error);
  if (refusal.status >= 500) request.log.error({ err: error as unknown }, 'request failed');
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem: Problem = {
    code: refusal.code,
    message: refusal.message,
    ...(refusal.fields ? { fields: refusal.fields } : {}),
  };
  response.status(refusal.status).json(problem);
};
